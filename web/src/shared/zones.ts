import type { Zone } from "@/api";

/** The zones in walking order round the head: front, left, back, right. */
export const ZONES: readonly Zone[] = [
  "fringe",
  "top",
  "crown",
  "left_side",
  "back_upper",
  "back_lower",
  "nape",
  "right_side",
];

/** The zone on the other side, for those that have one. */
export function mirrored(zone: Zone): Zone | undefined {
  if (zone === "left_side") return "right_side";
  if (zone === "right_side") return "left_side";
  return undefined;
}
