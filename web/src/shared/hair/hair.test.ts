import type { Figure, Lock, Point } from "@/api";
import { VIEWS } from "@/shared/fallDrawing";
import { heightOf } from "@/shared/headDrawing";
import { describe, expect, it } from "vitest";
import { bust, scalpOf } from "./bust";
import { isBehind, strokesOf, thinned, type Stroke } from "./paint";
import { toneOf } from "./tones";
import { uncut } from "./useLocks";

const HEIGHTS: Record<string, number> = {
  brow: 26,
  cheekbone: -5,
  ear_lobe: -23,
  nose_tip: -29,
  lip: -56,
  nape_line: -64,
  jaw_corner: -71,
  chin: -97,
  shoulder: -150,
  collarbone: -172,
  armpit: -283,
  mid_back: -357,
  waist: -542,
};
const figure = {
  half_breadth_mm: 78,
  half_length_mm: 99,
  half_shoulders_mm: 190,
  scalp: [
    {
      view: "front",
      rings: [
        [
          [-50, -60],
          [50, -60],
          [0, -130],
        ],
      ],
    },
  ],
  top_mm: 137,
  hairline_mm: 88,
  points: Object.entries(HEIGHTS).map(([point, height_mm]) => ({ point: point as Point, height_mm })),
  zones: [],
  outlines: [],
  skull: [
    [-77, -86],
    [0, -137],
    [99, -10],
    [84, 62],
  ],
} as unknown as Figure;

/** Every coordinate pair of a path. */
function pairs(path: string): [number, number][] {
  expect(path).not.toMatch(/NaN|undefined|Infinity/);
  const numbers = (path.match(/-?\d+(\.\d+)?/g) ?? []).map(Number);
  expect(numbers.length % 2).toBe(0);
  return Array.from({ length: numbers.length / 2 }, (_, i) => [numbers[2 * i]!, numbers[2 * i + 1]!]);
}
const points = (of: Figure, view: (typeof VIEWS)[number]) => bust(of, view).flatMap(({ d }) => pairs(d));
const head = (of: Figure, view: (typeof VIEWS)[number]) =>
  bust(of, view)
    .filter(({ ink }) => ink === "head")
    .flatMap(({ d }) => pairs(d));

describe("the drawn person", () => {
  it("has the client's own head: its height, breadth and length, and a chin where theirs is", () => {
    for (const view of ["front", "back", "left"] as const) {
      expect(Math.min(...head(figure, view).map(([, y]) => y))).toBeCloseTo(-137, 0);
    }
    expect(Math.max(...head(figure, "front").map(([x]) => x))).toBeCloseTo(78, 0);
    expect(Math.max(...head(figure, "front").map(([, y]) => y))).toBeCloseTo(-heightOf(figure, "chin"), 0);
    expect(Math.max(...head(figure, "left").map(([x]) => x))).toBeCloseTo(99, 0);
    const child = { ...figure, half_breadth_mm: 70, top_mm: 128 };
    expect(Math.max(...head(child, "front").map(([x]) => x))).toBeCloseTo(70, 0);
    const broad = { ...figure, half_shoulders_mm: 220 };
    const reach = (of: Figure) => Math.max(...points(of, "front").map(([x]) => x));
    expect(reach(broad) / reach(figure)).toBeCloseTo(220 / 190, 2);
  });

  it("is the same on both sides, and looks the other way from the right", () => {
    const xs = points(figure, "front").map(([x]) => x);
    expect(Math.max(...xs)).toBeCloseTo(-Math.min(...xs), 6);
    const nose = (view: "left" | "right") => head(figure, view).map(([x]) => x);
    expect(Math.min(...nose("left"))).toBeCloseTo(-Math.max(...nose("right")), 6);
  });

  it("bears hair where core says that it grows", () => {
    expect(scalpOf(figure, "front")).toBe("M-50 -60L50 -60L0 -130Z");
    expect(scalpOf(figure, "top")).toBe("");
  });
});

