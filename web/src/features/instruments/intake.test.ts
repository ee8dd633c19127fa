import type { RawZoneReading } from "@/api";
import { describe, expect, it } from "vitest";
import { onward, wanted, withFigure } from "./intake";

const full = { stretched_mm: 300, sprung_mm: 150, width_um: 70, moisture: "dry", strands: 1 } as RawZoneReading;

describe("what instruments still have to say", () => {
  it("is what the paired ones give, in the order it is asked for", () => {
    expect(wanted(undefined, ["scope", "gauge", "comb"])).toEqual([
      "stretched_mm",
      "sprung_mm",
      "width_um",
      "hairs_per_cm2",
    ]);
    expect(wanted(full, ["comb", "gauge"])).toEqual([]);
    expect(wanted({ ...full, sprung_mm: null }, ["comb"])).toEqual(["sprung_mm"]);
    expect(wanted(undefined, ["meter", "room"])).toEqual([]);
    expect(wanted(full, ["comb", "gauge"], true), "on the wet pass").toEqual(["wet_sprung_mm"]);
    expect(wanted({ ...full, wet_sprung_mm: 170 }, ["comb"], true)).toEqual([]);
    const alike: RawZoneReading = { moisture: "dry", strands: 1, like: "top" };
    expect(wanted(alike, ["comb", "gauge"]), "its hair is read there").toEqual(["stretched_mm"]);
    expect(wanted(alike, ["comb"], true)).toEqual([]);
  });

  it("leads on round the head to the next zone that lacks something", () => {
    expect(onward({}, "crown", ["comb"])).toBe("crown");
    expect(onward({ crown: full }, "crown", ["comb"])).toBe("left_side");
    expect(onward({ right_side: full, fringe: full }, "right_side", ["comb"])).toBe("top");
    expect(onward({}, "crown", ["room"])).toBeUndefined();
    expect(onward({ nape_left: full }, "nape_left", ["comb"])).toBe("nape_right");
  });
});

describe("a figure that was taken", () => {
  it("changes nothing else, though the zone was edited meanwhile", () => {
    const now = { ...full, strands: 4, sprung_mm: null } as RawZoneReading;
    const taken = { ...full, sprung_mm: 148, moisture: "damp", with: { sprung_mm: { sd: 1 } } } as RawZoneReading;
    expect(withFigure(now, taken, "sprung_mm")).toEqual({
      ...now,
      sprung_mm: 148,
      moisture: "damp",
      with: { sprung_mm: { sd: 1 } },
    });
    const width = { ...taken, width_um: 64, with: { width_um: { sd: 2 } } } as RawZoneReading;
    const stretched = { ...now, with: { stretched_mm: { sd: 1 } } } as RawZoneReading;
    expect(withFigure(stretched, width, "width_um")?.with).toEqual({ stretched_mm: { sd: 1 }, width_um: { sd: 2 } });
    expect(withFigure(undefined, taken, "humidity_pct")).toBeUndefined();
  });
});
