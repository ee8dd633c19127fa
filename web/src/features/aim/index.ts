export { sayPlace, sayWish } from "./sayPlace";
