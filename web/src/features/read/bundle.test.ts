import { describe, expect, it } from "vitest";
import { bundle } from "./bundle";

describe("the gathered hair", () => {
  const girths = [
    { from_tie_mm: 0, girth_mm: 90 },
    { from_tie_mm: 200, girth_mm: 45 },
  ];

  it("is as wide as its girths say and has a line where it is strong", () => {
    const drawn = bundle(girths, 120)!;
    const [, ...points] = drawn.outline.split(/[MLZ]/).filter(Boolean);
    expect(points).toHaveLength(3);
    const widths = drawn.outline.match(/-?[\d.]+(?= )/g)!.map(Number);
    expect(widths[0]! / widths[1]!).toBeCloseTo(2, 1);
    expect(widths[0]).toBeCloseTo(-widths[3]!, 6);
    expect(drawn.strong).toContain(" 120.0H");
  });

  it("is not drawn from one girth, or from girths at one place", () => {
    expect(bundle([], undefined)).toBeUndefined();
    expect(bundle(girths.slice(1), 0)).toBeUndefined();
    expect(bundle([girths[0]!, girths[0]!], 0)).toBeUndefined();
  });
});
