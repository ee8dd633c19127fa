import { describe, expect, it } from "vitest";
import { strandBox, strandPath } from "./strandPicture";

describe("a drawn strand", () => {
  const line = [
    [0, 0],
    [-2, 5],
    [3, 12.345],
  ];

  it("is a path from its root down", () => {
    expect(strandPath(line)).toBe("M0.00 0.00L-2.00 5.00L3.00 12.35");
  });

  it("fits its box with a little room beside and below", () => {
    expect(strandBox(line)).toEqual({ left: -3, width: 7, height: 13.35 });
  });
});
