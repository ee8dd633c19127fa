import { zoneValues, type Figure, type Lock } from "@/api";
import { describe, expect, it } from "vitest";
import {
  chinOf,
  coordinatesOf,
  beforeAndBehind,
  locksIn,
  strokesOf,
  thinned,
  type Colour,
  type Stroke,
  type Tones,
} from "./paint";
import { personOf, scalpOf } from "./person";
import { hairSvg } from "./picture";
import { rasterise } from "./raster";
import { soaked, tonesOf } from "./tones";

const figure = {
  points: [
    { point: "brow", height_mm: 26 },
    { point: "chin", height_mm: -97 },
  ],
  person: [
    {
      view: "front_left",
      parts: [
        {
          ink: "brow",
          lines: [
            [
              [-50, -30],
              [-20, -34.5],
            ],
            [
              [20, -34.5],
              [50, -30],
            ],
          ],
        },
      ],
      scalp: [
        [
          [-50, -60],
          [50, -60],
          [0, -130],
        ],
      ],
    },
  ],
} as unknown as Figure;

describe("the drawn person", () => {
  it("is what core draws of them from a side, and bears hair where core says that it grows", () => {
    expect(personOf(figure, "front_left")).toEqual([{ ink: "brow", d: "M-50 -30L-20 -34.5M20 -34.5L50 -30" }]);
    expect(scalpOf(figure, "front_left")).toBe("M-50 -60L50 -60L0 -130Z");
    expect([personOf(figure, "above"), scalpOf(figure, "above")]).toEqual([[], ""]);
  });
});

const straight: Lock = {
  zone: "left_side",
  line: Array.from({ length: 9 }, (_, i) => [80, 60 - 20 * i, 5]),
  root_mm: 8,
  width_mm: 8,
  gathered_at: 10,
  ends: [0.6, 0.9, 1],
};
const coil: Lock = {
  ...straight,
  line: Array.from({ length: 33 }, (_, i) => [80 + 4 * Math.cos(i), 60 - 2 * i, 5 + 4 * Math.sin(i)]),
  width_mm: 3,
  gathered_at: 0.2,
};
/** Dots a millimetre at which a lock is one strand. */
const COARSE = 0.2;
const brown = Object.fromEntries(zoneValues.map((zone) => [zone, [100, 60, 40]])) as unknown as Tones;
const wide = ({ width }: Stroke) => width;

