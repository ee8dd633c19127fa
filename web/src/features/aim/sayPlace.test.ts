import en from "@/locales/en.json";
import { createI18n } from "vue-i18n";
import { describe, expect, it } from "vitest";
import { sayPlace, sayWish } from "./sayPlace";

const i18n = createI18n({ legacy: false, locale: "en", messages: { en } });
const t = (key: string, named: Record<string, unknown>) => i18n.global.t(key, named);

describe("a place in words", () => {
  it("is its point, or so far above or below it", () => {
    expect(sayPlace({ point: "chin", below_mm: 0 }, "cm", t)).toBe("chin");
    expect(sayPlace({ point: "chin", below_mm: 0.01 }, "cm", t)).toBe("chin");
    expect(sayPlace({ point: "shoulder", below_mm: -25 }, "cm", t)).toBe("2.5 cm above the shoulder");
    expect(sayPlace({ point: "lip", below_mm: 12 }, "cm", t)).toBe("1.2 cm below the lip");
  });
});

describe("a wish in words", () => {
  it("is where the hair lands, or how long it is worn", () => {
    expect(sayWish({ lands: { point: "lip", below_mm: 12 } }, "cm", t)).toBe("1.2 cm below the lip");
    expect(sayWish({ worn_mm: 45 }, "cm", t)).toBe("4.5 cm worn");
    expect(sayWish({}, "cm", t)).toBe("");
  });
});
