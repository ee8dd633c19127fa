import type { Cure, Finding } from "@/api";
import en from "@/locales/en.json";
import { describe, expect, it } from "vitest";
import { createI18n } from "vue-i18n";
import { sayCure, sayFinding } from "./sayFinding";

const { t } = createI18n({ legacy: false, locale: "en", messages: { en } }).global;
const words = { t, say: (mm: number) => `${mm / 10} cm`, list: (parts: string[]) => parts.join(" and ") };
const where = { measure: 1, threshold: 1, at: [0, 0, 0] as [number, number, number], moves: [0] };

describe("findings in words", () => {
  it("tell the figures and a remedy that can be done", () => {
    const steps = { code: "choppy_back", ends_pct: 31.4, turns_deg: 2.2, step_mm: 4, ...where } as const;
    const thinner = sayFinding({ ...steps, thin_enough_mm: 12 } as Finding, words);
    expect(thinner.text).toContain("31 % of the hair");
    expect(thinner.remedy).toContain("thinner than 1.2 cm");
    expect(sayFinding({ ...steps, thin_enough_mm: null } as Finding, words).remedy).not.toContain("thinner");
    const tie = sayFinding({ code: "tie_not_reached", short_pct: 60, lacking_mm: 25, ...where } as Finding, words);
    expect([tie.text, tie.remedy].every((said) => said.includes("2.5 cm"))).toBe(true);
  });

  it("name the moves a cure changes", () => {
    const cure = { code: "choppy_back", amount_mm: 12, moves: [0] } as unknown as Cure;
    expect(sayCure({ ...cure, lever: "longer" }, words)).toBe("Leave 1.2 cm more in move 1");
    expect(sayCure({ ...cure, lever: "without", moves: [0, 2] }, words)).toBe("Leave moves 1 and 3 out");
  });
});