describe("locks on a page", () => {
  it("are drawn from behind to in front, thinner as their hair ends, and with strands only where those can be seen", () => {
    const behind: Lock = { ...straight, line: straight.line.map(([x = 0, y = 0]) => [x, y, -80]) };
    const strokes = strokesOf([straight, behind], "front", brown, COARSE);
    expect(strokes.map(({ lock }) => lock).slice(0, 2)).toEqual([1, 1]);
    const sides = beforeAndBehind(strokes, "front", chinOf(figure));
    expect([new Set(sides.behind.map(({ lock }) => lock)), new Set(sides.before.map(({ lock }) => lock))]).toEqual([
      new Set([1]),
      new Set([0]),
    ]);
    expect(beforeAndBehind(strokes, "above", chinOf(figure)).before).toEqual(strokes);
    const mine = strokes.filter(({ lock }) => lock === 0).map(wide);
    expect(Math.max(...mine)).toBeLessThanOrEqual(8);
    expect(mine.at(-1)).toBeLessThan(Math.max(...mine));
    expect(strokesOf([straight], "front", brown, 3).length).toBeGreaterThan(mine.length);
  });

  it("lie in front of a shoulder that is turned away when they hang on the chest, and behind it when on the back", () => {
    const hangs = (x: number, z: number): Lock => ({ ...straight, line: straight.line.map((_, i) => [x, -25 * i, z]) });
    const hidden = (lock: Lock, chin = chinOf(figure)) => {
      const strokes = strokesOf([lock], "front_left", brown, COARSE);
      const { behind } = beforeAndBehind(strokes, "front_left", chin);
      return strokes.map((stroke) => behind.includes(stroke));
    };
    expect(hidden(hangs(-80, 20)).at(-1)).toBe(false);
    expect(hidden(hangs(-80, 20))[0]).toBe(true);
    expect(hidden(hangs(-80, -60)).at(-1)).toBe(true);
    expect(hidden(hangs(80, 20)).at(-1)).toBe(false);
    // The back of the near shoulder is turned away, too.
    expect(hidden(hangs(80, -40)).at(-1)).toBe(true);
    expect(hidden(hangs(80, -40))[0]).toBe(false);
    // Whose chin is higher, their shoulders begin higher.
    const most = (chin: number) => hidden(hangs(-80, 20), chin).filter(Boolean).length;
    expect(most(30)).toBeLessThan(most(97));
  });

  it("lie over or under each other as a whole where hair runs on, and in their turns where it winds", () => {
    const under: Lock = { ...straight, line: straight.line.map(([x = 0, y = 0]) => [x, y, 40]) };
    const nearer: Lock = { ...straight, line: straight.line.map(([x = 0, y = 0], i) => [x, y, 10 * i]) };
    const order = (locks: Lock[]) => strokesOf(locks, "front", brown, 2).map(({ lock }) => lock);
    const straights = order([nearer, under]);
    expect(straights.lastIndexOf(1)).toBeLessThan(straights.indexOf(0));
    const winds: Lock = { ...coil, line: coil.line.map(([x = 0, y = 0, z = 0]) => [x, y, 6 * z]) };
    const level: Lock = { ...straight, line: straight.line.map(([x = 0, y = 0]) => [x, y, 30]) };
    const wound = order([winds, level]);
    expect(wound.indexOf(0)).toBeLessThan(wound.indexOf(1));
    expect(wound.lastIndexOf(0)).toBeGreaterThan(wound.lastIndexOf(1));
  });

  it("take as many strokes as they turn, and each begins where the one before it ended", () => {
    const few = strokesOf([straight], "left", brown, COARSE);
    const many = strokesOf([coil], "left", brown, COARSE);
    expect(few.length).toBeLessThanOrEqual(3);
    expect(many.length).toBeGreaterThan(10);
    const whole = few.map(coordinatesOf);
    whole.slice(1).forEach((next, i) => expect(next.slice(0, 2)).toEqual(whole[i]!.slice(-2)));
  });

  it("are read from the answer as it came", async () => {
    expect(await locksIn(new Blob([JSON.stringify([straight])]))).toEqual([straight]);
  });

  it("are fewer and wider in a small picture, so that as much is covered", () => {
    const all = Array.from({ length: 900 }, () => straight);
    expect(thinned(all, 900)).toBe(all);
    const few = thinned(all, 225);
    expect(few).toHaveLength(225);
    expect([few[0]!.width_mm, few[0]!.root_mm]).toEqual([16, 16]);
  });

  it("are lit by how they run: across the light brighter than along it", () => {
    const level: Lock = { ...straight, line: straight.line.map((_, i) => [80, 60, 40 - 10 * i]) };
    const light = (lock: Lock) => strokesOf([lock], "left", brown, COARSE)[0]!.colour[0];
    expect(light(level)).toBeGreaterThan(light(straight));
  });
});

