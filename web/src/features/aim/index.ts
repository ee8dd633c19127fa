export { sayWish } from "./sayPlace";
