export { sayPlace } from "./sayPlace";
