import { contract, type Move } from "@/api";
import { describe, expect, it } from "vitest";
import { newMove } from "./how";
import { curve, leversOf, unitOf } from "./whatIf";

describe("what can be turned", () => {
  it("is what the step has: no over-direction on its own base, amounts only of a technique that takes some", () => {
    const layers = newMove("sections");
    expect(leversOf(layers)).not.toContain("share");
    expect(leversOf({ ...layers, technique: { kind: "point" } } as Move)).toEqual(
      expect.arrayContaining(["length", "elevation", "share", "depth"]),
    );
    expect(leversOf(newMove("perimeter"))).toEqual(["length"]);
    expect(leversOf(newMove("weight"))).toEqual(["share", "depth"]);
    expect(leversOf(newMove("pause"))).toEqual([]);
    for (const lever of leversOf(layers)) expect(unitOf(lever)).not.toBe("");
    expect(contract.levers.length).toBeGreaterThan(5);
  });
});

describe("a small curve", () => {
  it("goes from the least to the greatest value, and is level where nothing changes", () => {
    expect(curve([10, 20, 30], 60, 24)).toBe("0.0,21.0 30.0,12.0 60.0,3.0");
    expect(curve([10, 10.2], 60, 24)).toBe("0.0,12.0 60.0,12.0");
  });
});
