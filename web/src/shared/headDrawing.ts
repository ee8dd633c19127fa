/** Heights on the client's own figure. */
import type { Figure, Point } from "@/api";

/** Millimetres above the ear canals. */
export const heightOf = (figure: Figure, point: Point): number =>
  figure.points.find((known) => known.point === point)?.height_mm ?? 0;
