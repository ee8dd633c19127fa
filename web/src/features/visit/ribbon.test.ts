import type { Visit } from "@/api";
import { describe, expect, it } from "vitest";
import { ribbon } from "./ribbon";

function visit(documents: Partial<Record<"talk" | "read" | "aim", object>>): Visit {
  const list = Object.entries(documents).map(([stage, body]) => ({
    stage,
    body,
    version: 1,
    saved_by: "",
    saved_at: "",
  }));
  return { id: "", on_date: "2026-01-01", stylist: "", client: {}, documents: list } as unknown as Visit;
}

describe("the ribbon of a visit", () => {
  it("is open before anything was said", () => {
    expect(ribbon(visit({})).map((s) => s.state)).toEqual(["open", "open", "open", "open", "open"]);
  });

  it("says how many zones are read, and that a mark needs both reading and aim", () => {
    const zones = { top: { stretched_mm: 300, sprung_mm: 150 }, nape: { stretched_mm: 200 } };
    const aims = { top: { lands: { point: "chin" } }, nape: { lands: { point: "shoulder" } } };
    const stages = ribbon(visit({ talk: {}, read: { zones }, aim: { risk: 0.05, zones: aims } }));
    expect(stages.map((s) => [s.name, s.state, s.zones])).toEqual([
      ["talk", "done", undefined],
      ["read", "part", 1],
      ["aim", "done", 2],
      ["plan", "open", undefined],
      ["mark", "part", 1],
    ]);
  });

  it("counts halves by themselves, and a zone that is like another once that one is read", () => {
    const zones = {
      top_left: { stretched_mm: 300, curl: "coil" },
      top_right: { stretched_mm: 280 },
      crown: { like: "top_left" },
      nape: { like: "top_right" },
    };
    const aims = { top: { lands: { point: "chin" } }, crown: { lands: { point: "chin" } } };
    const [, reading, , , mark] = ribbon(visit({ read: { zones }, aim: { risk: 0.05, zones: aims } }));
    expect(reading).toMatchObject({ state: "part", zones: 2, of: 9 });
    expect(mark).toMatchObject({ state: "part", zones: 2 });
  });
});
