import { describe, expect, it } from "vitest";
import { EYES, SIDES, isShown } from "./space";

describe("the head in space", () => {
  it("shows hair in one state and everything else always", () => {
    expect([isShown("hair now", "now"), isShown("hair now", "after")]).toEqual([true, false]);
    expect([isShown("hair after", "now"), isShown("hair after", "after")]).toEqual([false, true]);
    expect([isShown("hair now", "both"), isShown("hair after", "both")]).toEqual([true, true]);
    expect(isShown("head", "now") && isShown("hand", "after")).toBe(true);
  });

  it("is looked at from five different sides", () => {
    const eyes = SIDES.map((side) => EYES[side].map(Math.round).join());
    expect(new Set(eyes).size).toBe(SIDES.length);
    expect(EYES.left[0]).toBe(-EYES.right[0]);
  });
});
