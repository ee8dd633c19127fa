import type { Visit } from "@/api";
import { contract } from "@/api";
import { describe, expect, it } from "vitest";
import { planQuestion, uncutQuestion } from "./questions";

const plan = contract.stages.plan;
const visit = (zones: object) =>
  ({ documents: [{ stage: "read", version: 1, body: { ...contract.stages.read, zones } }] }) as unknown as Visit;

describe("what a plan's fall is asked for with", () => {
  it("is nothing while no zone is read, and then the reading, the way it is worn and the plan", () => {
    expect(planQuestion(visit({}), plan)).toBeUndefined();
    const zones = { top: { moisture: "dry", strands: 1, stretched_mm: 300, sprung_mm: 200 } };
    expect(planQuestion(visit(zones), plan)).toMatchObject({ reading: { zones }, plan, ties_back: false });
  });

  it("goes with what was said and wished, and with what the house objects to", () => {
    const zones = { top: { moisture: "dry", strands: 1, stretched_mm: 300, sprung_mm: 200 } };
    const asked = planQuestion(visit(zones), plan, { triangle: 1.5 });
    expect(asked).toMatchObject({
      talk: contract.stages.talk,
      aim: contract.stages.aim,
      thresholds: { triangle: 1.5 },
    });
    expect(uncutQuestion(visit({}))).toBeUndefined();
    // Hair as it is doesn't depend on any of that.
    expect(Object.keys(uncutQuestion(visit(zones))!).sort()).toEqual([
      "climate",
      "front_straight",
      "plan",
      "reading",
      "ties_back",
      "worn",
    ]);
  });
});
