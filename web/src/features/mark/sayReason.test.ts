import type { Reason } from "@/api";
import core from "@core/mark/reasons.en.json";
import { createI18n } from "vue-i18n";
import { describe, expect, it } from "vitest";
import { sayReason } from "./sayReason";

const i18n = createI18n({ legacy: false, locale: "en", messages: { en: core } });
const t = (key: string, named: Record<string, unknown>) => i18n.global.t(key, named);

/** The names in braces of a sentence. */
const gaps = (sentence: string) => [...sentence.matchAll(/\{(\w+)\}/g)].map((match) => match[1]!);

describe("a reason in words", () => {
  it("says lengths in the person's unit and numbers whole", () => {
    const reason = {
      code: "springs",
      values: { stretched_mm: 300, sprung_mm: 150, percent: 49.6 },
      text: "",
    } as Reason;
    expect(sayReason(reason, "cm", t)).toBe("Stretched 30.0 cm, let go 15.0 cm: it loses 50 % of its length.");
    expect(sayReason(reason, "inch", t)).toMatch(/^Stretched 11\S* in, let go 5\S* in/);
  });

  it("fills every gap of every sentence that the core can say", () => {
    const states = Object.keys(core.states);
    for (const [code, sentence] of Object.entries(core.reasons)) {
      const values = Object.fromEntries(
        gaps(sentence)
          .filter((name) => name !== "state" && name !== "other_state")
          .map((name) => [name, 12]),
      );
      const reason = { code, values, state: states[0], other_state: states[1], text: "" } as Reason;
      const said = sayReason(reason, "cm", t);
      expect(said, code).not.toMatch(/[{}]|undefined/);
      expect(said.charAt(0), code).toBe(said.charAt(0).toUpperCase());
    }
  });
});
