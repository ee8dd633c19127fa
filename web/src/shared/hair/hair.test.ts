import type { Figure, Lock } from "@/api";
import { describe, expect, it } from "vitest";
import { coordinatesOf, isBehind, strokesOf, thinned, type Stroke } from "./paint";
import { personOf, scalpOf } from "./person";
import { hairSvg } from "./picture";
import { toneOf } from "./tones";
import { uncut } from "./useLocks";

const figure = {
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
const brown = () => [100, 60, 40] as const;
const wide = ({ width }: Stroke) => width;

describe("locks on a page", () => {
  it("are drawn from behind to in front, thinner as their hair ends, and with strands only where those can be seen", () => {
    const behind: Lock = { ...straight, line: straight.line.map(([x = 0, y = 0]) => [x, y, -80]) };
    const strokes = strokesOf([straight, behind], "front", brown, COARSE);
    expect(strokes.map(({ lock }) => lock).slice(0, 2)).toEqual([1, 1]);
    expect(strokes.filter((stroke) => isBehind("front", stroke)).every(({ lock }) => lock === 1)).toBe(true);
    const mine = strokes.filter(({ lock }) => lock === 0).map(wide);
    expect(Math.max(...mine)).toBeLessThanOrEqual(8);
    expect(mine.at(-1)).toBeLessThan(Math.max(...mine));
    expect(strokesOf([straight], "front", brown, 3).length).toBeGreaterThan(mine.length);
  });

  it("take as many strokes as they turn, and each begins where the one before it ended", () => {
    const few = strokesOf([straight], "left", brown, COARSE);
    const many = strokesOf([coil], "left", brown, COARSE);
    expect(few.length).toBeLessThanOrEqual(3);
    expect(many.length).toBeGreaterThan(10);
    const whole = few.map(coordinatesOf);
    whole.slice(1).forEach((next, i) => expect(next.slice(0, 2)).toEqual(whole[i]!.slice(-2)));
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
    const light = (lock: Lock) => Number(/\d+/.exec(strokesOf([lock], "left", brown, COARSE)[0]!.colour)?.[0]);
    expect(light(level)).toBeGreaterThan(light(straight));
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
