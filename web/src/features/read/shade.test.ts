import { describe, expect, it } from "vitest";
import { SHOWN, shade } from "./shade";

describe("how dark a zone is", () => {
  it("grows with what is shown and stays light enough for ink", () => {
    for (const shown of SHOWN) {
      const shades = [-5, 0, 20, 60, 150, 280, 900].map((value) => shade(shown, value));
      expect([...shades].sort((a, b) => a - b)).toEqual(shades);
      expect(shades[0]).toBe(0);
      expect(shades.at(-1)).toBe(34);
    }
    expect(shade("shrinkage", 35)).toBe(17);
  });
});
