import { contract, zoneFigureValues } from "@/api";
import en from "@/locales/en.json";
import { describe, expect, it } from "vitest";
import { figuresOf, ruleOf, sayFigure, signOf } from "./figures";

const t = (key: string) => key;
const say = (mm: number) => `${mm / 10} cm`;

describe("figures", () => {
  it("have a rule, a name and words for all they can be", () => {
    for (const figure of zoneFigureValues) {
      expect(en.fields, figure).toHaveProperty(figure);
      const words = (en.figureWord as Record<string, Record<string, string>>)[figure] ?? {};
      expect(Object.keys(words).sort(), figure).toEqual([...ruleOf(figure).words].sort());
    }
    expect(contract.figures).toHaveLength(zoneFigureValues.length);
  });

  it("are said by their kind", () => {
    expect(sayFigure("stretched_mm", 241, t, say)).toBe("24.1 cm");
    expect(sayFigure("width_um", 70, t, say)).toBe("70 µm");
    expect(sayFigure("turns", 6, t, say)).toBe("6");
    expect(sayFigure("curl", "coil", t, say)).toBe("figureWord.curl.coil");
    expect([signOf("stretched_mm"), signOf("width_um"), signOf("strands")]).toEqual([undefined, "µm", "×"]);
  });

  it("are asked of the instruments that measure them", () => {
    expect(figuresOf("width")).toEqual(["width_um"]);
    expect(figuresOf("length")).toEqual(["stretched_mm", "sprung_mm", "wet_sprung_mm"]);
  });
});
