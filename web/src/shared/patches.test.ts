import { describe, expect, it } from "vitest";
import { halved, halvingOf, isRead, joined, likeable, patchesOf, sayPatch, zoneOf, type ZoneReadings } from "./patches";

const BLANK = { moisture: "dry", strands: 1 } as const;
const read = { ...BLANK, stretched_mm: 300, sprung_mm: 150 };

describe("patches", () => {
  it("are the zones, and both halves of a zone of which one is named", () => {
    expect(patchesOf({})).toHaveLength(8);
    const split = patchesOf({ left_side_behind: BLANK });
    expect(split.slice(3, 5)).toEqual(["left_side_front", "left_side_behind"]);
    expect(split.map(zoneOf).filter((zone) => zone === "left_side")).toHaveLength(2);
  });

  it("split into halves keep what was measured in the first, and come together again with it", () => {
    const zones: ZoneReadings = { left_side: read, nape: { ...BLANK, like: "left_side" } };
    const split = halved(zones, "left_side", "along");
    expect(halvingOf(split, "left_side")).toBe("along");
    expect(split).toEqual({
      left_side_front: read,
      left_side_behind: BLANK,
      nape: { ...BLANK, like: "left_side_front" },
    });
    expect(halved(split, "left_side", undefined)).toEqual(zones);
    const other = halved({ ...split, left_side_front: BLANK, left_side_behind: read }, "left_side", "down");
    expect(other).toMatchObject({ left_side_upper: read, left_side_under: BLANK });
    expect(other.left_side_front).toBeUndefined();
  });

  it("read with another keep only their own length and density, and are read once that one is", () => {
    const nape = { ...read, hairs_per_cm2: 140, width_um: 70, with: { width_um: { sd: 3 }, stretched_mm: { sd: 1 } } };
    const together = joined({ nape }, "nape", "crown");
    expect(together.nape).toEqual({
      ...BLANK,
      like: "crown",
      stretched_mm: 300,
      hairs_per_cm2: 140,
      with: { stretched_mm: { sd: 1 } },
    });
    expect(isRead(together, "nape")).toBe(false);
    expect(isRead({ ...together, crown: read }, "nape")).toBe(true);
    expect(likeable(together, "nape")).toHaveLength(7);
    expect(likeable(together, "crown"), "it leads already").toEqual([]);
    expect(likeable(together, "top")).not.toContain("nape");
    expect(joined(together, "nape", undefined).nape?.like).toBeUndefined();
  });

  it("are read with a length and anything that tells the curl", () => {
    expect(isRead({ top: { ...BLANK, stretched_mm: 300, curl: "coil" } }, "top")).toBe(true);
    expect(isRead({ top: { ...BLANK, stretched_mm: 300 } }, "top")).toBe(false);
    expect(isRead({ top: { ...BLANK, curl: "coil" } }, "top")).toBe(false);
  });

  it("are named by their zone and half", () => {
    expect(sayPatch("nape")).toBe("Nape");
    expect(sayPatch("back_upper_left")).toBe("Back, upper, left half");
  });
});
