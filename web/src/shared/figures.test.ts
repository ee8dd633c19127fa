import { contract, zoneFigureValues } from "@/api";
import { describe, expect, it } from "vitest";
import { figuresOf, rangeFault, ruleOf, sayFigure, signOf } from "./figures";
import { te, tell } from "./words";

const say = (mm: number) => `${mm / 10} cm`;

describe("figures", () => {
  it("have a rule, a name and words for all they can be", () => {
    for (const figure of zoneFigureValues) {
      expect(te(`fields-${figure}`), figure).toBe(true);
      for (const word of ruleOf(figure).words) expect(te(`figureWord-${figure}-${word}`), word).toBe(true);
    }
    expect(contract.figures).toHaveLength(zoneFigureValues.length);
  });

  it("are said by their kind", () => {
    expect(sayFigure("stretched_mm", 241, say)).toBe("24.1 cm");
    expect(sayFigure("width_um", 70, say)).toBe("70 µm");
    expect(sayFigure("turns", 6, say)).toBe("6");
    expect(sayFigure("curl", "coil", say)).toBe("coil");
    expect([signOf("stretched_mm"), signOf("width_um"), signOf("strands")]).toEqual([undefined, "µm", "×"]);
  });

  it("are refused outside their range in the words of the server", () => {
    const said = (figure: "stretched_mm" | "width_um" | "turns", value: number) => {
      const fault = rangeFault(figure, value);
      return fault && tell(fault, "cm");
    };
    expect(said("stretched_mm", 9)).toBe("must be from 1.0 cm to 250.0 cm");
    expect(said("width_um", 181)).toBe("must be from 20 to 180 µm");
    expect(said("turns", 301)).toBe("must be from 0.25 to 300");
    expect([said("stretched_mm", 10), said("width_um", 180), rangeFault("like", 3)]).toEqual([
      undefined,
      undefined,
      undefined,
    ]);
  });

  it("are asked of the instruments that measure them", () => {
    expect(figuresOf("width")).toEqual(["width_um"]);
    expect(figuresOf("length")).toEqual(["stretched_mm", "sprung_mm", "wet_sprung_mm"]);
  });
});
