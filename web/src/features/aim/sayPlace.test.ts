import { describe, expect, it } from "vitest";
import { sayPlace, sayWish } from "./sayPlace";

describe("a place in words", () => {
  it("is its point, or so far above or below it", () => {
    expect(sayPlace({ point: "chin", below_mm: 0 }, "cm")).toBe("chin");
    expect(sayPlace({ point: "chin", below_mm: 0.01 }, "cm")).toBe("chin");
    expect(sayPlace({ point: "shoulder", below_mm: -25 }, "cm")).toBe("2.5 cm above the shoulder");
    expect(sayPlace({ point: "lip", below_mm: 12 }, "cm")).toBe("1.2 cm below the lip");
  });
});

describe("a wish in words", () => {
  it("is where the hair lands, or how long it is worn", () => {
    expect(sayWish({ lands: { point: "lip", below_mm: 12 } }, "cm")).toBe("1.2 cm below the lip");
    expect(sayWish({ worn_mm: 45 }, "cm")).toBe("4.5 cm worn");
    expect(sayWish({}, "cm")).toBe("");
  });
});
