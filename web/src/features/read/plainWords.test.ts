import type { ReadingSummary } from "@/api";
import { t } from "@/shared/words";
import { describe, expect, it } from "vitest";
import { curlLine } from "./curlLine";
import { plainWords } from "./plainWords";

const length = (mm: number) => `${mm / 10} cm`;

function summary(zones: object[], sides_differ_by?: number): ReadingSummary {
  return { zones: zones.map((zone) => ({ gaps: [], ...zone })), sides_differ_by } as unknown as ReadingSummary;
}

describe("a reading in plain words", () => {
  it("says nothing of what isn't known", () => {
    expect(plainWords(summary([]), length)).toEqual([]);
  });

  it("says what is unusual and what it means for the cut", () => {
    const unusual = [
      { kind: "zones_differ", most: "nape", least: "top", by: 0.27 },
      { kind: "springs", patch: "crown", mm: 8 },
      { kind: "stubborn", patch: "fringe" },
      { kind: "long_for_density", strong_mm: 150, longest_mm: 260 },
    ];
    const said = plainWords({ ...summary([]), unusual } as ReadingSummary, length);
    expect(said).toHaveLength(4);
    expect(said[0]).toMatch(/Nape shrinks by 27 points more than Top/);
    expect(said[1]).toContain("another 0.8 cm at Crown");
    expect(said[2]).toContain("Fringe");
    expect(said[3]).toMatch(/15 cm.*26 cm.*15 cm/);
  });

  it("says what was only seen and what measuring would make of it, and what the air of the room did", () => {
    const zones = summary([
      { patch: "left_side_front", shrinkage: 0.4, worn_sd_mm: 31, let_go_sd_mm: 9, gaps: ["sprung"] },
      { patch: "nape", gaps: ["stretched", "sprung"] },
    ]);
    const unusual = [{ kind: "air_apart", damp: true, humidity_pct: 84.4 }];
    const said = plainWords({ ...zones, unusual } as ReadingSummary, length).join("\n");
    expect(said).toMatch(
      /No sprung length measured: Left side, in front\. Measuring one would make ± 3\.1 cm about ± 0\.9 cm/,
    );
    expect(said).toMatch(/Not read yet: Nape\./);
    expect(said).toMatch(/The air held 84 % .*damp/);
    expect(said).not.toMatch(/Low confidence/);
  });

  it("names the zones that shrink most and least, or that all shrink alike", () => {
    const spread = plainWords(
      summary([
        { patch: "nape", shrinkage: 0.62 },
        { patch: "top", shrinkage: 0.31 },
      ]),
      length,
    );
    expect(spread).toHaveLength(1);
    expect(spread[0]).toContain("62");
    expect(spread[0]).toContain("31");
    expect(spread[0]!.toLowerCase()).toMatch(/nape.*top/);
    const even = plainWords(
      summary([
        { patch: "nape", shrinkage: 0.501 },
        { patch: "top", shrinkage: 0.499 },
      ]),
      length,
    );
    expect(even[0]).toContain("50");
    expect(even[0]!.toLowerCase()).not.toContain("nape");
  });

  it("says which side shrinks more, what is missing, and what is vague", () => {
    const zones = [
      { patch: "left_side", shrinkage: 0.5, gaps: ["width"], width_moves_mm: 7, worn_sd_mm: 20, more_sd_mm: 11 },
      { patch: "crown", gaps: ["stretched", "sprung"] },
    ];
    const left = plainWords(summary(zones, 0.06), length);
    const right = plainWords(summary(zones, -0.06), length);
    expect(left).toHaveLength(5);
    expect(left[1]).not.toBe(right[1]);
    expect(left[1]).toContain("6");
    expect(left[2]).toContain(t("zone-crown"));
    for (const line of left.slice(3)) expect(line).toContain(t("zone-left_side"));
    expect(left[3]).toContain("up to 0.7 cm");
    expect(left[4]).toContain("± 2 cm about ± 1.1 cm");
  });

  it("says how far the hair is full, and how surely that is known", () => {
    const of = (gathered: object) => plainWords({ ...summary([]), gathered } as unknown as ReadingSummary, length);
    expect(of({ shares: [1, 0.2], strong_mm: 310, strong_sd_mm: 12 })[0]).toMatch(/31 cm.*1\.2 cm/);
    expect(of({ shares: [1, 0.9], strong_mm: 400, strong_sd_mm: null })[0]).toMatch(/40 cm/);
  });
});

describe("the sample of a curl", () => {
  const numbers = (path: string) =>
    path
      .slice(1)
      .split("L")
      .map((p) => p.split(" ").map(Number));

  it("stays within its line and has no gaps, however tight or wide the curl", () => {
    for (const radius of [0.6, 3, 9, 60, 4000]) {
      for (const shrinkage of [0, 0.3, 0.75, 0.97]) {
        const points = numbers(curlLine(radius, shrinkage));
        for (const [x, y] of points) {
          expect(Number.isFinite(x) && Number.isFinite(y)).toBe(true);
          expect(y).toBeGreaterThanOrEqual(0);
          expect(y).toBeLessThanOrEqual(26);
        }
      }
    }
  });

  it("has more turns the more the hair shrinks", () => {
    const turns = (path: string) => {
      const ys = numbers(path).map(([, y]) => y!);
      return ys.filter((y, i) => i > 0 && i < ys.length - 1 && y < ys[i - 1]! && y <= ys[i + 1]!).length;
    };
    expect(turns(curlLine(5, 0.8))).toBeGreaterThan(turns(curlLine(5, 0.2)));
  });
});
