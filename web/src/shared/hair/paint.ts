/**
 * Locks on a flat page: tapered strokes from behind to in front, lit as fibres are.
 *
 * A fibre shines where it runs square to the light (Kajiya, Kay 1989, SIGGRAPH Computer Graphics 23), so loops show by
 * themselves. What lies deeper is darker.
 */
import type { Lock } from "@/api";
import { asSeen, eyeOf, near, project, type Vector, type View } from "@/shared/fallDrawing";

export type Colour = readonly [number, number, number];

type Spot = readonly [number, number];

/** A stroke, mm on the page. */
export interface Stroke {
  /** Where it begins, and then two handles and an end of each smooth piece. */
  points: readonly Spot[];
  width: number;
  colour: string;
  /** How near it is to whoever looks, mm from the middle of the head, and of which lock it is. */
  depth: number;
  lock: number;
}

/** Pieces of a lock that are drawn in one stroke at most, and the cosine of the most that they may turn: fewer strokes, still a
 * smooth taper and light. */
const MOST_PIECES = 4;
const LEAST_COSINE = 0.8;
/** Depth of the middle of head and neck: what lies behind it is hidden by them, mm. */
const MIDDLE_MM = -12;
/** Share of its width with which a lock begins, and over which share of its length it comes to all of it. */
const ROOT_SHARE = 0.6;
const ROOT_OVER = 0.12;
const SCALP_LIGHT = 0.55;
/** How much nearer a stroke has to be to lie over another for sure, mm. */
const LAYER_MM = 7;
/** Strands that are seen on a lock wider than this, mm: how far to either side of its middle, how wide, how much lighter or darker. */
const STRANDS_FROM_MM = 6.2;
const STRANDS = [
  { off: -0.32, wide: 0.2, light: 1.13 },
  { off: 0.02, wide: 0.14, light: 0.86 },
  { off: 0.34, wide: 0.22, light: 0.82 },
];
/** The light comes from above, in front and a little from the left, as whoever looks sees it: it turns with them. */
const LIGHT = unit([-0.35, 0.75, 0.55]);
/** And from above, where what is up the page is the back of the head. */
const LIGHT_ABOVE = unit([-0.3, 0.35, 0.9]);

function unit([x, y, z]: Vector): Vector {
  const length = Math.hypot(x, y, z) || 1;
  return [x / length, y / length, z / length];
}
const dot = (a: Vector, b: Vector) => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];

/** How wide a lock still is so far along: as its shares end it grows thinner, down to a tip. */
function taper([shortest, mean, longest]: readonly number[], along: number): number {
  const left =
    along <= shortest!
      ? 1
      : along <= mean!
        ? 1 - (0.5 * (along - shortest!)) / Math.max(mean! - shortest!, 1e-6)
        : (0.5 * (longest! - along)) / Math.max(longest! - mean!, 1e-6);
  const tip = Math.min(1, (1 - along) / 0.06);
  const root = ROOT_SHARE + (1 - ROOT_SHARE) * Math.min(1, along / ROOT_OVER);
  return root * Math.sqrt(Math.max(0.03, left)) * (0.25 + 0.75 * tip);
}

/** A number from 0 to 1 that is a lock's own. */
const own = (i: number) => {
  const x = Math.sin(i * 12.9898) * 43758.5453;
  return x - Math.floor(x);
};

/** A smooth line through some points of another: the tangent at each is that of the points beside it (Catmull, Rom 1974). */
function smooth(line: readonly Spot[], from: number, to: number): Spot[] {
  const at = (i: number) => line[Math.min(line.length - 1, Math.max(0, i))]!;
  const points: Spot[] = [at(from)];
  for (let i = from; i < to; i++) {
    const [before, a, b, after] = [at(i - 1), at(i), at(i + 1), at(i + 2)];
    points.push(
      [a[0] + (b[0] - before[0]) / 6, a[1] + (b[1] - before[1]) / 6],
      [b[0] - (after[0] - a[0]) / 6, b[1] - (after[1] - a[1]) / 6],
      b,
    );
  }
  return points;
}

/** The same line so far to its side. */
function beside(points: Stroke["points"], off: number): Stroke["points"] {
  const [[ax, ay], [bx, by]] = [points[0]!, points[points.length - 1]!];
  const length = Math.hypot(bx - ax, by - ay) || 1;
  const [x, y] = [(-(by - ay) / length) * off, ((bx - ax) / length) * off];
  return points.map(([px, py]) => [px + x, py + y] as const);
}

