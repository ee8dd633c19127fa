import { expect, it } from "vitest";
import { widthAt } from "./widthAt";

it("is the mean over two fingers, straight between levels, and nothing beyond the outline", () => {
  const outline = { heights_mm: [100, 50, 0, -50], one_mm: [20, 40, 60, 60], other_mm: [20, 40, 60, 60] };
  expect(widthAt(outline, 50)).toBeCloseTo(80);
  expect(widthAt(outline, 25)).toBeCloseTo(100);
  expect(widthAt(outline, -30)).toBeCloseTo(120);
  expect(widthAt(outline, -90)).toBe(0);
  expect(widthAt(outline, 140)).toBe(0);
});
