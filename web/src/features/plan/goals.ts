/** What a person turns a plan by, as wishes: where the line lands, how long the top is, how wide it is at the chin, the fringe. */
import { placeAt, sayPlace, widthAt } from "@/features/aim";
import type { Aim, Fall, Figure, LengthUnit, Zone, ZoneAim } from "@/api";
import { heightOf } from "@/shared/headDrawing";

/** Zones whose ends make the line, and zones that make the top. */
const LINE: readonly Zone[] = ["nape", "back_lower", "left_side", "right_side"];
const TOP: readonly Zone[] = ["top", "crown"];
/** The shortest top and the narrowest width that can be turned to, as shares of what there is. */
const SHORTEST = 0.2;
const NARROWEST = 0.55;
const WIDEST = 1.15;
/** Lengths and widths are turned by so much, mm; nearer than half of it to what there is, nothing is wished. */
export const STEP_MM = 5;

/** A slider: from where to where, where it stands, and how it is; mm. */
export interface Goal {
  least: number;
  most: number;
  now: number;
  value: number;
}

const step = (mm: number) => Math.round(mm / STEP_MM) * STEP_MM;
const isNow = (goal: Goal, value: number) => Math.abs(value - goal.now) < STEP_MM / 2;
const zoneOf = (fall: Fall, zone: Zone) => fall.zones.find((known) => known.zone === zone);

function mean(fall: Fall, zones: readonly Zone[], of: (zone: Fall["zones"][number]) => number): number {
  const known = fall.zones.filter(({ zone }) => zones.includes(zone)).map(of);
  return known.length > 0 ? known.reduce((sum, mm) => sum + mm, 0) / known.length : 0;
}

/** With a wish for a zone, or without one. */
function wishing(aim: Aim, wishes: readonly (readonly [Zone, ZoneAim | undefined])[]): Aim {
  const zones = { ...aim.zones };
  for (const [zone, wish] of wishes) {
    if (wish) zones[zone] = wish;
    else delete zones[zone];
  }
  return { ...aim, zones };
}

/** How long a zone is to be worn: what is wished by a place is shorter by as much as that lies above its ends. */
function wornWish({ zone, worn_mm, ends_at_mm }: Fall["zones"][number], aim: Aim, figure: Figure): number {
  const wish = aim.zones[zone];
  if (!wish?.lands) return Math.min(wish?.worn_mm ?? worn_mm, worn_mm);
  const height = heightOf(figure, wish.lands.point) - (wish.lands.below_mm ?? 0);
  return worn_mm - Math.max(0, height - ends_at_mm);
}

/** Worn length on top. */
export function topGoal(aim: Aim, before: Fall, figure: Figure): Goal {
  const now = mean(before, TOP, (zone) => zone.worn_mm);
  const value = mean(before, TOP, (zone) => wornWish(zone, aim, figure));
  return { least: Math.min(step(SHORTEST * now), Math.floor(value)), most: Math.ceil(now), now, value };
}

export function withTop(aim: Aim, before: Fall, figure: Figure, worn_mm: number): Aim {
  const kept = isNow(topGoal(aim, before, figure), worn_mm);
  const wish = (zone: Zone): ZoneAim | undefined =>
    kept ? undefined : { worn_mm: Math.min(worn_mm, Math.round(zoneOf(before, zone)?.worn_mm ?? worn_mm)) };
  return wishing(
    aim,
    TOP.map((zone) => [zone, wish(zone)] as const),
  );
}

/** Width at the chin, from the front. */
export function widthGoal(aim: Aim, before: Fall, figure: Figure): Goal {
  const now = widthAt(before.front, heightOf(figure, "chin"));
  const wished = (aim.widths ?? []).find(({ at }) => at.point === "chin" && !at.below_mm);
  return { least: step(NARROWEST * now), most: step(WIDEST * now), now, value: wished?.width_mm ?? now };
}

export function withWidth(aim: Aim, before: Fall, figure: Figure, width_mm: number): Aim {
  const others = (aim.widths ?? []).filter(({ at }) => at.point !== "chin" || at.below_mm);
  if (isNow(widthGoal(aim, before, figure), width_mm)) return { ...aim, widths: others };
  return { ...aim, widths: [...others, { at: { point: "chin", below_mm: 0 }, width_mm }] };
}

/** How far below the ear canals the line ends, mm. */
export function lineGoal(aim: Aim, before: Fall, figure: Figure): Goal {
  const now = -mean(before, ["nape"], (zone) => zone.ends_at_mm);
  const place = LINE.flatMap((zone) => aim.zones[zone]?.lands ?? [])[0];
  const wished = place && (place.below_mm ?? 0) - heightOf(figure, place.point);
  const most = Math.max(now, wished ?? now);
  return { least: Math.min(step(-heightOf(figure, "lip")), most), most, now, value: wished ?? now };
}

export function withLine(aim: Aim, before: Fall, figure: Figure, below_mm: number): Aim {
  const kept = isNow(lineGoal(aim, before, figure), below_mm);
  const wish = (name: Zone): readonly [Zone, ZoneAim | undefined][] => {
    if (kept) return aim.zones[name]?.lands ? [[name, undefined]] : [];
    const zone = figure.zones.find((known) => known.zone === name);
    const reaches = (zoneOf(before, name)?.ends_at_mm ?? 0) <= -below_mm + STEP_MM;
    const lands = zone && reaches ? placeAt(figure, zone, -below_mm) : undefined;
    return lands ? [[name, { lands }]] : [];
  };
  return wishing(aim, LINE.flatMap(wish));
}

/** Where the line lands, in words. */
export function sayLine(figure: Figure, below_mm: number, unit: LengthUnit): string {
  const nape = figure.zones.find(({ zone }) => zone === "nape");
  const place = nape && placeAt(figure, nape, -below_mm);
  return place ? sayPlace(place, unit) : "";
}

/** Whether the fringe is to stay as long as it is. */
export const isFringeKept = (aim: Aim, before: Fall): boolean =>
  Math.abs((aim.zones.fringe?.worn_mm ?? 0) - (zoneOf(before, "fringe")?.worn_mm ?? -100)) < STEP_MM;

export function withFringe(aim: Aim, before: Fall, kept: boolean): Aim {
  const worn = zoneOf(before, "fringe")?.worn_mm;
  return wishing(aim, [["fringe", kept && worn ? { worn_mm: Math.floor(worn) } : undefined]]);
}
