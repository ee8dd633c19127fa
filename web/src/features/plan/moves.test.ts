import type { Cut, Move, MoveReport } from "@/api";
import { describe, expect, it } from "vitest";
import { amounts, changed, doubled, setTechnique, swapped, techniquesOf, without } from "./moves";

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

describe("the moves of a cut", () => {
  it("are put before one another, doubled and taken out, and the old cut stays as it was", () => {
    expect(swapped(cut, 1, -1).moves).toEqual([layers, line]);
    expect(swapped(cut, 0, -1).moves).toEqual([line, layers]);
    expect(doubled(cut, 0).moves).toEqual([line, line, layers]);
    expect(without(cut, 0).moves).toEqual([layers]);
    expect(cut.moves).toEqual([line, layers]);
  });

  it("say their numbers, and take new ones", () => {
    expect(amounts(line).map((a) => [a.name, a.value])).toEqual([["below", 5]]);
    expect(amounts(layers).map((a) => [a.name, a.value])).toEqual([
      ["worn_mm", 120],
      ["lift", 90],
      ["step", 4],
      ["thickness", 20],
    ]);
    for (const amount of amounts(layers)) {
      const after = changed(cut, 1, (move) => amount.set(move, amount.value + 1)).moves[1]!;
      expect(amounts(after).find((a) => a.name === amount.name)?.value).toBe(amount.value + 1);
    }
  });

  it("have the usual share and depth of a technique that is chosen", () => {
    const thinned = changed(cut, 1, (move) => setTechnique(move, "thin")).moves[1]!;
    const report = { technique_share: 0.3, technique_depth_mm: 40 } as MoveReport;
    expect(
      amounts(thinned, report)
        .slice(-4, -2)
        .map((a) => [a.name, a.value]),
    ).toEqual([
      ["share", 30],
      ["depth", 40],
    ]);
    const weight: Move = {
      region: "everything",
      kind: { weight: { along: "vertical", thickness_mm: 15, from: "apex" } },
    };
    expect(techniquesOf(weight)).not.toContain("blunt");
    expect(techniquesOf(line)).toContain("blunt");
  });
});
