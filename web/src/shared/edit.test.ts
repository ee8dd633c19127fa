import type { Operation } from "@/api";
import { describe, expect, it } from "vitest";
import cases from "../../../crates/core/src/edit_cases.json";
import { applied, at, changes, identify, newId, reversed } from "./edit";

interface Case {
  name: string;
  document: object;
  operations: Partial<Operation>[];
  after?: object;
  clashes?: number[];
}

const whole = (operations: Partial<Operation>[]): Operation[] =>
  operations.map(({ path, before, value }) => ({ path: path!, before: before ?? null, value: value ?? null }));

describe("edits", () => {
  it.each(cases as Case[])("do as core does: $name", ({ document, operations, after, clashes }) => {
    const all = whole(operations);
    const result = applied(document, all);
    expect(result.clashes).toEqual((clashes ?? []).map((i) => all[i]));
    if (after) expect(result.document).toEqual(after);
  });

  it("make one document of another, whatever changed, and back", () => {
    const from = {
      note: "dry",
      reasons: ["flat", "heavy"],
      zones: { top: { stretched_mm: 300, again: [{ id: 1, sprung_mm: 5 }] }, nape: { width_um: 60 } },
      cut: {
        moves: [
          { id: 1, kind: { perimeter: { tilt_deg: 3 } }, region: { all: ["everything"] } },
          { id: 2, kind: { sections: { hold: { elevation_deg: 90 }, over: "previous" } } },
          { id: 3, off: true },
        ],
      },
    };
    const to = {
      reasons: ["heavy", "dry"],
      zones: {
        top: {
          stretched_mm: 310,
          again: [
            { id: 1, sprung_mm: 5 },
            { id: 9, sprung_mm: 6 },
          ],
        },
      },
      cut: {
        moves: [
          { id: 3 },
          { id: 2, kind: { sections: { hold: { elevation_deg: 45 }, over: { toward: "back" } } } },
          { id: 7, kind: { pause: "look" } },
          { id: 1, kind: { weight: { depth_mm: 20 } }, region: { all: ["everything", "top"] } },
        ],
      },
      worn_width: { width_mm: 200 },
    };
    const operations = changes(from, to);
    const there = applied(from, operations);
    expect(there.clashes).toEqual([]);
    expect(there.document).toEqual(to);
    expect(changes(there.document, to)).toEqual([]);
    const back = applied(to, reversed(operations));
    expect(back.clashes).toEqual([]);
    expect(changes(back.document, from)).toEqual([]);
    expect(operations.map(({ path }) => path.join("."))).toEqual([
      "note",
      "reasons.flat",
      "reasons.dry",
      "zones.top.stretched_mm",
      "zones.top.again.9",
      "zones.nape.width_um",
      "cut.moves.1.kind",
      "cut.moves.1.region",
      "cut.moves.2.kind.sections.hold.elevation_deg",
      "cut.moves.2.kind.sections.over",
      "cut.moves.3.off",
      "cut.moves.7",
      "cut.moves.order",
      "worn_width.width_mm",
    ]);
  });

  it("of two people merge in either order where they touch different figures", () => {
    const base = { moves: [{ id: 1, depth_mm: 5, name: "" }], zones: {} };
    const mine = {
      moves: [
        { id: 1, depth_mm: 6, name: "" },
        { id: 4, name: "Mine" },
      ],
      zones: { top: { turns: 3 } },
    };
    const theirs = {
      moves: [
        { id: 5, name: "Theirs" },
        { id: 1, depth_mm: 5, name: "Line" },
      ],
      zones: { top: { width_um: 60 } },
    };
    const [a, b] = [changes(base, mine), changes(base, theirs)];
    const one = applied(applied(base, a).document, b);
    const other = applied(applied(base, b).document, a);
    expect([one.clashes, other.clashes]).toEqual([[], []]);
    const names = (moves: { id: number }[]) => moves.map(({ id }) => id).sort();
    expect(names(one.document.moves)).toEqual([1, 4, 5]);
    expect(names(other.document.moves)).toEqual([1, 4, 5]);
    expect(one.document.zones).toEqual({ top: { turns: 3, width_um: 60 } });
    expect(at(other.document, ["moves", "1"])).toEqual({ id: 1, depth_mm: 6, name: "Line" });
  });

  it("show what stands at a path", () => {
    const document = { reasons: ["flat"], moves: [{ id: 3, kind: { pause: "look" } }, { id: 1 }] };
    expect(at(document, ["moves", "3", "kind", "pause"])).toBe("look");
    expect(at(document, ["moves", "order"])).toEqual(["3", "1"]);
    expect([at(document, ["reasons", "flat"]), at(document, ["reasons", "dry"]), at(document, ["a", "b"])]).toEqual([
      true,
      false,
      undefined,
    ]);
  });

  it("give an id to each member that has none, or another's", () => {
    const usual = { kind: "thin" };
    const spots: { id?: number; kind: string }[] = [usual, { id: 5, kind: "scar" }, usual, { id: 5, kind: "thin" }];
    identify({ spots, rest: [{ plain: true }] });
    expect(new Set(spots.map(({ id }) => id)).size).toBe(4);
    expect(spots[1]!.id).toBe(5);
    expect(usual).toEqual({ kind: "thin" });
  });

  it("give new members ids that a number keeps exactly", () => {
    const ids = Array.from({ length: 200 }, newId);
    expect(new Set(ids).size).toBe(200);
    expect(ids.every((id) => Number.isSafeInteger(id) && id > 0)).toBe(true);
  });
});
