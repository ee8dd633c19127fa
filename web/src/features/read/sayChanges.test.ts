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
const t = (key: string, named: Record<string, unknown>) => {
  const values = Object.values(named).join(" ");
  return values ? `${key} ${values}` : key;
};
const say = (mm: number) => `${mm} mm`;

describe("what has changed since the last reading", () => {
  it("is said zone by zone, with what measuring alone explains left out", () => {
    const more = zone({
      shrinkage: { before: 0.4, now: 0.52, sure: true },
      stretched_mm: { before: 300, now: 280, sure: true },
      hairs_per_cm2: { before: 180, now: 140, sure: true },
    });
    expect(sayChanges([more, zone({ patch: "nape" })], t, say)).toEqual([
      "zone.top: since.shrinksMore 40 52, since.shorter 20 mm, since.thinner 180 140 true.",
      "since.same zone.nape",
    ]);
  });

  it("is said once of zones that changed alike", () => {
    const longer = { before: 300, now: 325, sure: true };
    const both = [zone({ stretched_mm: longer }), zone({ patch: "nape", stretched_mm: longer })];
    expect(sayChanges(both, t, say)).toEqual(["since.everywhere: since.longer 25 mm."]);
    expect(sayChanges([...both, zone({ patch: "crown" })], t, say)).toEqual([
      "zone.top, zone.nape: since.longer 25 mm.",
      "since.same zone.crown",
    ]);
  });

  it("is nothing where nothing was read twice", () => {
    expect(sayChanges([], t, say)).toEqual([]);
  });
});
