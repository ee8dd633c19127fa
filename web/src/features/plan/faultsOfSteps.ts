/** What is wrong with the figures of a cut's steps, by step and field. */
import { Refused, type FieldFault } from "@/api";

export interface StepFault extends Pick<FieldFault, "message"> {
  /** Number of the step, from 0. */
  step: number;
  /** The figure within the step. */
  field: string;
}

/** Found when the plan was saved, or when its fall was asked for: both know of steps by where these stand in what was sent. */
export function faultsOfSteps(saved: readonly FieldFault[], asked: unknown): StepFault[] {
  const computed = asked instanceof Refused && asked.problem.code === "fields" ? asked.problem.fields : [];
  const found = new Map<string, StepFault>();
  for (const { field, message } of [...saved, ...computed]) {
    const place = /^(?:plan\.)?cut\.moves\.(\d+)\.(.+)$/.exec(field);
    if (place) found.set(`${place[1]} ${place[2]}`, { step: Number(place[1]), field: place[2]!, message });
  }
  return [...found.values()];
}
