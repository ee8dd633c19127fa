/** How far the computed hair lies from what was measured of it. */
import type { Agreement, LineAt } from "@/api";

/** Where the line is looked at, round the head from the left of the face to the right. */
export const LINE: readonly LineAt[] = ["front_left", "side_left", "back", "side_right", "front_right"];

/** Computed minus measured, mm; nothing where no hair reaches. */
export function apart({ measured_mm, computed_mm }: Agreement): number | undefined {
  return computed_mm === null || computed_mm === undefined ? undefined : computed_mm - measured_mm;
}