describe("strokes as dots", () => {
  const raster = { wide: 40, high: 30, left: 0, top: 0, scale: 1 };
  const stroke = (points: number[], width: number, colour: Colour = [200, 100, 50]): Stroke => ({
    path: Float64Array.from(points),
    from: 0,
    to: points.length / 2 - 1,
    width,
    colour,
    toColour: colour,
    depth: 0,
    lock: 0,
  });
  const dot = (dots: Uint8ClampedArray, x: number, y: number) => [
    ...dots.subarray(4 * (40 * y + x), 4 * (40 * y + x) + 4),
  ];
  const covered = (strokes: Stroke[]) => {
    const dots = rasterise(strokes, raster);
    return dots.reduce((sum, solid, i) => sum + (i % 4 === 3 ? solid / 255 : 0), 0);
  };

  it("cover as much as a stroke with round ends does, whichever way it runs and however thin it is", () => {
    for (const [to, width] of [
      [[30, 15], 6],
      [[25, 25], 3],
      [[12, 22], 1.6],
    ] as const) {
      const long = Math.hypot(to[0] - 10, to[1] - 15);
      const area = covered([stroke([10, 15, ...to], width)]);
      expect(Math.abs(area - (long * width + Math.PI * (width / 2) ** 2))).toBeLessThan(0.02 * area + 0.3);
    }
    expect(covered([stroke([10, 15, 30, 15], 0.5)]) / covered([stroke([10, 15, 30, 15], 1)])).toBeCloseTo(0.5, 1);
  });

  it("lie over each other as they come, and are of their own colour wherever they end", () => {
    const dots = rasterise([stroke([0, 15, 40, 15], 6, [255, 0, 0]), stroke([20, 0, 20, 30], 6, [0, 0, 255])], raster);
    expect([dot(dots, 20, 15), dot(dots, 5, 15), dot(dots, 2, 2)]).toEqual([
      [0, 0, 255, 255],
      [255, 0, 0, 255],
      [0, 0, 0, 0],
    ]);
    // Half covered at its edge: as light as it is thin, and no darker.
    const edge = dot(rasterise([stroke([0, 15, 40, 15], 5)], raster), 20, 12);
    expect(edge.slice(0, 3)).toEqual([200, 100, 50]);
    expect(edge[3]).toBeGreaterThan(100);
    expect(edge[3]).toBeLessThan(155);
  });

  it("go over evenly from one colour to another", () => {
    const over = { ...stroke([0, 15, 40, 15], 6, [0, 0, 0]), toColour: [200, 100, 40] as const };
    const dots = rasterise([over], raster);
    const reds = [4, 12, 20, 28, 36].map((x) => dot(dots, x, 15)[0]!);
    reds.forEach((red, i) => expect(Math.abs(red - 200 * (0.1 + 0.2 * i))).toBeLessThan(26));
    // Straight hair is of one run from stroke to stroke.
    const blunt: Lock = { ...straight, ends: [1, 1, 1] };
    const strokes = strokesOf([blunt], "left", brown, 2).filter(({ path }, _, all) => path === all[0]!.path);
    expect(strokes.length).toBeGreaterThan(1);
    strokes.slice(1).forEach(({ colour }, i) => expect(colour).toEqual(strokes[i]!.toColour));
  });

  it("follow the curve between points that lie far apart, and leave out what lies too near to be told apart", () => {
    const turn = Array.from({ length: 5 }, (_, i) => (i * Math.PI) / 4);
    const half = turn.flatMap((at) => [20 - 12 * Math.cos(at), 20 - 12 * Math.sin(at)]);
    const dots = rasterise([stroke(half, 2)], raster);
    const on = (at: number) => dot(dots, Math.floor(20 - 12 * Math.cos(at)), Math.floor(20 - 12 * Math.sin(at)))[3];
    for (const at of turn.slice(1).map((end) => end - Math.PI / 8)) expect(on(at)).toBeGreaterThan(120);
    const fine = Array.from({ length: 61 }, (_, i) => [5 + i / 2, 10]).flat();
    expect(covered([stroke(fine, 3)])).toBeCloseTo(covered([stroke([5, 10, 35, 10], 3)]), 1);
  });

  it("that run off the picture do no harm", () => {
    expect(covered([stroke([-50, -50, 100, 80], 4), stroke([500, 500, 600, 600], 4)])).toBeGreaterThan(0);
  });
});

describe("hair to take along", () => {
  it("is a drawing in millimetres of its sides beside each other, the hair behind the person before the person", () => {
    const behind: Lock = { ...straight, line: straight.line.map(([x = 0, y = 0]) => [x, y, -80]) };
    const svg = hairSvg(["front_left", "front"], figure, [straight, behind], brown, [-100, -150, 200, 300]);
    expect(svg).toMatch(/^<svg xmlns="[^"]+" width="400mm" height="300mm" viewBox="0 0 400 300">/);
    expect(svg).not.toMatch(/NaN|undefined/);
    const page = new DOMParser().parseFromString(svg, "image/svg+xml");
    const [turned, front] = [...page.querySelectorAll("svg > svg")];
    expect([turned?.getAttribute("x"), front?.getAttribute("x")]).toEqual(["0", "200"]);
    expect(turned?.querySelector(`path[d^="M-50 -30L"]`)).not.toBeNull();
    const [back, before] = [...front!.querySelectorAll("g")].map((group) => group.querySelectorAll("path").length);
    expect(back).toBeGreaterThan(0);
    expect(before).toBeGreaterThan(0);
  });
});

describe("the tone of hair", () => {
  it("is the zone's own, or that of the nearest in walking order that has one", () => {
    const tones = tonesOf({
      fringe: { stretched_mm: 200, sprung_mm: 150, tone: "red" },
      nape: { stretched_mm: 200, sprung_mm: 150, tone: "grey" },
    });
    expect(tones.fringe).toEqual(tones.top);
    expect(tones.nape).toEqual(tones.back_lower);
    expect(tones.fringe).not.toEqual(tones.nape);
    const own = tonesOf({ top: { stretched_mm: 200, sprung_mm: 150, tone: "red", colour: "#0a64ff" } });
    expect([own.top, own.nape]).toEqual([
      [10, 100, 255],
      [10, 100, 255],
    ]);
    expect(tonesOf({}).top).toEqual(tonesOf({ top: { tone: "brown" } }).top);
    const [light, dark] = [tones.top, soaked(tones).top];
    expect(dark.every((part, i) => part < light[i]! && part > 0.5 * light[i]!)).toBe(true);
  });
});
