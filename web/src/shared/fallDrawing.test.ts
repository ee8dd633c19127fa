import type { Aim, Fall, Figure } from "@/api";
import { describe, expect, it } from "vitest";
import { aims, frame, outline, section, spread, wishesOf } from "./fallDrawing";
import { asSeen, near, project } from "./sights";

const side = { heights_mm: [100, 0], one_mm: [0, 90], other_mm: [0, 70] };
const fall = {
  front: side,
  side,
  lowest_mm: -250,
} as unknown as Fall;

describe("the fall as it is drawn", () => {
  it("has the client's left on the right from the front and on the left from behind", () => {
    expect(project("front", [80, 10, 0])).toEqual([80, -10]);
    expect(project("behind", [80, 10, 0])).toEqual([-80, -10]);
    // Seen from the client's left the face looks to the left of the page.
    expect(project("left", [0, 0, 90])[0]).toBe(-90);
    expect(project("right", [0, 0, 90])[0]).toBe(90);
  });

  it("draws outlines that agree with the points they are made of", () => {
    expect(outline("front", fall)).toBe("M0.0 -100.0L90.0 0.0L-70.0 0.0L0.0 -100.0Z");
    expect(outline("behind", fall)).toContain("L-90.0 0.0");
    // One is the face: on the left of the page from the client's left.
    expect(outline("left", fall)).toContain("L-90.0 0.0");
    expect(outline("right", fall)).toContain("L90.0 0.0");
  });

  it("shows only the sections on the side that is seen", () => {
    const shape = { base: [[80, 50, 0]], hand: [[180, 60, 0]] };
    expect(section("left", shape)?.held).toEqual(["M0.0 -50.0L0.0 -60.0"]);
    expect(section("right", shape)).toBeUndefined();
  });

  it("spreads what is drawn over what there is", () => {
    expect(spread([1, 2, 3], 5)).toEqual([1, 2, 3]);
    expect(spread([0, 1, 2, 3, 4, 5, 6, 7, 8], 3)).toEqual([0, 4, 8]);
  });

  it("leaves room for everything that is drawn", () => {
    const { half, top, bottom } = frame([fall], [{ base: [], hand: [[200, 140, 0]] }]);
    expect(half).toBeGreaterThan(200);
    expect(top).toBeGreaterThan(140);
    expect(bottom).toBeLessThan(-250);
  });

  it("is a closed line round the head from above, the face down the page", () => {
    const round = { ...fall, top_mm: [100, 80, 60, 80] } as Fall;
    const points = outline("above", round)
      .slice(1, -1)
      .split("L")
      .map((p) => p.split(" ").map(Number));
    expect(points).toHaveLength(4);
    // The first lies in front and to the client's left: down and right.
    expect(points[0]![0]).toBeGreaterThan(0);
    expect(points[0]![1]).toBeGreaterThan(0);
    expect(project("above", [10, 99, 20])).toEqual([10, 20]);
  });

  it("turns with whoever looks: from between front and left the left cheek is nearer and the nose points to the left", () => {
    const [across] = project("front_left", [0, 0, 100]);
    expect(across).toBeLessThan(-50);
    expect(near("front_left", [80, 0, 60])).toBeGreaterThan(near("front_left", [-80, 0, 60]));
    expect(project("front_right", [0, 0, 100])[0]).toBeCloseTo(-across);
    for (const view of ["front", "left", "above"] as const) {
      const light = asSeen(view, [-1, 2, 3]);
      expect(near(view, light)).toBeCloseTo(3);
      expect(project(view, light)).toEqual([expect.closeTo(-1), expect.closeTo(-2)]);
    }
  });

  it("shows what is wished at its height, where the zone ends", () => {
    const aim = { zones: { fringe: { lands: { point: "brow", below_mm: 5 } }, nape: { lands: { point: "toe" } } } };
    const figure = { points: [{ point: "brow", height_mm: 30 }] };
    const wishes = wishesOf(aim as unknown as Aim, figure as unknown as Figure);
    expect(wishes).toEqual([{ zone: "fringe", height_mm: 25 }]);
    expect(aims("front", wishes)).toEqual(["M-35.0 -25.0L35.0 -25.0"]);
    expect(aims("behind", wishes)).toEqual([]);
    expect(wishesOf({} as Aim, figure as unknown as Figure)).toEqual([]);
  });
});
