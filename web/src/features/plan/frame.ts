/** What the pictures of a plan have to show, mm. */
import type { Box } from "@/shared/hair/picture";

/** So far to both sides of the middle, from one height to another. */
export interface Frame {
  half: number;
  top: number;
  bottom: number;
}

/** A square box round it: pictures that stand beside one another. */
export function squareOf({ half, top, bottom }: Frame): Box {
  const side = Math.max(half, (top - bottom) / 2);
  return [-side, -top, 2 * side, 2 * side];
}

/** The same as a box on the page: left, top, width and height. */
export const boxOf = ({ half, top, bottom }: Frame): Box => [-half, -top, 2 * half, top - bottom];
