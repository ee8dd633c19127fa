import type { Cut, Move, MoveReport } from "@/api";
import type { Field } from "@/shared/fields";
import { describe, expect, it } from "vitest";
import { moveFields, techniquesOf } from "./moveFields";
import { changed, doubled, swapped, without } from "./moves";

const line: Move = { region: "everything", kind: { perimeter: { behind: { point: "chin", below_mm: 5 } } } };
const layers: Move = {
  region: { half: "left" },
  kind: {
    sections: {
      layout: { along: "vertical", thickness_mm: 20, from: "apex" },
      hold: { elevation_deg: 90 },
      guide: { floating: { step_mm: 4 } },
      length: { worn_mm: 120 },
    },
  },
};
const cut: Cut = { format: "spirel.cut", version: 1, name: "test", purpose: "", moves: [line, layers] };

type Amount = Extract<Field<Move>, { kind: "number" }>;
/** The numbers of a move that are always open. */
const amounts = (move: Move, report?: MoveReport) =>
  moveFields(move, ["chin"], report).filter((field): field is Amount => field.kind === "number");
const said = (all: Amount[]) => all.map(({ path, value }) => [path, value]);

describe("the moves of a cut", () => {
  it("are put before one another, doubled and taken out, and the old cut stays as it was", () => {
    expect(swapped(cut, 1, -1).moves).toEqual([layers, line]);
    expect(swapped(cut, 0, -1).moves).toEqual([line, layers]);
    expect(doubled(cut, 0).moves).toEqual([line, line, layers]);
    expect(without(cut, 0).moves).toEqual([layers]);
    expect(cut.moves).toEqual([line, layers]);
  });

  it("say their numbers, and take new ones", () => {
    expect(said(amounts(line))).toEqual([["kind.perimeter.behind.below_mm", 5]]);
    expect(said(amounts(layers))).toEqual([
      ["kind.sections.length.worn_mm", 120],
      ["kind.sections.hold.elevation_deg", 90],
      ["kind.sections.guide.floating.step_mm", 4],
      ["kind.sections.layout.thickness_mm", 20],
    ]);
    for (const amount of amounts(layers)) {
      const after = changed(cut, 1, (move) => amount.set(move, amount.value! + 1)).moves[1]!;
      expect(amounts(after).find(({ path }) => path === amount.path)?.value).toBe(amount.value! + 1);
    }
  });

  it("have the usual share and depth of a technique that is chosen", () => {
    const thinned = changed(cut, 1, (move) => (move.technique = { kind: "thin" })).moves[1]!;
    const report = { technique_share: 0.3, technique_depth_mm: 40 } as MoveReport;
    expect(said(amounts(thinned, report)).slice(-4, -2)).toEqual([
      ["technique.share", 30],
      ["technique.depth_mm", 40],
    ]);
    const weight: Move = {
      region: "everything",
      kind: { weight: { along: "vertical", thickness_mm: 15, from: "apex" } },
    };
    expect(techniquesOf(weight)).not.toContain("blunt");
    expect(techniquesOf(line)).toContain("blunt");
  });
});
