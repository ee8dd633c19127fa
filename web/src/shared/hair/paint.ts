/**
 * Locks on a flat page: tapered strokes from behind to in front, lit as fibres are.
 *
 * A fibre shines where it runs square to the light (Kajiya, Kay 1989, SIGGRAPH Computer Graphics 23), so loops show by
 * themselves. What lies deeper is darker.
 */
import type { Figure, Lock, Zone } from "@/api";
import { asSeen, eyeOf, near, project, type Vector, type View } from "@/shared/sights";
import { partition } from "lodash-es";

export type Colour = readonly [number, number, number];
/** The tone of the locks of each zone. */
export type Tones = Readonly<Record<Zone, Colour>>;

/** A line on the page, mm: where each of its points lies, x and y. They lie one after the other in memory, as there are some ten
 * thousand of them in a picture. */
type Path = Float64Array;

/** A stroke along a piece of a line, from one of its points to another. */
export interface Stroke {
  path: Path;
  from: number;
  to: number;
  width: number;
  /** Its colour where it begins, and where it ends: it goes over evenly, so that no stroke shows where the next begins. */
  colour: Colour;
  toColour: Colour;
  /** How near it is to whoever looks, mm from the middle of the head, and of which lock it is. */
  depth: number;
  lock: number;
}

/** Pieces of a lock that are drawn in one stroke at most, and the cosine of the most that they may turn: fewer strokes, still a
 * smooth taper and light. At few dots a millimetre no single loop is seen, and where a lock winds
 * too often it would take too many strokes: there they may turn further. */
const MOST_PIECES = 4;
const LEAST_COSINE = 0.8;
/** Cosine of the most that a piece may turn from the one before it and still run on from it. */
const RUNS_ON = 0.9;
const COARSE = { dots: 0.8, cosine: 0.2 };
/** Depth of the middle of head and neck: what lies behind it is hidden by them, mm. */
const MIDDLE_MM = -12;
/** How far below the ear canals a face that is turned hides what is behind it, as a share of the way down to its chin: it is rounded
 * under. Half a neck is so wide; seen from less in front than this, as a cosine, the shoulders have no front. */
const UNDER_CHIN = 1.3;
const NECK_MM = 52;
const FACES = 0.3;
const SCALP_LIGHT = 0.55;
/** How much nearer a stroke has to be to lie over another for sure, mm. */
const LAYER_MM = 7;
/** And how far behind the middle of the head it may lie. */
const FARTHEST_MM = 700;
/** About how wide a strand of a lock is drawn, mm and dots at least; how many a lock has at most, and in how many strokes. */
const STRAND_MM = 2.6;
const STRAND_DOTS = 1.7;
const MOST_STRANDS = 6;
const STROKES_A_LOCK = 48;
/** Strands are wider than their share, so that nothing shows between them. */
const OVERLAP = 1.3;
/** Share of its length over which a strand comes to a tip, and how wide that is. */
const TIP_OVER = 0.1;
const TIP_SHARE = 0.25;
/** How much lighter and darker than its lock a strand may be. */
const STRAND_SHADES = 0.17;
/** The light comes from above, in front and a little from the left, as whoever looks sees it: it turns with them. */
const LIGHT = unit([-0.35, 0.75, 0.55]);
/** And from above, where what is up the page is the back of the head. */
const LIGHT_ABOVE = unit([-0.3, 0.35, 0.9]);

function unit([x, y, z]: Vector): Vector {
  // Not by hypot, which takes several times as long: there are ten thousand of them in a picture.
  const length = Math.sqrt(x * x + y * y + z * z) || 1;
  return [x / length, y / length, z / length];
}
const dot = (a: Vector, b: Vector) => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];

/** How wide a lock would be so far along if none of its hair ended. */
const widthAt = ({ root_mm, width_mm, gathered_at }: Lock, along: number) =>
  root_mm + (width_mm - root_mm) * Math.min(1, along / gathered_at);

/** How far along a share of a lock's hair reaches: half of it to its mean. */
function reach([shortest = 1, mean = 1, longest = 1]: readonly number[], share: number): number {
  return share < 0.5 ? shortest + 2 * share * (mean - shortest) : mean + (2 * share - 1) * (longest - mean);
}

