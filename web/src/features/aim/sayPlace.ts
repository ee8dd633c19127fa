import type { LengthUnit, Place, ZoneAim } from "@/api";
import { say } from "@/shared/lengths";
import { t } from "@/shared/words";

/** A place in words: "chin", "2.0 cm below the chin". */
export function sayPlace(place: Place, unit: LengthUnit): string {
  const point = t(`point-${place.point}`, {});
  const below = place.below_mm ?? 0;
  if (Math.abs(below) < 0.05) return point;
  return t(below > 0 ? "aim-below" : "aim-above", { length: say(unit, Math.abs(below)), point });
}

/** A wish in words: the place where the hair should land, or how long it should be worn. */
export function sayWish(wish: ZoneAim, unit: LengthUnit): string {
  if (wish.lands) return sayPlace(wish.lands, unit);
  return wish.worn_mm ? t("aim-wornLength", { length: say(unit, wish.worn_mm) }) : "";
}
