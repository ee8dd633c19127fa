/** The walk round the head: what Enter goes to next. */
import type { RawZoneReading, Zone } from "@/api";
import { ZONES } from "@/shared/zones";

export const STEPS = ["stretched_mm", "sprung_mm", "width"] as const;
export type Step = (typeof STEPS)[number];

export interface Place {
  zone: Zone;
  step: Step;
}

/** The next step, or the one before; at either end of the walk it stays. */
export function walk({ zone, step }: Place, by: 1 | -1): Place {
  const at = ZONES.indexOf(zone) * STEPS.length + STEPS.indexOf(step) + by;
  const bounded = Math.max(0, Math.min(ZONES.length * STEPS.length - 1, at));
  return { zone: ZONES[Math.floor(bounded / STEPS.length)]!, step: STEPS[bounded % STEPS.length]! };
}

/** The neighbouring zone in walking order, round and round. */
export function neighbour(zone: Zone, by: 1 | -1): Zone {
  return ZONES[(ZONES.indexOf(zone) + by + ZONES.length) % ZONES.length]!;
}

/** The first zone that still lacks a length, or the first of all. */
export function firstOpen(zones: { [key: string]: RawZoneReading }): Zone {
  return ZONES.find((zone) => !zones[zone]?.stretched_mm || !zones[zone]?.sprung_mm) ?? ZONES[0]!;
}
