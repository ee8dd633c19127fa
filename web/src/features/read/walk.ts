/** The walk round the head: what Enter goes to next. */
import type { Patch } from "@/api";
import { isRead, patchesOf, type ZoneReadings } from "@/shared/patches";

export const STEPS = ["stretched_mm", "sprung_mm", "width"] as const;
export type Step = (typeof STEPS)[number];

export interface Stop {
  patch: Patch;
  step: Step;
}

/** Every stop in order. Of a patch whose hair is like another's only the length is asked for. */
const stops = (zones: ZoneReadings): Stop[] =>
  patchesOf(zones).flatMap((patch) =>
    (zones[patch]?.like ? STEPS.slice(0, 1) : STEPS).map((step) => ({ patch, step })),
  );

/** The next stop, or the one before; at either end of the walk it stays. */
export function walk(zones: ZoneReadings, from: Stop, by: 1 | -1): Stop {
  const all = stops(zones);
  const at = all.findIndex((stop) => stop.patch === from.patch && stop.step === from.step);
  return all[Math.max(0, Math.min(all.length - 1, at + by))]!;
}

/** The neighbouring patch in walking order, round and round. */
export function neighbour(zones: ZoneReadings, patch: Patch, by: 1 | -1): Patch {
  const all = patchesOf(zones);
  return all[(all.indexOf(patch) + by + all.length) % all.length]!;
}

/** The first patch that is not read yet, or the first of all. */
export function firstOpen(zones: ZoneReadings): Patch {
  const all = patchesOf(zones);
  return all.find((patch) => !isRead(zones, patch)) ?? all[0]!;
}
