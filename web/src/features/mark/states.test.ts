import { type SheetZone, moistureValues, combValues } from "@/api";
import { describe, expect, it } from "vitest";
import { beside, exists, sameState, verdict } from "./states";

describe("states hair is cut in", () => {
  it("shows another state beside each, and one that exists", () => {
    for (const moisture of moistureValues) {
      for (const comb of combValues) {
        const state = { moisture, comb };
        if (!exists(state)) continue;
        expect(exists(beside(state))).toBe(true);
        expect(sameState(beside(state), state)).toBe(false);
      }
    }
  });

  it("says what to do, and what is missing", () => {
    const state = { moisture: "wet", comb: "medium" } as const;
    const missing: SheetZone = {
      patch: "top",
      zone: "top",
      worn: "as_it_springs",
      missing: [{ field: "aim.zones.top", problem: { kind: "missing" } }],
    };
    expect(verdict(missing, state)).toEqual({ kind: "missing", fields: ["aim.zones.top"] });
    const unsure: SheetZone = {
      patch: "top",
      zone: "top",
      worn: "as_it_springs",
      missing: [],
      result: { target_mm: 100, target_height_mm: 0, states: [{ state, mark: null, reasons: [] }] },
    };
    expect(verdict(unsure, state)).toEqual({ kind: "unsure" });
  });
});
