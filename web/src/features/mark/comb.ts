/** The comb as it is drawn: its length, graduations, and where a mark falls when it is longer than the comb. */
import type { LengthUnit } from "@/api";

/** A cutting comb's ruler, mm; 8 inches. */
export const COMB_MM: Record<LengthUnit, number> = { cm: 200, inch: 203.2 };
const STEP_MM: Record<LengthUnit, number> = { cm: 5, inch: 6.35 };
const NUMBERED: Record<LengthUnit, number> = { cm: 2, inch: 4 };

export interface Graduation {
  mm: number;
  label?: string;
}

export function graduations(unit: LengthUnit): Graduation[] {
  const step = STEP_MM[unit];
  const count = Math.round(COMB_MM[unit] / step);
  return Array.from({ length: count + 1 }, (_, i) => ({
    mm: i * step,
    label: i % NUMBERED[unit] === 0 ? String(i / NUMBERED[unit]) : undefined,
  }));
}

/** Whole combs first, then the rest on the comb: 265 mm is one comb of 200 mm and 65 mm. */
export function onTheComb(unit: LengthUnit, mm: number): { combs: number; rest: number } {
  const length = COMB_MM[unit];
  // A mark at the very end of the comb is read there, not at the start of the next.
  const combs = Math.max(0, Math.ceil(mm / length - 1e-9) - 1);
  return { combs, rest: mm - combs * length };
}