/** A number from 0 to 1 that is a lock's own. */
const own = (i: number) => {
  const x = Math.sin(i * 12.9898) * 43758.5453;
  return x - Math.floor(x);
};

/**
 * The two handles of the smooth curve from a point of a line to the next: the tangent at each is that of the points beside it
 * (Catmull, Rom 1974).
 */
export function handlesAt(path: Path, i: number): [number, number, number, number] {
  const last = path.length / 2 - 1;
  const [before, after] = [2 * Math.max(0, i - 1), 2 * Math.min(last, i + 2)];
  const [x, y, toX, toY] = [path[2 * i]!, path[2 * i + 1]!, path[2 * i + 2]!, path[2 * i + 3]!];
  return [
    x + (toX - path[before]!) / 6,
    y + (toY - path[before + 1]!) / 6,
    toX - (path[after]! - x) / 6,
    toY - (path[after + 1]! - y) / 6,
  ];
}

/** Points so far to the side of others, each by its own distance. */
function beside(at: Path, off: (i: number) => number): Path {
  const last = at.length / 2 - 1;
  const moved = new Float64Array(at.length);
  for (let i = 0; i <= last; i++) {
    const [one, other] = [2 * Math.max(0, i - 1), 2 * Math.min(last, i + 1)];
    const [x, y] = [at[other]! - at[one]!, at[other + 1]! - at[one + 1]!];
    const length = Math.sqrt(x * x + y * y);
    const share = length > 1e-6 ? off(i) / length : 0;
    moved[2 * i] = at[2 * i]! - y * share;
    moved[2 * i + 1] = at[2 * i + 1]! + x * share;
  }
  return moved;
}

/** Where a stroke begins, and two handles and an end of each of its pieces: x, y, x, y and so on. */
export function coordinatesOf({ path, from, to }: Stroke): number[] {
  const all = [path[2 * from]!, path[2 * from + 1]!];
  for (let i = from; i < to; i++) all.push(...handlesAt(path, i), path[2 * i + 2]!, path[2 * i + 3]!);
  return all;
}

/** The scalp under the hair, in its shade: that of the hair on top. */
export const scalpColour = (tones: Tones) => shaded(tones.top, SCALP_LIGHT, 0);

function shaded([r, g, b]: Colour, light: number, shine: number): Colour {
  const at = (part: number) => Math.round(Math.min(255, part * light + 255 * shine));
  return [at(r), at(g), at(b)];
}

/** A colour so far on the way to another. */
export const mixed = ([red, green, blue]: Colour, to: Colour, share: number): Colour => [
  red + share * (to[0] - red),
  green + share * (to[1] - green),
  blue + share * (to[2] - blue),
];

export const css = (colour: Colour) => `rgb(${colour.map(Math.round).join(", ")})`;

/** Share of a lock's hair that is still there so far along. */
function leftAt([shortest = 1, mean = 1, longest = 1]: readonly number[], along: number): number {
  const between = (from: number, to: number) => Math.min(1, Math.max(0, (along - from) / Math.max(to - from, 1e-6)));
  return along <= mean ? 1 - 0.5 * between(shortest, mean) : 0.5 * (1 - between(mean, longest));
}

/** The pieces that a line is drawn in at so many dots a millimetre: from which of its points to which. */
function piecesAt(line: readonly Vector[], scale: number): [number, number][] {
  const fine = scale < COARSE.dots ? [] : piecesOf(line, LEAST_COSINE);
  return fine.length > 0 && fine.length <= STROKES_A_LOCK ? fine : piecesOf(line, COARSE.cosine);
}

function piecesOf(line: readonly Vector[], cosine: number): [number, number][] {
  const pieces: [number, number][] = [];
  for (let from = 0, to = 0; from < line.length - 1; from = to) {
    to = runEnd(line, from, cosine);
    pieces.push([from, to]);
  }
  return pieces;
}

/** Where the stroke ends that begins at this point of a line. */
function runEnd(line: readonly Vector[], from: number, cosine: number): number {
  const way = (i: number) => {
    const [a, b] = [line[i]!, line[i + 1]!];
    return unit([b[0] - a[0], b[1] - a[1], b[2] - a[2]]);
  };
  const first = way(from);
  let to = from + 1;
  while (to < line.length - 1 && to - from < MOST_PIECES && dot(first, way(to)) > cosine) to++;
  return to;
}

