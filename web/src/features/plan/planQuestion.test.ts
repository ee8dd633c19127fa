import type { Visit } from "@/api";
import { contract } from "@/api";
import { describe, expect, it } from "vitest";
import { boxOf } from "./frame";
import { planQuestion } from "./planQuestion";

const plan = contract.stages.plan;
const visit = (zones: object) =>
  ({ documents: [{ stage: "read", version: 1, body: { ...contract.stages.read, zones } }] }) as unknown as Visit;

describe("what a plan's fall is asked for with", () => {
  it("is nothing while no zone is read, and then the reading, the way it is worn and the plan", () => {
    expect(planQuestion(visit({}), plan)).toBeUndefined();
    const zones = { top: { moisture: "dry", strands: 1, stretched_mm: 300, sprung_mm: 200 } };
    expect(planQuestion(visit(zones), plan)).toMatchObject({ reading: { zones }, plan, ties_back: false });
  });

  it("is seen in a frame from its top to its bottom", () => {
    expect(boxOf({ half: 150, top: 180, bottom: -220 })).toEqual([-150, -180, 300, 400]);
  });
});
