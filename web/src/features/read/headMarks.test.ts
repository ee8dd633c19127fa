import type { HeadMark } from "@/api";
import { describe, expect, it } from "vitest";
import { marksIn, placeIn } from "./headMarks";

const mark = (at: [number, number, number], what: HeadMark["what"] = { spot: "breakage" }): HeadMark => ({
  what,
  number: 0,
  at,
  reach_mm: 25,
  strength: 0.4,
});

describe("marks on the head", () => {
  it("have their place in each drawing that shows them", () => {
    expect(placeIn("left", [70, 30, 60])).toEqual([-60, -30]);
    expect(placeIn("behind", [70, 30, -20])).toEqual([-70, -30]);
    expect(placeIn("right", [70, 30, 60])).toBeUndefined();
  });

  it("are drawn on the side they lie on, and mirrored on the right", () => {
    const temple = mark([-70, 30, 60]);
    expect(marksIn("left", [temple])).toEqual([]);
    expect(marksIn("behind", [temple])).toEqual([]);
    const [seen] = marksIn("right", [temple]);
    expect(seen).toMatchObject({ kind: "breakage", x: 60, y: -30, reach: 15, percent: 40 });
  });

  it("in the middle are seen from both sides, and a swirl is a line that winds", () => {
    const crown = mark([0, 120, -40], "growth");
    for (const view of ["left", "behind", "right"] as const) {
      const [seen] = marksIn(view, [crown]);
      expect(seen?.kind).toBe("growth");
      expect(seen?.swirl.split("L").length).toBeGreaterThan(20);
    }
  });
});
