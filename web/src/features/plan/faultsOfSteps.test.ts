import { Refused, type FieldFault, type ProblemDetails } from "@/api";
import { describe, expect, it } from "vitest";
import { faultsOfSteps } from "./faultsOfSteps";

const fault = (field: string): FieldFault => ({
  field,
  message: { id: "fault-missing" },
  problem: { kind: "missing" },
});
const refused = (code: string, fields: FieldFault[]) =>
  new Refused({ code, fields, detail: "", message: { id: "error-fields" } } as unknown as ProblemDetails);

describe("faults of a cut's steps", () => {
  it("are those of the saved document and of what was asked, each once", () => {
    const found = faultsOfSteps(
      [fault("cut.moves.1.kind.sections.length.worn_mm"), fault("cut.name")],
      refused("fields", [
        fault("plan.cut.moves.1.kind.sections.length.worn_mm"),
        fault("plan.cut.moves.12.technique.share"),
        fault("reading.hairs_per_cm2"),
      ]),
    );
    expect(found.map(({ step, field }) => [step, field])).toEqual([
      [1, "kind.sections.length.worn_mm"],
      [12, "technique.share"],
    ]);
  });

  it("are none where something else failed", () => {
    expect(faultsOfSteps([], new Error("unreachable"))).toEqual([]);
    expect(faultsOfSteps([], refused("busy", [fault("plan.cut.moves.1.off")]))).toEqual([]);
  });
});
