/** The figure hair is wished on: head, neck, shoulders and trunk from the front or from behind, from the client's measures. */
import { contract, type Figure, type FigureZone, type Place, type Point, type SheetZone, type Zone } from "@/api";
import { heightOf } from "@/shared/headDrawing";
import { clamp } from "lodash-es";

export type Side = "front" | "back";

/** Which view a zone's hair is drawn in, and where across, as a share of half the head's breadth. Seen from the front the
 *  client's left is on the right. */
export const STRANDS: Record<Zone, { side: Side; across: number }> = {
  fringe: { side: "front", across: -0.34 },
  top: { side: "front", across: 0.34 },
  left_side: { side: "front", across: 1.12 },
  right_side: { side: "front", across: -1.12 },
  crown: { side: "back", across: -0.78 },
  back_upper: { side: "back", across: -0.26 },
  back_lower: { side: "back", across: 0.26 },
  nape: { side: "back", across: 0.62 },
};

const at = (x: number, y: number) => `${x.toFixed(1)} ${y.toFixed(1)}`;

/** The lines of one half. */
function half(figure: Figure): string[] {
  const [b, top] = [figure.half_breadth_mm, figure.top_mm];
  const h = (point: Point) => -heightOf(figure, point);
  const skull = Array.from({ length: 19 }, (_, i) => {
    const angle = (Math.PI / 2) * (1 - i / 18);
    return `L${at(b * Math.cos(angle), -top * Math.sin(angle))}`;
  });
  return [
    ...skull,
    `C${at(b * 0.99, h("lip") * 0.6)} ${at(b * 0.9, h("jaw_corner") * 0.8)} ${at(b * 0.78, h("jaw_corner"))}`,
    `C${at(b * 0.7, h("chin") * 0.96)} ${at(b * 0.6, h("chin"))} ${at(b * 0.62, h("chin") + 8)}`,
    `C${at(b * 0.6, h("shoulder") - 8)} ${at(b * 0.75, h("shoulder"))} ${at(b * 1.3, h("shoulder") + 10)}`,
    `C${at(b * 2.1, h("collarbone") - 6)} ${at(b * 2.5, h("collarbone") + 10)} ${at(b * 2.55, h("armpit"))}`,
    `L${at(b * 2.35, h("armpit"))}`,
    `C${at(b * 2.0, h("armpit") + 10)} ${at(b * 1.9, h("mid_back"))} ${at(b * 1.7, h("waist"))}`,
  ];
}

/** Outline of one half, from the top of the head down; with its mirror it makes the figure. */
export function outline(figure: Figure): string {
  return `M${at(0, -figure.top_mm)}${half(figure).join("")}`;
}

/** The same half as an area, closed along the middle of the figure. */
export function area(figure: Figure): string {
  return `${outline(figure)}L${at(-0.5, -heightOf(figure, "waist"))}L${at(-0.5, -figure.top_mm)}Z`;
}

/** Chin and jaw as a line, for the front. */
export function jaw(figure: Figure): string {
  const b = figure.half_breadth_mm;
  const [corner, chin] = [-heightOf(figure, "jaw_corner"), -heightOf(figure, "chin")];
  return `M${at(-b * 0.78, corner)}C${at(-b * 0.62, chin * 0.98)} ${at(-b * 0.3, chin)} ${at(0, chin)}C${at(b * 0.3, chin)} ${at(b * 0.62, chin * 0.98)} ${at(b * 0.78, corner)}`;
}

/** Brows, nose and lips as short lines. */
export function face(figure: Figure): string[] {
  const b = figure.half_breadth_mm;
  const h = (point: Point) => -heightOf(figure, point);
  const brow = (s: number) =>
    `M${at(s * b * 0.2, h("brow") + 3)}Q${at(s * b * 0.42, h("brow") - 5)} ${at(s * b * 0.62, h("brow") + 4)}`;
  const eye = (s: number) =>
    `M${at(s * b * 0.24, h("brow") + 22)}Q${at(s * b * 0.42, h("brow") + 14)} ${at(s * b * 0.58, h("brow") + 22)}`;
  return [
    brow(-1),
    brow(1),
    eye(-1),
    eye(1),
    `M${at(-b * 0.12, h("nose_tip") - 2)}Q${at(0, h("nose_tip") + 6)} ${at(b * 0.12, h("nose_tip") - 2)}`,
    `M${at(-b * 0.26, h("lip"))}Q${at(0, h("lip") + 4)} ${at(b * 0.26, h("lip"))}`,
  ];
}

