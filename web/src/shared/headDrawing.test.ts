import type { Figure, Point } from "@/api";
import { describe, expect, it } from "vitest";
import { behind, ear, heightOf, profile } from "./headDrawing";

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
} as Figure;

/** Every coordinate pair of a path. */
function pairs(path: string): [number, number][] {
  expect(path).not.toMatch(/NaN|undefined|Infinity/);
  const numbers = (path.match(/-?\d+(\.\d+)?/g) ?? []).map(Number);
  expect(numbers.length % 2).toBe(0);
  return Array.from({ length: numbers.length / 2 }, (_, i) => [numbers[2 * i]!, numbers[2 * i + 1]!]);
}

describe("the drawn head", () => {
  it("is as high and as long as the client's own", () => {
    for (const path of [profile(figure), behind(figure)]) {
      expect(Math.min(...pairs(path).map(([, y]) => y))).toBeCloseTo(-137, 0);
    }
    expect(Math.max(...pairs(profile(figure)).map(([x]) => x))).toBeCloseTo(99, 0);
    expect(heightOf(figure, "chin")).toBe(-97);
    expect(pairs(ear(figure)).length).toBeGreaterThan(2);
  });

  it("is the same on both sides from behind", () => {
    const xs = pairs(behind(figure)).map(([x]) => x);
    expect(Math.max(...xs)).toBeCloseTo(-Math.min(...xs), 6);
  });
});
