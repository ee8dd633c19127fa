import type { Change, ZoneChange } from "@/api";
import { sayPatch } from "@/shared/patches";
import { t } from "@/shared/words";

/** Changes in sentences, zones of which the same is to be said together, and last those that are as they were. */
export function sayChanges(zones: readonly ZoneChange[], length: (mm: number) => string): string[] {
  const name = (zone: ZoneChange) => sayPatch(zone.patch);
  const percent = (share: number) => Math.round(100 * share);
  const parts = (zone: ZoneChange): string[] => {
    const { shrinkage, stretched_mm, hairs_per_cm2 } = zone;
    const said: string[] = [];
    if (shrinkage.sure)
      said.push(
        t(shrinkage.now > shrinkage.before ? "since-shrinksMore" : "since-shrinksLess", {
          before: percent(shrinkage.before),
          now: percent(shrinkage.now),
        }),
      );
    if (stretched_mm.sure)
      said.push(
        t(stretched_mm.now > stretched_mm.before ? "since-longer" : "since-shorter", {
          by: length(Math.abs(stretched_mm.now - stretched_mm.before)),
        }),
      );
    if (hairs_per_cm2?.sure) said.push(t(denser(hairs_per_cm2), { ...hairs_per_cm2 }));
    return said;
  };
  const alike = new Map<string, ZoneChange[]>();
  for (const zone of zones) {
    const said = parts(zone).join(", ");
    alike.set(said, [...(alike.get(said) ?? []), zone]);
  }
  const where = (some: readonly ZoneChange[]) =>
    some.length === zones.length && some.length > 1 ? t("since-everywhere", {}) : some.map(name).join(", ");
  const same = alike.get("");
  alike.delete("");
  const lines = [...alike].map(([said, some]) => `${where(some)}: ${said}.`);
  return same ? [...lines, t("since-same", { zones: where(same) })] : lines;
}

const denser = (count: Change) => (count.now > count.before ? "since-denser" : "since-thinner");
