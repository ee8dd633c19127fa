import { describe, expect, it } from "vitest";
import { differences, withMine } from "./merge";

const base = { zones: { top: { stretched_mm: 300, sprung_mm: 150 } }, reasons: ["flat"], note: "" };

describe("two versions of one document", () => {
  it("says who changed which field", () => {
    const mine = { zones: { top: { stretched_mm: 310, sprung_mm: 150 } }, reasons: ["flat"], note: "mine" };
    const theirs = {
      zones: { top: { stretched_mm: 320, sprung_mm: 150 }, nape: { stretched_mm: 200 } },
      reasons: ["flat"],
      note: "",
    };
    expect(differences(base, mine, theirs)).toEqual([
      { path: ["zones", "top", "stretched_mm"], mine: 310, theirs: 320, changedBy: "both" },
      { path: ["note"], mine: "mine", theirs: "", changedBy: "me" },
      { path: ["zones", "nape", "stretched_mm"], mine: undefined, theirs: 200, changedBy: "them" },
    ]);
  });

  it("takes a list as one field", () => {
    const mine = { ...base, reasons: ["flat", "heavy"] };
    expect(differences(base, mine, base).map((d) => d.path)).toEqual([["reasons"]]);
    expect(withMine(base, mine, [["reasons"]]).reasons).toEqual(["flat", "heavy"]);
  });

  it("puts my fields over theirs and leaves theirs alone", () => {
    const mine = { zones: { top: { stretched_mm: 310, sprung_mm: 150 } }, reasons: ["flat"], note: "mine" };
    const theirs = { zones: { top: { stretched_mm: 320, sprung_mm: 140 } }, reasons: ["flat"], note: "theirs" };
    const merged = withMine(theirs, mine, [["zones", "top", "stretched_mm"]]);
    expect(merged).toEqual({
      zones: { top: { stretched_mm: 310, sprung_mm: 140 } },
      reasons: ["flat"],
      note: "theirs",
    });
    expect(theirs.zones.top.stretched_mm).toBe(320);
  });

  it("takes mine whole when every difference is mine, and nothing of an emptied zone remains", () => {
    const mine: Record<string, unknown> = { zones: {}, reasons: [], note: "x" };
    const paths = differences(base, mine, base).map((d) => d.path);
    expect(withMine<Record<string, unknown>>(base, mine, paths)).toEqual(mine);
  });
});
