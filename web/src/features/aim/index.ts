export { placeAt } from "./figureDrawing";
export { sayPlace, sayWish } from "./sayPlace";
export { widthAt } from "./widthAt";
