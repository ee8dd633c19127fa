/** The walk round the head: what Enter goes to next. */
import type { Patch } from "@/api";
import { isRead, patchesOf, type ZoneReadings } from "@/shared/patches";

const STEPS = { dry: ["stretched_mm", "sprung_mm", "width"], wet: ["wet_sprung_mm"] } as const;
/** Once round the head dry, and once more wet, if that is wanted. */
export type Pass = keyof typeof STEPS;
export type Step = (typeof STEPS)[Pass][number];

export interface Stop {
  patch: Patch;
  step: Step;
}

/** Every stop in order. Of a patch whose hair is like another's only the length is asked for, and nothing wet. */
const stops = (zones: ZoneReadings, pass: Pass): Stop[] =>
  patchesOf(zones).flatMap((patch): Stop[] => {
    const steps: readonly Step[] = STEPS[pass];
    const asked = zones[patch]?.like ? steps.filter((step) => step === "stretched_mm") : steps;
    return asked.map((step) => ({ patch, step }));
  });

/** Where a pass begins in a patch. */
export const firstStep = (pass: Pass): Step => STEPS[pass][0];

/** The next stop, or the one before; at either end of the walk it stays. */
export function walk(zones: ZoneReadings, pass: Pass, from: Stop, by: 1 | -1): Stop {
  const all = stops(zones, pass);
  const at = all.findIndex((stop) => stop.patch === from.patch && stop.step === from.step);
  return all[Math.max(0, Math.min(all.length - 1, at + by))] ?? from;
}

/** The neighbouring patch in walking order, round and round. */
export function neighbour(zones: ZoneReadings, patch: Patch, by: 1 | -1): Patch {
  const all = patchesOf(zones);
  return all[(all.indexOf(patch) + by + all.length) % all.length]!;
}

/** The first patch that the pass still asks for, or the first of all. */
export function firstOpen(zones: ZoneReadings, pass: Pass): Patch {
  const all = patchesOf(zones);
  const open = (patch: Patch) =>
    pass === "dry" ? !isRead(zones, patch) : !zones[patch]?.like && !zones[patch]?.wet_sprung_mm;
  return all.find(open) ?? all[0]!;
}
