/** Where hair is painted: beside the page. */
import { wrap, type Remote } from "comlink";
import type { Painter, Painting } from "./painter.worker";

let beside: Remote<Painter> | undefined;
const painter = () =>
  (beside ??= wrap<Painter>(new Worker(new URL("./painter.worker.ts", import.meta.url), { type: "module" })));

let pictures = 0;
let heads = 0;
/** What is painted from several sides is read once. */
const numbers = new WeakMap<Blob, number>();
function numberOf(locks: Blob): number {
  const number = numbers.get(locks) ?? heads++;
  numbers.set(locks, number);
  return number;
}

/** Paints one picture of the page, over and over. */
export function usePainter() {
  const picture = pictures++;
  return {
    paint: ({ locks, ...what }: Omit<Painting, "picture" | "hair"> & { locks: Blob }) =>
      painter().paint({ ...what, picture, hair: { number: numberOf(locks), locks } }),
    giveUp: () => void beside?.giveUp(picture),
  };
}
