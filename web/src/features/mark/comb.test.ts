import { describe, expect, it } from "vitest";
import { COMB_MM, graduations, onTheComb } from "./comb";

describe("the drawn comb", () => {
  it("is graduated in steps that marks are rounded to, from end to end", () => {
    for (const unit of ["cm", "inch"] as const) {
      const marks = graduations(unit);
      expect(marks[0]).toEqual({ mm: 0, label: "0" });
      expect(marks.at(-1)!.mm).toBeCloseTo(COMB_MM[unit]);
      expect(marks.at(-1)!.label).toBe(unit === "cm" ? "20" : "8");
    }
  });

  it("goes on with whole combs", () => {
    expect(onTheComb("cm", 125)).toEqual({ combs: 0, rest: 125 });
    expect(onTheComb("cm", 200)).toEqual({ combs: 0, rest: 200 });
    expect(onTheComb("cm", 205)).toEqual({ combs: 1, rest: 5 });
    expect(onTheComb("cm", 400)).toEqual({ combs: 1, rest: 200 });
    expect(onTheComb("cm", 0)).toEqual({ combs: 0, rest: 0 });
  });
});
