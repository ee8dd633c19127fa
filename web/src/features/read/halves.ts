/** Zones that are read in halves, on the drawings of the head. */
import type { Patch, Zone, ZoneHalf } from "@/api";
import type { Outline } from "@/shared/headDrawing";
import { halfOf, patchesOf, zoneOf, type ZoneReadings } from "@/shared/patches";
import type { MapView } from "./headMarks";

export interface DrawnPatch {
  patch: Patch;
  path: string;
  label: [number, number];
  /** What is drawn of the zone's outline; all of it without. */
  clip?: { x: number; y: number; width: number; height: number };
  /** Of the first half: where the other begins. */
  seam?: { x1: number; y1: number; x2: number; y2: number };
}

/** Far beyond any drawing, mm. */
const FAR = 1000;
/** How far from the seam the number of a half stands, mm. */
const ASIDE = 15;

/** Which way from the seam a half lies in a drawing: across it and down; hidden where only the other half is seen. */
function side(view: MapView, zone: Zone, half: ZoneHalf): [number, number] | "all" | "hidden" {
  if (half === "upper") return [0, -1];
  if (half === "under") return [0, 1];
  if (view === "behind") {
    if (half === "left") return [-1, 0];
    if (half === "right") return [1, 0];
    // From behind the front half of a side is not seen; of the top it lies further up.
    if (zone === "left_side" || zone === "right_side") return half === "behind" ? "all" : "hidden";
    return [0, half === "front" ? -1 : 1];
  }
  if (half === "front") return [-1, 0];
  if (half === "behind") return [1, 0];
  return half === view ? "all" : "hidden";
}

/** The patches of a drawing, each with what of its zone's outline it covers. */
export function patchesIn(view: MapView, outlines: readonly Outline[], zones: ZoneReadings): DrawnPatch[] {
  const all = patchesOf(zones);
  return outlines.flatMap(({ zone, path, label, under }) =>
    all.flatMap((patch): DrawnPatch[] => {
      if (zoneOf(patch) !== zone) return [];
      const half = halfOf(patch);
      const lies = half ? side(view, zone, half) : "all";
      if (lies === "hidden") return [];
      if (lies === "all") return [{ patch, path, label }];
      const [across, down] = lies;
      const [x, y] = label;
      const from = (at: number, way: number) => (way > 0 ? at : way < 0 ? at - FAR : at - FAR / 2);
      const clip = { x: from(x, across), y: from(y, down), width: FAR, height: FAR };
      const number: [number, number] = (half === "under" && under) || [x + ASIDE * across, y + ASIDE * down];
      const first = across < 0 || down < 0;
      const seam = across ? { x1: x, x2: x, y1: y - FAR, y2: y + FAR } : { x1: x - FAR, x2: x + FAR, y1: y, y2: y };
      return [{ patch, path, label: number, clip, ...(first && { seam }) }];
    }),
  );
}
