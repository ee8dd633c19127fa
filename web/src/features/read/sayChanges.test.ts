import type { ZoneChange } from "@/api";
import { describe, expect, it } from "vitest";
import { sayChanges } from "./sayChanges";

const still = (value: number) => ({ before: value, now: value, sure: false });
const zone = (part: Partial<ZoneChange>): ZoneChange => ({
  patch: "top",
  shrinkage: still(0.4),
  stretched_mm: still(300),
  hairs_per_cm2: null,
  ...part,
});
const say = (mm: number) => `${mm} mm`;

describe("what has changed since the last reading", () => {
  it("is said zone by zone, with what measuring alone explains left out", () => {
    const more = zone({
      shrinkage: { before: 0.4, now: 0.52, sure: true },
      stretched_mm: { before: 300, now: 280, sure: true },
      hairs_per_cm2: { before: 180, now: 140, sure: true },
    });
    expect(sayChanges([more, zone({ patch: "nape" })], say)).toEqual([
      "Top: shrinks more than it did (40 → 52 %), 20 mm shorter, fewer hairs counted (180 → 140 on 1 cm²).",
      "As it was, as far as measuring tells: Nape.",
    ]);
  });

  it("is said once of zones that changed alike", () => {
    const longer = { before: 300, now: 325, sure: true };
    const both = [zone({ stretched_mm: longer }), zone({ patch: "nape", stretched_mm: longer })];
    expect(sayChanges(both, say)).toEqual(["Everywhere: 25 mm longer."]);
    expect(sayChanges([...both, zone({ patch: "crown" })], say)).toEqual([
      "Top, Nape: 25 mm longer.",
      "As it was, as far as measuring tells: Crown.",
    ]);
  });

  it("is nothing where nothing was read twice", () => {
    expect(sayChanges([], say)).toEqual([]);
  });
});