const straight: Lock = {
  zone: "left_side",
  line: Array.from({ length: 9 }, (_, i) => [80, 60 - 20 * i, 5]),
  width_mm: 8,
  ends: [0.6, 0.9, 1],
};
const coil: Lock = {
  ...straight,
  line: Array.from({ length: 33 }, (_, i) => [80 + 4 * Math.cos(i), 60 - 2 * i, 5 + 4 * Math.sin(i)]),
  width_mm: 3,
};
const brown = () => [100, 60, 40] as const;
const wide = ({ width }: Stroke) => width;

describe("locks on a page", () => {
  it("are drawn from behind to in front, thinner as their hair ends, and with strands only where those can be seen", () => {
    const behind: Lock = { ...straight, line: straight.line.map(([x = 0, y = 0]) => [x, y, -80]) };
    const strokes = strokesOf([straight, behind], "front", brown, false);
    expect(strokes.map(({ lock }) => lock).slice(0, 2)).toEqual([1, 1]);
    expect(strokes.filter((stroke) => isBehind("front", stroke)).every(({ lock }) => lock === 1)).toBe(true);
    const mine = strokes.filter(({ lock }) => lock === 0).map(wide);
    expect(Math.max(...mine)).toBeLessThanOrEqual(8);
    expect(mine.at(-1)).toBeLessThan(Math.max(...mine));
    expect(strokesOf([straight], "front", brown, true).length).toBeGreaterThan(mine.length);
  });

  it("take as many strokes as they turn, and each begins where the one before it ended", () => {
    const few = strokesOf([straight], "left", brown, false);
    const many = strokesOf([coil], "left", brown, false);
    expect(few.length).toBeLessThanOrEqual(3);
    expect(many.length).toBeGreaterThan(10);
    const whole = few.map(({ points }) => points);
    whole.slice(1).forEach((points, i) => expect(points[0]).toEqual(whole[i]!.at(-1)));
  });

  it("are fewer and wider in a small picture, so that as much is covered", () => {
    const all = Array.from({ length: 900 }, () => straight);
    expect(thinned(all, 900)).toBe(all);
    const few = thinned(all, 225);
    expect(few).toHaveLength(225);
    expect(few[0]!.width_mm).toBe(16);
  });

  it("are lit by how they run: across the light brighter than along it", () => {
    const level: Lock = { ...straight, line: straight.line.map((_, i) => [80, 60, 40 - 10 * i]) };
    const light = (lock: Lock) => Number(/\d+/.exec(strokesOf([lock], "left", brown, false)[0]!.colour)?.[0]);
    expect(light(level)).toBeGreaterThan(light(straight));
  });
});

describe("the tone of hair", () => {
  it("is the zone's own, or that of the nearest in walking order that has one", () => {
    const tone = toneOf({
      fringe: { stretched_mm: 200, sprung_mm: 150, tone: "red" },
      nape: { stretched_mm: 200, sprung_mm: 150, tone: "grey" },
    });
    expect(tone({ zone: "fringe" })).toEqual(tone({ zone: "top" }));
    expect(tone({ zone: "nape" })).toEqual(tone({ zone: "back_lower" }));
    expect(tone({ zone: "fringe" })).not.toEqual(tone({ zone: "nape" }));
    expect(toneOf({})({ zone: "top" })).toEqual(toneOf({ top: { tone: "brown" } })({ zone: "top" }));
  });
});

describe("hair without a cut", () => {
  it("is asked for once a zone is read", () => {
    expect(uncut({ zones: {} }, {})).toBeUndefined();
    const asked = uncut({ zones: { top: { stretched_mm: 300, sprung_mm: 200 } } }, { worn: "diffused" });
    expect(asked).toMatchObject({ worn: "diffused", plan: { cut: { moves: [] } } });
  });
});
