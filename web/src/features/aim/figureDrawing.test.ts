import type { Figure, FigureZone } from "@/api";
import { describe, expect, it } from "vitest";
import { nextPoint, nudged, placeAt, placeHeight, spread } from "./figureDrawing";

const zone: FigureZone = {
  zone: "left_side",
  root_height_mm: 40,
  reaches: [
    { point: "lip", worn_mm: 97 },
    { point: "chin", worn_mm: 138 },
    { point: "shoulder", worn_mm: 190 },
  ],
};
const figure: Figure = {
  half_breadth_mm: 77,
  half_length_mm: 98,
  top_mm: 140,
  hairline_mm: 88,
  points: [
    { point: "lip", height_mm: -56 },
    { point: "chin", height_mm: -97 },
    { point: "shoulder", height_mm: -150 },
  ],
  zones: [zone],
};

describe("wishes on the figure", () => {
  it("snaps to a point that is close and says how far it is otherwise", () => {
    expect(placeAt(figure, zone, -99)).toEqual({ point: "chin", below_mm: 0 });
    expect(placeAt(figure, zone, -112)).toEqual({ point: "chin", below_mm: 15 });
    expect(placeAt(figure, zone, -130)).toEqual({ point: "shoulder", below_mm: -20 });
    expect(placeAt(figure, zone, -900)).toEqual({ point: "shoulder", below_mm: 150 });
  });

  it("steps down and up without being held at a point", () => {
    let place = { point: "lip", below_mm: 0 } as ReturnType<typeof nudged>;
    let last = placeHeight(figure, place);
    for (let i = 0; i < 18; i++) {
      place = nudged(figure, zone, place, 1);
      const now = placeHeight(figure, place);
      expect(now).toBeLessThan(last);
      last = now;
    }
    expect(last).toBeLessThan(-130);
    for (let i = 0; i < 30; i++) place = nudged(figure, zone, place, -1);
    expect(placeHeight(figure, place)).toBeGreaterThan(-50);
  });

  it("goes from point to point and stays at the last", () => {
    expect(nextPoint(figure, zone, { point: "lip", below_mm: 10 }, 1).point).toBe("chin");
    expect(nextPoint(figure, zone, { point: "chin", below_mm: 5 }, -1)).toEqual({ point: "chin", below_mm: 0 });
    expect(nextPoint(figure, zone, { point: "shoulder", below_mm: 0 }, 1)).toEqual({ point: "shoulder", below_mm: 0 });
  });

  it("spreads labels without moving those that have room", () => {
    expect(spread([0, 5, 40, 41], 15)).toEqual([0, 15, 40, 55]);
  });
});