/** A hair from its root down to its end, with a light wave so that it reads as hair. */
export function hair(x: number, fromY: number, toY: number, wave: number): string {
  const length = Math.max(0, toY - fromY);
  const steps = Math.max(2, Math.ceil(length / 4));
  const points = Array.from({ length: steps + 1 }, (_, i) => {
    const s = i / steps;
    return at(x + wave * s * Math.sin((s * length) / 9), fromY + s * length);
  });
  return `M${points.join("L")}`;
}

/** Labels spread so that none covers another: each at its own height or just below the one before. */
export function spread(heights: readonly number[], gap: number): number[] {
  const placed = [...heights];
  for (let i = 1; i < placed.length; i++) placed[i] = Math.max(placed[i]!, placed[i - 1]! + gap);
  return placed;
}

/** Height of a place, mm above the ear canals; what lies below its point is measured straight down. */
export function placeHeight(figure: Figure, place: Place): number {
  return heightOf(figure, place.point) - (place.below_mm ?? 0);
}

/** Half centimetres: a wish is not made more finely. */
export const STEP_MM = 5;
const SNAP_MM = 7;
const FAR_MM = 150;

/** The place nearest to a height: a point itself where it is close, else so far below or above the nearest. */
export function placeAt(figure: Figure, zone: FigureZone, height: number): Place | undefined {
  const [first] = zone.reaches
    .map((reach) => ({ point: reach.point, below: heightOf(figure, reach.point) - height }))
    .sort((a, b) => Math.abs(a.below) - Math.abs(b.below));
  if (!first) return undefined;
  const below = Math.abs(first.below) <= SNAP_MM ? 0 : Math.round(first.below / STEP_MM) * STEP_MM;
  return { point: first.point, below_mm: Math.max(-FAR_MM, Math.min(FAR_MM, below)) };
}

/** One step further down (1) or up (-1). */
export function nudged(figure: Figure, zone: FigureZone, place: Place, by: 1 | -1): Place {
  const height = placeHeight(figure, place) - by * STEP_MM;
  const next = placeAt(figure, zone, height);
  if (!next) return place;
  // Snapping must not hold a place fast: past the point, the step is taken without it.
  if (next.point === place.point && next.below_mm === place.below_mm) {
    return { point: place.point, below_mm: (place.below_mm ?? 0) + by * STEP_MM };
  }
  return next;
}

/** The next point down (1) or up (-1) that this zone's hair can hang to. */
export function nextPoint(figure: Figure, zone: FigureZone, place: Place, by: 1 | -1): Place {
  const here = placeHeight(figure, place);
  const heights = zone.reaches.map((reach) => ({ point: reach.point, height: heightOf(figure, reach.point) }));
  const on = heights.filter(({ height }) => (by === 1 ? height < here - 0.5 : height > here + 0.5));
  const found = by === 1 ? on[0] : on.at(-1);
  return found ? { point: found.point, below_mm: 0 } : place;
}

/** So much longer or shorter, in whole steps. */
export function longer(wornMm: number, by: number): number {
  const [least = 0, longest = Infinity] = contract.wish_mm;
  return clamp(Math.round((wornMm + by) / STEP_MM) * STEP_MM, least, longest);
}

/** Share of the way down that hair is held up from which on it stands: it comes down to no point. */
const STANDS = 0.5;

/** Whether the hair of a zone stands as it is. */
export function stands(sheets: readonly SheetZone[]): boolean {
  return sheets.some(({ present }) => (present?.held_up ?? 0) > STANDS);
}

/** By how many degrees hair that stands is turned from hanging: it stands away from the middle of the head. */
export function standingTurn(x: number, y: number, middle: { x: number; y: number }): number {
  return (Math.atan2(y - middle.y, x - middle.x) * 180) / Math.PI - 90;
}
