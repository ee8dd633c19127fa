import type { LengthUnit, Reason } from "@/api";
import { say } from "@/shared/lengths";

type Say = (key: string, named: Record<string, unknown>) => string;

/** A reason in the person's words: lengths in their unit, states by name. */
export function sayReason(reason: Reason, unit: LengthUnit, t: Say): string {
  const named: Record<string, unknown> = {};
  for (const [name, value] of Object.entries(reason.values)) {
    named[name] = name.endsWith("_mm") ? say(unit, value) : Math.round(value);
  }
  if (reason.state) named.state = t(`states.${reason.state}`, {});
  if (reason.other_state) named.other_state = t(`states.${reason.other_state}`, {});
  const text = t(`reasons.${reason.code}`, named);
  return text.charAt(0).toUpperCase() + text.slice(1);
}
