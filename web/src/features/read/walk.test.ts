import { ZONES } from "@/shared/zones";
import { describe, expect, it } from "vitest";
import { firstOpen, neighbour, walk, type Place } from "./walk";

describe("the walk round the head", () => {
  it("comes through every field once and stays at the end", () => {
    let place: Place = { zone: "fringe", step: "stretched_mm" };
    const seen = new Set<string>();
    for (let i = 0; i < 100; i++) {
      seen.add(`${place.zone} ${place.step}`);
      place = walk(place, 1);
    }
    expect(seen.size).toBe(ZONES.length * 3);
    expect(place).toEqual({ zone: "right_side", step: "width" });
  });

  it("goes back the way it came", () => {
    const place: Place = { zone: "nape", step: "stretched_mm" };
    expect(walk(walk(place, -1), 1)).toEqual(place);
    expect(walk({ zone: "fringe", step: "stretched_mm" }, -1)).toEqual({ zone: "fringe", step: "stretched_mm" });
  });

  it("goes round by zone and begins where something is missing", () => {
    expect(neighbour("right_side", 1)).toBe("fringe");
    expect(neighbour("fringe", -1)).toBe("right_side");
    const read = { strands: 1, stretched_mm: 300, sprung_mm: 100 };
    expect(firstOpen({ fringe: read, top: { stretched_mm: 300 }, crown: read })).toBe("top");
    expect(firstOpen(Object.fromEntries(ZONES.map((zone) => [zone, read])))).toBe("fringe");
  });
});
