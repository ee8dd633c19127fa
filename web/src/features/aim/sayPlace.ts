import type { LengthUnit, Place } from "@/api";
import { say } from "@/shared/lengths";

type Say = (key: string, named: Record<string, unknown>) => string;

/** A place in words: "chin", "2.0 cm below the chin". */
export function sayPlace(place: Place, unit: LengthUnit, t: Say): string {
  const point = t(`point.${place.point}`, {});
  const below = place.below_mm ?? 0;
  if (Math.abs(below) < 0.05) return point;
  return t(below > 0 ? "aim.below" : "aim.above", { length: say(unit, Math.abs(below)), point });
}
