/** The figure hair is wished on: head, neck, shoulders and trunk from the front or from behind, from the client's measures. */
import { contract, type Figure, type FigureZone, type Place, type SheetZone, type Zone } from "@/api";
import { heightOf } from "@/shared/headDrawing";
import { clamp } from "lodash-es";

export const SIDES = ["front", "behind"] as const;
export type Side = (typeof SIDES)[number];

/** Which view a zone's hair is drawn in, and where across, as a share of half the head's breadth. Seen from the front the
 *  client's left is on the right. */
export const STRANDS: Record<Zone, { side: Side; across: number }> = {
  fringe: { side: "front", across: -0.34 },
  top: { side: "front", across: 0.34 },
  left_side: { side: "front", across: 1.12 },
  right_side: { side: "front", across: -1.12 },
  crown: { side: "behind", across: -0.78 },
  back_upper: { side: "behind", across: -0.26 },
  back_lower: { side: "behind", across: 0.26 },
  nape: { side: "behind", across: 0.62 },
};

const at = (x: number, y: number) => `${x.toFixed(1)} ${y.toFixed(1)}`;

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
