import type { RawZoneReading } from "@/api";
import { describe, expect, it } from "vitest";
import { onward, takenBack, wanted, withFigure } from "./intake";

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

  it("is taken back alone: what was typed since stays, and nothing is left of a zone that says nothing", () => {
    const bare = { moisture: "dry", strands: 1 } as RawZoneReading;
    const measured = { ...bare, stretched_mm: 300, with: { stretched_mm: { sd: 1 } } } as RawZoneReading;
    expect(takenBack(measured, undefined, "stretched_mm")).toBeUndefined();
    expect(takenBack({ ...measured, width_um: 70 }, undefined, "stretched_mm")).toEqual({ ...bare, width_um: 70 });
    const typed = { ...bare, stretched_mm: 290 } as RawZoneReading;
    expect(takenBack({ ...measured, sprung_mm: 150 }, typed, "stretched_mm")).toEqual({ ...typed, sprung_mm: 150 });
    const damp = { ...full, moisture: "damp" } as RawZoneReading;
    expect(takenBack(damp, { ...bare, stretched_mm: 300 }, "sprung_mm")).toMatchObject({ moisture: "dry" });
    expect(takenBack(bare, bare, "stretched_mm"), "half a zone stays one").toEqual(bare);
  });
});
