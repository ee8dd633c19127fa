import type { Operation } from "@/api";
import { describe, expect, it } from "vitest";
import cases from "../../../crates/core/src/edit_cases.json";
import { applied, at, changes, identify, newId } from "./edit";
import { copy } from "./plain";

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

  it("take any number of changes back to what stood before, lists in their order", () => {
    // A generator with a fixed beginning: what was seen once can be seen again.
    let state = 7;
    const random = (below: number) => {
      state = (state * 48271) % 2147483647;
      return state % below;
    };
    interface Random {
      note?: string;
      reasons: string[];
      line: { at: string; mm: number }[];
      cut: { moves: { id: number; depth_mm?: number; kind?: object }[] };
    }
    const words = ["flat", "heavy", "dry", "wide", "thin"];
    const change: ((document: Random) => void)[] = [
      (to) => (to.note = words[random(5)]),
      (to) => delete to.note,
      (to) => to.reasons.splice(random(to.reasons.length + 1), random(3)),
      (to) => {
        const fresh = words.filter((word) => !to.reasons.includes(word));
        to.reasons.splice(random(to.reasons.length + 1), 0, ...fresh.slice(0, random(3)));
      },
      (to) => to.line.splice(random(to.line.length + 1), 1),
      (to) => {
        const at = words.find((word) => to.line.every((point) => point.at !== word));
        if (at) to.line.splice(random(to.line.length + 1), 0, { at, mm: random(90) });
      },
      (to) => to.cut.moves.splice(random(to.cut.moves.length + 1), 1 + random(2)),
      (to) => to.cut.moves.splice(random(to.cut.moves.length + 1), 0, { id: 100 + random(1e6), depth_mm: 5 }),
      (to) => to.cut.moves.reverse(),
      // A house cut takes the place of every step.
      (to) => (to.cut.moves = [1, 2, 3].map((n) => ({ id: 2e6 + 10 * random(1e6) + n, kind: { pause: n } }))),
      (to) => to.cut.moves.forEach((move) => (move.depth_mm = random(40))),
    ];
    for (let round = 0; round < 60; round++) {
      const first: Random = {
        reasons: ["flat", "heavy"],
        line: [{ at: "wide", mm: 4 }],
        cut: { moves: [1, 2, 3, 4].map((id) => ({ id, depth_mm: id })) },
      };
      const seen = [first];
      for (let step = 0; step < 6; step++) {
        const to = copy(seen.at(-1)!);
        for (let n = 0; n <= random(3); n++) change[random(change.length)]!(to);
        seen.push(to);
      }
      let now = seen.at(-1)!;
      for (let step = seen.length - 2; step >= 0; step--) {
        const back = applied(now, changes(seen[step + 1], seen[step]));
        expect(back.clashes).toEqual([]);
        expect(back.document).toEqual(seen[step]);
        const again = applied(back.document, changes(seen[step], seen[step + 1]));
        expect(again.document).toEqual(seen[step + 1]);
        now = back.document;
      }
    }
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
