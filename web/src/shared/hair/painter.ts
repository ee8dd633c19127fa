/**
 * Where hair is painted: beside the page, the large picture and those beside it at once where the machine has the cores.
 *
 * Pictures are painted as they were asked for. What is asked anew while it waits is not painted as it was before.
 */
import { wrap, type Remote } from "comlink";
import pLimit from "p-limit";
import { ref } from "vue";
import type { Painted, Painter, Painting } from "./painter.worker";

/** Whether nothing can be painted beside this page: its script can't be had, or the browser runs none there. */
export const unpainted = ref(false);

/** More painters would only hold up the page and the program. */
const MOST_PAINTERS = 2;

function hire(): Remote<Painter> {
  const worker = new Worker(new URL("./painter.worker.ts", import.meta.url), { type: "module" });
  // A script that can't be loaded answers nothing, ever.
  worker.addEventListener("error", () => (unpainted.value = true));
  return wrap<Painter>(worker);
}

let heads = 0;
/** What is painted from several sides is read once by each who paints. */
const numbers = new WeakMap<Blob, number>();
function numberOf(locks: Blob): number {
  const number = numbers.get(locks) ?? heads++;
  numbers.set(locks, number);
  return number;
}

/** So many who paint, and a place with them for each picture of a page. */
export function painters(count: number) {
  const turns = pLimit(count);
  const idle: Remote<Painter>[] = [];
  async function painted(painting: Painting): Promise<Painted> {
    const painter = idle.pop() ?? hire();
    try {
      return await painter.paint(painting);
    } finally {
      idle.push(painter);
    }
  }
  /** Paints one picture, over and over. */
  return function usePainter() {
    let newest: object | undefined;
    return {
      /** The picture; nothing if it was asked for anew or given up before its turn. */
      paint({ locks, ...what }: Omit<Painting, "hair"> & { locks: Blob }): Promise<Painted | undefined> {
        newest = what;
        return turns(() =>
          newest === what ? painted({ ...what, hair: { number: numberOf(locks), locks } }) : undefined,
        );
      },
      giveUp: () => void (newest = undefined),
    };
  };
}
export const usePainter = painters(Math.min(MOST_PAINTERS, globalThis.navigator?.hardwareConcurrency ?? 1));
