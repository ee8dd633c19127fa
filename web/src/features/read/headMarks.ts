/** Weak spots and swirls on the drawings of the head. */
import type { HeadMark, HeadView, SpotKind } from "@/api";

export type MarkKind = SpotKind | "growth";

export interface DrawnMark {
  key: string;
  kind: MarkKind;
  x: number;
  y: number;
  /** Radius of its circle: as far as it reaches, mm. */
  reach: number;
  percent: number;
  /** A curl of a line that stands for a swirl. */
  swirl: string;
}

export const markWord = (kind: MarkKind) => (kind === "growth" ? "read-growth" : `read-spotKinds-${kind}`);

/** How far beyond the middle of the head a mark is still seen from a side, mm. */
const SEEN_MM = -8;

/** Where a place of the head lies in a drawing; nowhere where it is on the other side. */
export function placeIn(view: HeadView, [x = 0, y = 0, z = 0]: readonly number[]): [number, number] | undefined {
  const near = view === "left" ? x : view === "right" ? -x : -z;
  if (near < SEEN_MM) return undefined;
  return [view === "left" ? -z : view === "behind" ? -x : z, -y];
}

/** The marks that are seen in a drawing, where they lie on it. */
export function marksIn(view: HeadView, marks: readonly HeadMark[]): DrawnMark[] {
  return marks.flatMap((mark) => {
    const place = placeIn(view, mark.at);
    if (!place) return [];
    const [across, down] = place;
    const kind: MarkKind = typeof mark.what === "string" ? "growth" : mark.what.spot;
    const reach = Math.min(45, Math.max(7, mark.reach_mm * 0.6));
    return [
      {
        key: `${kind} ${mark.number}`,
        kind,
        x: across,
        y: down,
        reach,
        percent: Math.round(100 * mark.strength),
        swirl: swirl(across, down, reach * 0.7),
      },
    ];
  });
}

/** One turn and a half of a spiral, outward. */
function swirl(x: number, y: number, reach: number): string {
  const points = Array.from({ length: 28 }, (_, i) => {
    const turn = (i / 27) * 3 * Math.PI;
    const out = (reach * i) / 27;
    return `${(x + out * Math.cos(turn)).toFixed(1)} ${(y + out * Math.sin(turn)).toFixed(1)}`;
  });
  return `M${points.join("L")}`;
}
