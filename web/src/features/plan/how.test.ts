import { describe, expect, it } from "vitest";
import {
  ALONG,
  GUIDES,
  LENGTHS,
  OVER,
  MOVE_KINDS,
  alongOf,
  guideOf,
  layoutOf,
  lengthOf,
  newMove,
  overOf,
  planeWith,
  tagOf,
  wayOf,
} from "./how";

describe("ways of doing a move", () => {
  it("begin as something of their kind", () => {
    for (const name of MOVE_KINDS) expect(wayOf(newMove(name))).toBe(name);
    for (const name of ALONG) expect(tagOf(alongOf(name))).toBe(name);
    for (const name of OVER) expect(tagOf(overOf(name))).toBe(name);
    for (const name of GUIDES) expect(tagOf(guideOf(name))).toBe(name);
    for (const name of LENGTHS) expect(tagOf(lengthOf(name, { held_mm: 120 }))).toBe(name);
  });

  it("lie in sections unless hair is cut as it hangs", () => {
    expect(layoutOf(newMove("perimeter").kind)).toBeUndefined();
    for (const name of ["sections", "gathered", "weight"] as const) {
      expect(layoutOf(newMove(name).kind)?.thickness_mm).toBeGreaterThan(0);
    }
  });

  it("are new each time: changing one leaves the next as it was", () => {
    const one = newMove("weight");
    const layout = layoutOf(one.kind);
    if (layout) layout.thickness_mm = 99;
    expect(layoutOf(newMove("weight").kind)?.thickness_mm).not.toBe(99);
    const other = newMove("sections");
    const its = layoutOf(other.kind);
    if (its) its.thickness_mm = 99;
    expect(layoutOf(newMove("sections").kind)?.thickness_mm).not.toBe(99);
  });

  it("keep a length where it means the same, and begin afresh where it doesn't", () => {
    expect(lengthOf("worn_mm", { held_mm: 120 })).toEqual({ worn_mm: 120 });
    expect(lengthOf("held_mm", { shorter_mm: 4 })).toEqual({ held_mm: 150 });
    expect(lengthOf("shorter_mm", { worn_mm: 120 })).toEqual({ shorter_mm: 0 });
  });

  it("change one point of a plane", () => {
    expect(planeWith(["apex", "crown", "occipital"], 1, "nape_centre")).toEqual({
      plane: ["apex", "nape_centre", "occipital"],
    });
  });
});
