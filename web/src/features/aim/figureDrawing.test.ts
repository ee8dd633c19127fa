import type { Figure, FigureZone, SheetZone } from "@/api";
import { describe, expect, it } from "vitest";
import { longer, nextPoint, nudged, placeAt, placeHeight, spread, standingTurn, stands } from "./figureDrawing";

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
  outlines: [],
  half_breadth_mm: 77,
  half_length_mm: 98,
  person: [],
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

describe("hair that stands", () => {
  const held = (held_up: number) => ({ present: { fibre_mm: 200, worn_mm: 50, height_mm: 90, held_up } }) as SheetZone;

  it("is told by how far it is held up, of a zone in halves by either", () => {
    expect(stands([held(0.9)])).toBe(true);
    expect(stands([held(0.1), held(0.7)])).toBe(true);
    expect(stands([held(0.1)])).toBe(false);
    expect(stands([{} as SheetZone])).toBe(false);
  });

  it("is made longer by whole steps, within what can be worn", () => {
    expect(longer(52, 0)).toBe(50);
    expect(longer(50, 5)).toBe(55);
    expect(longer(5, -20)).toBe(2);
    expect(longer(1999, 50)).toBe(2000);
  });

  it("is drawn away from the middle of the head", () => {
    const middle = { x: 100, y: -60 };
    expect(standingTurn(100, 0, middle)).toBeCloseTo(0);
    expect(standingTurn(180, -60, middle)).toBeCloseTo(-90);
    expect(standingTurn(20, -60, middle)).toBeCloseTo(90);
  });
});
