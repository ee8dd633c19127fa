/** The sketched person in the client's own proportions, from each side. */
import type { Figure, Point } from "@/api";
import type { View } from "@/shared/fallDrawing";
import {
  BODY_LINES,
  EARS,
  FACE_LINES,
  FACE_SIDE,
  FRONT_HEIGHTS,
  HALF_BREADTH,
  HALF_LENGTH,
  HALF_SHOULDERS,
  NOSE_ABOVE,
  SHOULDERS_ABOVE,
  SIDE_HEIGHTS,
  SIDE_LINES,
  SKULL_AND_FACE,
  SKULL_BEHIND,
  TRUNK,
  TRUNK_SIDE,
  type Sketched,
} from "./sketch";

type Spot = [number, number];
type Warp = (at: Spot) => Spot;

/** Straight between known places, and on with the same scale beyond them. */
function through(from: readonly number[], to: readonly number[], value: number): number {
  const last = from.length - 1;
  if (value >= from[last]!) return to[last]! + value - from[last]!;
  const next = Math.max(
    1,
    from.findIndex((known) => value <= known),
  );
  const share = (value - from[next - 1]!) / (from[next]! - from[next - 1]!);
  return to[next - 1]! + share * (to[next]! - to[next - 1]!);
}

/** Moves the points of a path. */
const moved = (d: string, warp: Warp) =>
  d.replace(/(-?[\d.]+) (-?[\d.]+)/g, (_, x: string, y: string) => {
    const [across, down] = warp([Number(x), Number(y)]);
    return `${across.toFixed(1)} ${down.toFixed(1)}`;
  });

/** Heights and breadths of the sketch to the client's: the head by its own scale, the body by its shoulders'. */
function warpTo(figure: Figure, heights: typeof FRONT_HEIGHTS, headScale: number): Warp {
  const own = (point: Point) => -(figure.points.find((p) => p.point === point)?.height_mm ?? 0);
  const names = ["brow", "nose_tip", "lip", "chin", "shoulder", "collarbone"] as const;
  const from = [heights.top, ...names.map((name) => heights[name])];
  const to = [-figure.top_mm, ...names.map(own)];
  const bodyScale = figure.half_shoulders_mm / HALF_SHOULDERS;
  return ([x, y]) => {
    const share = Math.min(1, Math.max(0, (y - heights.lip) / (heights.shoulder - heights.lip)));
    return [x * (headScale + share * (bodyScale - headScale)), through(from, to, y)];
  };
}

const all = (parts: readonly Sketched[], warp: Warp): Sketched[] =>
  parts.map(({ ink, d }) => ({ ink, d: moved(d, warp) }));

const SEEN = { front: "front", back: "behind", left: "left", right: "right", top: "above" } as const;

/** The scalp that hair grows on, as a path to be filled by the rule of odd and even. */
export const scalpOf = (figure: Figure, view: View): string =>
  (figure.scalp.find((seen) => seen.view === SEEN[view])?.rings ?? [])
    .map((ring) => `M${ring.map(([x, y]) => `${x} ${y}`).join("L")}Z`)
    .join("");

/** What is drawn, from behind to in front, mm: x to the right and y down from the ear canals. */
export function bust(figure: Figure, view: View): Sketched[] {
  const breadth = figure.half_breadth_mm / HALF_BREADTH;
  if (view === "front" || view === "back") {
    const warp = warpTo(figure, FRONT_HEIGHTS, breadth);
    return view === "front"
      ? all([TRUNK, ...BODY_LINES, ...EARS, SKULL_AND_FACE, ...FACE_LINES], warp)
      : all([...EARS, SKULL_BEHIND, TRUNK], warp);
  }
  if (view === "top") {
    const across = figure.half_shoulders_mm / HALF_SHOULDERS;
    const [b, l] = [figure.half_breadth_mm, figure.half_length_mm];
    const round = Array.from({ length: 72 }, (_, i) => {
      const turn = (i * Math.PI) / 36;
      return `${(b * Math.sin(turn)).toFixed(1)} ${(l * Math.cos(turn)).toFixed(1)}`;
    });
    return [
      ...all([SHOULDERS_ABOVE], ([x, y]) => [x * across, y]),
      ...all([NOSE_ABOVE], ([x, y]) => [x, (y * l) / HALF_LENGTH]),
      { ink: "head", d: `M${round.join("L")}Z` },
    ];
  }
  const warp = warpTo(figure, SIDE_HEIGHTS, figure.half_length_mm / HALF_LENGTH);
  const skull = figure.skull.map(([x, y]) => `${x!.toFixed(1)} ${y!.toFixed(1)}`).join("L");
  const head: Sketched = { ink: "head", d: `M${skull}${moved(FACE_SIDE, warp)}Z` };
  const left = [...all([TRUNK_SIDE], warp), head, ...all(SIDE_LINES, warp)];
  return view === "left" ? left : left.map(({ ink, d }) => ({ ink, d: moved(d, ([x, y]) => [-x, y]) }));
}
