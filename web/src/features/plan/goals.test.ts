import { describe, expect, it } from "vitest";
import type { Aim, Fall, Figure } from "@/api";
import { isFringeKept, lineGoal, topGoal, widthGoal, withFringe, withLine, withTop, withWidth } from "./goals";

const reaches = (["lip", "chin", "shoulder", "collarbone"] as const).map((point) => ({ point }));
const figure = {
  points: [
    { point: "lip", height_mm: -60 },
    { point: "chin", height_mm: -100 },
    { point: "shoulder", height_mm: -200 },
    { point: "collarbone", height_mm: -230 },
  ],
  zones: ["nape", "back_lower", "left_side", "right_side"].map((zone) => ({ zone, reaches })),
} as unknown as Figure;
const zone = (name: string, worn_mm: number, ends_at_mm: number) => ({ zone: name, worn_mm, ends_at_mm });
const before = {
  zones: [
    zone("fringe", 83.4, 0),
    zone("top", 300, -150),
    zone("crown", 260, -140),
    zone("nape", 200, -240),
    zone("left_side", 220, -235),
    zone("right_side", 60, -70),
  ],
  front: { heights_mm: [-80, -120], one_mm: [110, 110], other_mm: [90, 90] },
} as unknown as Fall;
const nothing = { risk: 0.1, zones: {} } as Aim;

describe("goals", () => {
  it("stand where the hair is until something is wished", () => {
    expect(topGoal(nothing, before, figure)).toMatchObject({ now: 280, value: 280 });
    // A place 50 mm above the ends of the top; the crown stays.
    const lands = { ...nothing, zones: { top: { lands: { point: "chin", below_mm: 0 } } } } as Aim;
    expect(topGoal(lands, before, figure).value).toBe(255);
    expect(widthGoal(nothing, before, figure)).toMatchObject({ now: 200, value: 200, least: 110, most: 230 });
    expect(lineGoal(nothing, before, figure)).toMatchObject({ now: 240, value: 240, least: 60 });
  });

  it("are wishes of Aim, and none where they stand where the hair is", () => {
    const top = withTop(nothing, before, figure, 280 - 10);
    expect(top.zones).toEqual({ top: { worn_mm: 270 }, crown: { worn_mm: 260 } });
    expect(withTop(top, before, figure, 280).zones).toEqual({});
    const narrow = withWidth(nothing, before, figure, 170);
    expect(narrow.widths).toEqual([{ at: { point: "chin", below_mm: 0 }, width_mm: 170 }]);
    expect(widthGoal(narrow, before, figure).value).toBe(170);
    expect(withWidth(narrow, before, figure, 200).widths).toEqual([]);
  });

  it("bring the line where it is turned to, in every zone that reaches it", () => {
    const line = withLine(nothing, before, figure, 205);
    expect(Object.keys(line.zones).sort()).toEqual(["left_side", "nape"]);
    expect(line.zones.nape).toEqual({ lands: { point: "shoulder", below_mm: 0 } });
    expect(lineGoal(line, before, figure).value).toBe(200);
    expect(withLine(line, before, figure, 240).zones).toEqual({});
  });

  it("keep the fringe as it is", () => {
    const kept = withFringe(nothing, before, true);
    expect(kept.zones.fringe).toEqual({ worn_mm: 83 });
    expect(isFringeKept(kept, before)).toBe(true);
    expect(withFringe(kept, before, false).zones).toEqual({});
  });
});
