/**
 * Where hair is painted: beside the page, parts of a large picture and the small ones at once where the machine has the cores.
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
/** From so many dots of its width on a picture is painted by all of them. */
const LARGE_DOTS = 200;

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
      /** The parts of the picture; nothing if it was asked for anew or given up before all had their turn. */
      async paint({
        locks,
        ...what
      }: Omit<Painting, "hair" | "part"> & { locks: Blob }): Promise<Painted[] | undefined> {
        newest = what;
        const hair = { number: numberOf(locks), locks };
        const parts = what.dots < LARGE_DOTS ? 1 : count;
        const painting = (part: number) =>
          turns(() => (newest === what ? painted({ ...what, hair, part: [part, parts] }) : undefined));
        const all = await Promise.all(Array.from({ length: parts }, (_, part) => painting(part)));
        return all.every((part) => part !== undefined) ? all : undefined;
      },
      giveUp: () => void (newest = undefined),
    };
  };
}
export const usePainter = painters(Math.min(MOST_PAINTERS, globalThis.navigator?.hardwareConcurrency ?? 1));
