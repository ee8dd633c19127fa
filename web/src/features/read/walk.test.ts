import { type RawZoneReading, zoneValues } from "@/api";
import { describe, expect, it } from "vitest";
import { firstOpen, neighbour, walk, type Stop } from "./walk";

const read: RawZoneReading = { moisture: "dry", strands: 1, stretched_mm: 300, sprung_mm: 100 };

describe("the walk round the head", () => {
  it("comes through every field once and stays at the end", () => {
    let stop: Stop = { patch: "fringe", step: "stretched_mm" };
    const seen = new Set<string>();
    for (let i = 0; i < 100; i++) {
      seen.add(`${stop.patch} ${stop.step}`);
      stop = walk({}, "dry", stop, 1);
    }
    expect(seen.size).toBe(zoneValues.length * 3);
    expect(stop).toEqual({ patch: "right_side", step: "width" });
  });

  it("goes back the way it came", () => {
    const stop: Stop = { patch: "nape", step: "stretched_mm" };
    expect(walk({}, "dry", walk({}, "dry", stop, -1), 1)).toEqual(stop);
    expect(walk({}, "dry", { patch: "fringe", step: "stretched_mm" }, -1)).toEqual({
      patch: "fringe",
      step: "stretched_mm",
    });
  });

  it("goes through both halves of a zone, and asks only for the length of one that is like another", () => {
    const zones = { top_front: read, crown: { ...read, sprung_mm: null, like: "top_front" as const } };
    expect(walk(zones, "dry", { patch: "top_front", step: "width" }, 1)).toEqual({
      patch: "top_behind",
      step: "stretched_mm",
    });
    expect(walk(zones, "dry", { patch: "top_behind", step: "width" }, 1)).toEqual({
      patch: "crown",
      step: "stretched_mm",
    });
    expect(walk(zones, "dry", { patch: "crown", step: "stretched_mm" }, 1).patch).toBe("left_side");
    expect(neighbour(zones, "fringe", 1)).toBe("top_front");
  });

  it("goes round by zone and begins where something is missing", () => {
    expect(neighbour({}, "right_side", 1)).toBe("fringe");
    expect(neighbour({}, "fringe", -1)).toBe("right_side");
    const blank: RawZoneReading = { moisture: "dry", strands: 1 };
    expect(firstOpen({ fringe: read, top: { ...blank, stretched_mm: 300 }, crown: read }, "dry")).toBe("top");
    expect(firstOpen({ fringe: read, top: { ...blank, like: "fringe" } }, "dry")).toBe("crown");
    expect(firstOpen(Object.fromEntries(zoneValues.map((zone) => [zone, read])), "dry")).toBe("fringe");
  });

  it("goes round once more for the wet lengths, past what is like another", () => {
    const zones = { fringe: { ...read, wet_sprung_mm: 140 }, top: read, crown: { ...read, like: "top" as const } };
    expect(firstOpen(zones, "wet")).toBe("top");
    expect(walk(zones, "wet", { patch: "top", step: "wet_sprung_mm" }, 1)).toEqual({
      patch: "left_side",
      step: "wet_sprung_mm",
    });
    expect(walk(zones, "wet", { patch: "fringe", step: "wet_sprung_mm" }, -1).patch).toBe("fringe");
  });
});
