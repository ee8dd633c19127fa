import type { HeldState, Mark, SheetZone, ZoneMark } from "@/api";

export const keyOf = (state: HeldState) => `${state.moisture}_${state.comb}`;

/** Wet hair is always combed to be cut: there is no mark for it as it falls. */
export const exists = (state: HeldState) => !(state.moisture === "wet" && state.comb === "none");

export function sameState(a: HeldState | null | undefined, b: HeldState | null | undefined): boolean {
  return a?.moisture === b?.moisture && a?.comb === b?.comb;
}

export function markIn(zone: ZoneMark, state: HeldState) {
  return zone.states.find((row) => sameState(row.state, state));
}

/** The state to show beside the one advised: the same comb at another moisture, wet before dry. */
export function beside(state: HeldState): HeldState {
  if (state.moisture === "wet") return { moisture: "dry", comb: state.comb };
  return { moisture: "wet", comb: state.comb === "none" ? "medium" : state.comb };
}

export type Verdict =
  | { kind: "cut"; mark: Mark }
  | { kind: "leave" | "too_short" | "unsure"; mark?: Mark }
  | { kind: "missing"; fields: string[] };

/** What to do in a zone in a state. */
export function verdict(zone: SheetZone, state: HeldState): Verdict {
  if (!zone.result) return { kind: "missing", fields: zone.missing.map((m) => m.field) };
  const mark = markIn(zone.result, state)?.mark;
  if (!mark) return { kind: "unsure" };
  return { kind: mark.outcome.kind, mark };
}
