/** Where hair is painted: beside the page. */
import { wrap, type Remote } from "comlink";
import { ref } from "vue";
import type { Painter, Painting } from "./painter.worker";

/** Whether nothing can be painted beside this page: its script can't be had, or the browser runs none there. */
export const unpainted = ref(false);

let beside: Remote<Painter> | undefined;
function painter(): Remote<Painter> {
  if (beside) return beside;
  const worker = new Worker(new URL("./painter.worker.ts", import.meta.url), { type: "module" });
  // A script that can't be loaded answers nothing, ever.
  worker.addEventListener("error", () => (unpainted.value = true));
  return (beside = wrap<Painter>(worker));
}

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
