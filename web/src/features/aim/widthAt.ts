import type { Outline } from "@/api";

/** Heights over which a width is the mean, mm: no single level decides. */
const OVER_MM = [-10, -5, 0, 5, 10];

/** Width of an outline at a height, straight between its levels; nothing above and below it. */
export function widthAt({ heights_mm: heights, one_mm: one, other_mm: other }: Outline, height: number): number {
  const at = (wanted: number) => {
    const below = heights.findIndex((level) => level <= wanted);
    if (below < 0) return 0;
    const width = (i: number) => (one[i] ?? 0) + (other[i] ?? 0);
    if (below === 0 || heights[below] === wanted) return heights[below] === wanted ? width(below) : 0;
    const [high, low] = [heights[below - 1]!, heights[below]!];
    const share = (high - wanted) / (high - low);
    return width(below - 1) + share * (width(below) - width(below - 1));
  };
  return OVER_MM.reduce((sum, by) => sum + at(height + by), 0) / OVER_MM.length;
}