/** The scalp under the hair, in its shade. */
export const scalpColour = (colour: Colour) => shaded(colour, SCALP_LIGHT, 0);

function shaded([r, g, b]: Colour, light: number, shine: number): string {
  const at = (part: number) => Math.round(Math.min(255, part * light + 255 * shine));
  return `rgb(${at(r)} ${at(g)} ${at(b)})`;
}

/** Where the stroke ends that begins at this point of a line. */
function runEnd(line: readonly Vector[], from: number): number {
  const way = (i: number) => {
    const [a, b] = [line[i]!, line[i + 1]!];
    return unit([b[0] - a[0], b[1] - a[1], b[2] - a[2]]);
  };
  const first = way(from);
  let to = from + 1;
  while (to < line.length - 1 && to - from < MOST_PIECES && dot(first, way(to)) > LEAST_COSINE) to++;
  return to;
}

/** About so many of the locks, each as much wider as there are fewer: in a small picture more of them can't be told apart. */
export function thinned(locks: readonly Lock[], count: number): readonly Lock[] {
  const every = Math.max(1, Math.round(locks.length / Math.max(1, count)));
  if (every === 1) return locks;
  const chosen = locks.filter((_, i) => i % every === 0);
  return chosen.map((lock) => ({ ...lock, width_mm: lock.width_mm * Math.sqrt(every) }));
}

/** The strokes of some locks from a side, from the farthest to the nearest; `fine` if single strands can be told apart. */
export function strokesOf(locks: readonly Lock[], view: View, tone: (lock: Lock) => Colour, fine: boolean): Stroke[] {
  const [eye, light] = [eyeOf(view), asSeen(view, view === "above" ? LIGHT_ABOVE : LIGHT)];
  const half = unit([eye[0] + light[0], eye[1] + light[1], eye[2] + light[2]]);
  const strokes: Stroke[] = [];
  locks.forEach((lock, number) => {
    const colour = tone(lock);
    const line = lock.line as unknown as readonly Vector[];
    const page = line.map((p) => project(view, p));
    const last = line.length - 1;
    const mine = 0.86 + 0.28 * own(number);
    for (let from = 0, to = 0; from < last; from = to) {
      to = runEnd(line, from);
      const [a, b] = [line[from]!, line[to]!];
      const runs = unit([b[0] - a[0], b[1] - a[1], b[2] - a[2]]);
      const diffuse = Math.sqrt(Math.max(0, 1 - dot(runs, light) ** 2));
      const shine = Math.max(0, 1 - dot(runs, half) ** 2) ** 12;
      const middle = line[(from + to) >> 1]!;
      const depth = near(view, middle);
      // Towards the light side of the head brighter, underneath and behind darker.
      const facing = dot(unit(middle), light);
      const bright = mine * (0.42 + 0.42 * diffuse + 0.26 * Math.max(0, facing) + Math.min(0.12, depth / 900));
      const width = lock.width_mm * taper(lock.ends, (from + to) / (2 * last));
      const points = smooth(page, from, to);
      strokes.push({ points, width, colour: shaded(colour, bright, 0.07 * shine * mine), depth, lock: number });
      if (!fine || lock.width_mm < STRANDS_FROM_MM) continue;
      for (const strand of STRANDS)
        strokes.push({
          points: beside(points, strand.off * width),
          width: strand.wide * width,
          colour: shaded(colour, bright * strand.light, 0.1 * shine * mine),
          depth,
          lock: number,
        });
    }
  });
  // What lies about as deep is drawn lock by lock, so that neighbours lie beside each other and aren't woven together.
  const layer = (stroke: Stroke) => Math.round(stroke.depth / LAYER_MM);
  return strokes.sort((one, other) => layer(one) - layer(other) || one.lock - other.lock);
}

/** Whether a stroke lies behind head and neck. */
export const isBehind = (view: View, stroke: Stroke) => view !== "above" && stroke.depth < MIDDLE_MM;

export function paint(context: CanvasRenderingContext2D, strokes: readonly Stroke[]) {
  context.lineCap = "round";
  context.lineJoin = "round";
  for (const { points, width, colour } of strokes) {
    context.beginPath();
    context.moveTo(points[0]![0], points[0]![1]);
    for (let i = 1; i + 2 < points.length; i += 3) {
      const [one, other, end] = [points[i]!, points[i + 1]!, points[i + 2]!];
      context.bezierCurveTo(one[0], one[1], other[0], other[1], end[0], end[1]);
    }
    context.lineWidth = width;
    context.strokeStyle = colour;
    context.stroke();
  }
}