/** The locks in an answer as it came. */
export const locksIn = async (answer: Blob) => JSON.parse(await answer.text()) as Lock[];

/** About so many of the locks, each as much wider as there are fewer: in a small picture more of them can't be told apart. */
export function thinned(locks: readonly Lock[], count: number): readonly Lock[] {
  const every = Math.max(1, Math.round(locks.length / Math.max(1, count)));
  if (every === 1) return locks;
  const wider = Math.sqrt(every);
  const chosen = locks.filter((_, i) => i % every === 0);
  return chosen.map((lock) => ({ ...lock, root_mm: lock.root_mm * wider, width_mm: lock.width_mm * wider }));
}

/**
 * For each piece how near the stretch comes in which hair runs on: it lies over or under its neighbours as a whole. Piece by
 * piece straight hair would be woven with them.
 */
function nearestOfRuns(pieces: readonly { runs: Vector; depth: number }[]): number[] {
  const nearest: number[] = [];
  for (let from = 0, to = 0; from < pieces.length; from = to) {
    to = from + 1;
    while (to < pieces.length && dot(pieces[to - 1]!.runs, pieces[to]!.runs) > RUNS_ON) to++;
    let depth = -Infinity;
    for (let at = from; at < to; at++) depth = Math.max(depth, pieces[at]!.depth);
    for (let at = from; at < to; at++) nearest.push(depth);
  }
  return nearest;
}

/** The strands that a lock of so many pieces is drawn as: as many as can be told apart at so many dots a millimetre. */
function strandsOf(lock: Lock, pieces: number, scale: number): number {
  const wide = 0.5 * (lock.root_mm + widthAt(lock, 1));
  const most = Math.min(MOST_STRANDS, Math.floor(STROKES_A_LOCK / pieces));
  return Math.max(1, Math.min(most, Math.round(wide / Math.max(STRAND_MM, STRAND_DOTS / scale))));
}

/** Where the hair lies from a side, mm across the page, so that each of so many parts has as much of it: where each begins and the
 * last ends. */
export function partsOf(locks: readonly Lock[], view: View, count: number): number[] {
  if (count === 1) return [-Infinity, Infinity];
  const across = Float64Array.from(locks.flatMap(({ line }) => line.map((point) => project(view, point)[0]))).sort();
  const inner = Array.from({ length: count - 1 }, (_, i) => across[Math.floor(((i + 1) / count) * across.length)] ?? 0);
  return [-Infinity, ...inner, Infinity];
}

/** Whether a lock on a page may be seen from one place across to another, mm, at so many dots a millimetre. */
function isWithin([from, to]: readonly [number, number], page: Path, { root_mm, width_mm }: Lock, scale: number) {
  const wide = Math.max(root_mm, width_mm) + 2 / scale;
  let [least, most] = [Infinity, -Infinity];
  for (let i = 0; i < page.length; i += 2) {
    least = Math.min(least, page[i]!);
    most = Math.max(most, page[i]!);
  }
  return most + wide > from && least - wide < to;
}

/** The strokes of some locks from a side, from the farthest to the nearest, as finely as can be seen at so many dots a millimetre; all
 * that can be seen from one place across the page to another, mm. */
