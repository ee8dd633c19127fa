/** Paints hair beside the page: while it does, whoever turns a value or types is not waited for. */
import type { Lock } from "@/api";
import type { View } from "@/shared/sights";
import { expose, transfer } from "comlink";
import { clamp } from "lodash-es";
import { locksIn, beforeAndBehind, partsOf, strokesOf, thinned, type Stroke, type Tones } from "./paint";
import { rasterise } from "./raster";
import type { Box } from "./picture";

export interface Painting {
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
  /** Which part of it, from the left, of how many that others paint meanwhile. */
  part: readonly [number, number];
}
export interface Painted {
  /** Where it begins on the picture, dots from the left. */
  from: number;
  behind: ImageBitmap;
  before: ImageBitmap;
}

/** Heads of hair that are kept read: now and after, of two cuts. */
const KEPT = 4;

const kept = new Map<number, Promise<Lock[]>>();

function read({ number, locks }: Painting["hair"]): Promise<Lock[]> {
  const known = kept.get(number) ?? locksIn(locks);
  // The newest is last.
  kept.delete(number);
  kept.set(number, known);
  const [oldest] = kept.keys();
  if (kept.size > KEPT && oldest !== undefined) kept.delete(oldest);
  return known;
}

export const painter = {
  async paint({ hair, view, tones, chin, dots, box, most, part: [part, parts] }: Painting): Promise<Painted> {
    const [left, top, width, height] = box;
    const scale = dots / width;
    const locks = thinned(await read(hair), most);
    // Each part has a column at least.
    const [from, to] = partsOf(locks, view, parts)
      .slice(part, part + 2)
      .map((mm, i) => clamp(Math.round((mm - left) * scale), part + i, dots - parts + part + i)) as [number, number];
    const [fromMm, toMm] = [left + from / scale, left + to / scale];
    const strokes = strokesOf(locks, view, tones, scale, [fromMm, toMm]);
    const raster = { wide: to - from, high: Math.round(height * scale), left: fromMm, top, scale };
    const sides = beforeAndBehind(strokes, view, chin);
    const picture = (side: Stroke[]) => createImageBitmap(new ImageData(rasterise(side, raster), raster.wide));
    const [behind, before] = await Promise.all([picture(sides.behind), picture(sides.before)]);
    return transfer({ from, behind, before }, [behind, before]);
  },
};
export type Painter = typeof painter;
expose(painter);
