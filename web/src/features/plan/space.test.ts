import { describe, expect, it } from "vitest";
import { EYES, SIDES, isShown, liftsOf } from "./space";

describe("the head in space", () => {
  it("shows hair in one state and everything else always", () => {
    expect([isShown("hair now", "now"), isShown("hair now", "after")]).toEqual([true, false]);
    expect([isShown("hair after", "now"), isShown("hair after", "after")]).toEqual([false, true]);
    expect([isShown("hair now", "both"), isShown("hair after", "both")]).toEqual([true, true]);
    expect(isShown("head", "now") && isShown("hand", "after")).toBe(true);
  });

  it("lifts each strand as a whole, and neighbours differently", () => {
    // Three strips of two triangles.
    const strips = [0, 4, 8].flatMap((first) => [0, 1, 2, 2, 1, 3].map((corner) => first + corner));
    const lifts = [...liftsOf(strips, 12)];
    const [one, two, three] = [lifts.slice(0, 4), lifts.slice(4, 8), lifts.slice(8)];
    for (const lock of [one, two, three]) expect(new Set(lock).size).toBe(1);
    expect(new Set([one[0], two[0], three[0]]).size).toBe(3);
    expect(lifts.every((lift) => lift >= 0 && lift < 1)).toBe(true);
  });

  it("is looked at from five different sides", () => {
    const eyes = SIDES.map((side) => EYES[side].map(Math.round).join());
    expect(new Set(eyes).size).toBe(SIDES.length);
    expect(EYES.left[0]).toBe(-EYES.right[0]);
  });
});
