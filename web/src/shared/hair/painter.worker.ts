/**
 * Paints hair beside the page: while it does, whoever turns a value or types is not waited for.
 *
 * One picture after the other, as they were asked for. What is asked anew meanwhile is not painted as it was before.
 */
import type { Lock } from "@/api";
import type { View } from "@/shared/sights";
import { expose, transfer } from "comlink";
import { isBehind, locksIn, strokesOf, thinned, type Tones } from "./paint";
import { rasterise } from "./raster";
import type { Box } from "./picture";

export interface Painting {
  /** Which of the page's pictures it is for. */
  picture: number;
  /** The locks as they came, and a number of their own. */
  hair: { number: number; locks: Blob };
  view: View;
  tones: Tones;
  /** How far down the person's chin lies, mm. */
  chin: number;
  box: Box;
  /** How wide it is, dots, and how many locks are drawn at most. */
  dots: number;
  most: number;
}
export interface Painted {
  behind: ImageBitmap;
  before: ImageBitmap;
}

/** Heads of hair that are kept read: now and after, of two cuts. */
const KEPT = 4;

const asked = new Map<number, Painting>();
const kept = new Map<number, Promise<Lock[]>>();
let turn: Promise<unknown> = Promise.resolve();

/** Lets what was asked meanwhile be heard. */
const listen = () => new Promise((heard) => setTimeout(heard));

function read({ number, locks }: Painting["hair"]): Promise<Lock[]> {
  const known = kept.get(number) ?? locksIn(locks);
  // The newest is last.
  kept.delete(number);
  kept.set(number, known);
  const [oldest] = kept.keys();
  if (kept.size > KEPT && oldest !== undefined) kept.delete(oldest);
  return known;
}

async function painted(painting: Painting): Promise<Painted | undefined> {
  await listen();
  if (asked.get(painting.picture) !== painting) return undefined;
  const { view, tones, chin, dots, box, most } = painting;
  const [left, top, width, height] = box;
  const scale = dots / width;
  const strokes = strokesOf(thinned(await read(painting.hair), most), view, tones, scale);
  const raster = { wide: dots, high: Math.round(height * scale), left, top, scale };
  const [behind, before] = await Promise.all(
    [true, false].map((back) => {
      const side = strokes.filter((stroke) => isBehind(view, chin, stroke) === back);
      return createImageBitmap(new ImageData(rasterise(side, raster), raster.wide));
    }),
  );
  const both = { behind: behind!, before: before! };
  return transfer(both, [both.behind, both.before]);
}

export const painter = {
  /** The picture; nothing if it was asked for anew or given up meanwhile. */
  paint(painting: Painting): Promise<Painted | undefined> {
    asked.set(painting.picture, painting);
    const done = turn.then(() => painted(painting));
    turn = done.catch(() => undefined);
    return done;
  },
  giveUp(picture: number) {
    asked.delete(picture);
  },
};
export type Painter = typeof painter;
expose(painter);