export function strokesOf(
  locks: readonly Lock[],
  view: View,
  tones: Tones,
  scale: number,
  within: readonly [number, number] = [-Infinity, Infinity],
): Stroke[] {
  const [eye, light] = [eyeOf(view), asSeen(view, view === "above" ? LIGHT_ABOVE : LIGHT)];
  const half = unit([eye[0] + light[0], eye[1] + light[1], eye[2] + light[2]]);
  const layers: Stroke[][] = [];
  locks.forEach((lock, number) => {
    const colour = tones[lock.zone];
    const line = lock.line as unknown as readonly Vector[];
    const page = new Float64Array(2 * line.length);
    line.forEach((point, i) => page.set(project(view, point), 2 * i));
    if (!isWithin(within, page, lock, scale)) return;
    const last = line.length - 1;
    const mine = 0.86 + 0.28 * own(number);
    const pieces = piecesAt(line, scale).map(([from, to]) => {
      const [a, b] = [line[from]!, line[to]!];
      const runs = unit([b[0] - a[0], b[1] - a[1], b[2] - a[2]]);
      const diffuse = Math.sqrt(Math.max(0, 1 - dot(runs, light) ** 2));
      const shine = 0.08 * mine * Math.max(0, 1 - dot(runs, half) ** 2) ** 12;
      const middle = line[(from + to) >> 1]!;
      const depth = near(view, middle);
      // Towards the light side of the head brighter, underneath and behind darker.
      const facing = dot(unit(middle), light);
      const bright = mine * (0.42 + 0.42 * diffuse + 0.26 * Math.max(0, facing) + Math.min(0.12, depth / 900));
      return { from, to, runs, along: (from + to) / (2 * last), depth, bright, shine };
    });
    /** The light of a piece where it meets one beside it: between theirs where hair runs on, its own where it turns, so that loops show. */
    const met = (at: number, besideAt: number) => {
      const [own, beside] = [pieces[at]!, pieces[besideAt]];
      if (!beside || dot(own.runs, beside.runs) < RUNS_ON) return own;
      return { bright: (own.bright + beside.bright) / 2, shine: (own.shine + beside.shine) / 2 };
    };
    const nearest = nearestOfRuns(pieces);
    const lights = pieces.map((_, at) => [met(at, at - 1), met(at, at + 1)] as const);
    const count = strandsOf(lock, pieces.length, scale);
    const share = count === 1 ? 1 : OVERLAP / count;
    for (let strand = 0; strand < count; strand++) {
      // From one edge to the other; which of them is longest is the lock's own.
      const off = (strand + 0.5) / count - 0.5;
      const rank = (strand + Math.floor(own(number + 0.5) * count)) % count;
      const end = count === 1 ? 1 : reach(lock.ends, rank / (count - 1));
      const shade = count === 1 ? 1 : 1 + STRAND_SHADES * (2 * own(number * MOST_STRANDS + strand + 0.3) - 1);
      const path = count === 1 ? page : beside(page, (i) => off * widthAt(lock, i / last));
      const lit = ({ bright, shine }: { bright: number; shine: number }) => shaded(colour, bright * shade, shine);
      const lits = lights.map(([one, other]) => {
        const begins = lit(one);
        return [begins, one === other ? begins : lit(other)] as const;
      });
      for (let at = 0; at < pieces.length; at++) {
        const { from, to, along, depth } = pieces[at]!;
        if (along > end) break;
        const tip = TIP_SHARE + (1 - TIP_SHARE) * Math.min(1, (end - along) / TIP_OVER);
        const left = count === 1 ? Math.sqrt(leftAt(lock.ends, along)) : 1;
        const layer = Math.round((nearest[at]! + FARTHEST_MM) / LAYER_MM);
        (layers[Math.max(0, layer)] ??= []).push({
          path,
          from,
          to,
          width: share * widthAt(lock, along) * tip * left,
          colour: lits[at]![0],
          toColour: lits[at]![1],
          depth,
          lock: number,
        });
      }
    }
  });
  // What lies about as deep is drawn lock by lock, so that neighbours lie beside each other and aren't woven together.
  return layers.flat();
}

/** How far down a person's chin lies below the ear canals, mm. */
export const chinOf = ({ points }: Figure) => -(points.find(({ point }) => point === "chin")?.height_mm ?? 0);

/** Strokes that lie behind a person with such a chin, and those in front. Behind is what lies behind the middle of head and neck;
 * further down, seen from the front, what lies on the back, or beyond the neck. */
export function beforeAndBehind(
  strokes: readonly Stroke[],
  view: View,
  chin: number,
): { behind: Stroke[]; before: Stroke[] } {
  if (view === "above") return { behind: [], before: [...strokes] };
  const [right, , forward] = eyeOf(view);
  const [behind, before] = partition(strokes, ({ path, from, to, depth }) => {
    const middle = (from + to) >> 1;
    const [x, down] = [path[2 * middle]!, path[2 * middle + 1]!];
    const far = depth < MIDDLE_MM;
    if (down <= UNDER_CHIN * chin || forward <= FACES) return far;
    // What hangs behind the ears goes down the back, what hangs before them down the chest.
    const beforeEars = depth * forward - x * right;
    return beforeEars < 0 || (far && Math.abs(x) <= NECK_MM);
  });
  return { behind, before };
}
