/** How far the computed hair lies from what was measured of it. */
import type { Agreement, Fall, LineAt } from "@/api";
import type { View } from "@/shared/sights";

/** Where the line is looked at, round the head from the left of the face to the right. */

/** Computed minus measured, mm; nothing where no hair reaches. */
export function apart({ measured_mm, computed_mm }: Agreement): number | undefined {
  return computed_mm === null || computed_mm === undefined ? undefined : computed_mm - measured_mm;
}

/** Half the length of a mark, mm. */
const TICK_MM = 11;
/** Where round the head a place lies in a view, as a share of how far the hair reaches there; left out where it is hidden. */
const ACROSS: Partial<Record<View, Partial<Record<LineAt, number>>>> = {
  front: { front_left: 0.7, side_left: 1, front_right: -0.7, side_right: -1 },
  left: { front_left: -0.7, side_left: 0, back: 1 },
  behind: { side_left: -1, back: 0, side_right: 1 },
};

/** Marks on an outline at the heights at which the line was measured. */
export function lineTicks(view: View, fall: Fall, measured: readonly { at: LineAt; height: number }[]): string[] {
  const seen = view === "left" ? fall.side : fall.front;
  return measured.flatMap(({ at, height }) => {
    const share = ACROSS[view]?.[at];
    if (share === undefined) return [];
    const row = seen.heights_mm.findIndex((y) => y <= height);
    const near = row < 0 ? seen.heights_mm.length - 1 : row;
    // From the left the front lies left on the page, as "one" does; from the front "one" is the client's left, on the right.
    const one = view === "left" || view === "behind" ? share < 0 : share > 0;
    const reach = (one ? seen.one_mm : seen.other_mm)[near] ?? 0;
    const x = share * Math.max(0, reach);
    return [`M${(x - TICK_MM).toFixed(1)} ${(-height).toFixed(1)}h${2 * TICK_MM}`];
  });
}
