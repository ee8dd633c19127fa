/** What is read by itself: a zone, or one half of a zone whose hair is not all of one kind. Which there are is the program's. */
import {
  contract,
  zoneValues,
  type Halving,
  type Patch,
  type PatchRule,
  type RawZoneReading,
  type Zone,
  type ZoneFigure,
  type ZoneHalf,
} from "@/api";
import { t } from "./words";

export type ZoneReadings = { [patch: string]: RawZoneReading | undefined };

/** A zone as it is kept once anything is said of it: with what is taken for granted written out. */
export const BLANK = contract.zone;

const RULES = new Map<string, PatchRule>(contract.patches.map((rule) => [rule.patch, rule]));

const halvesOf = (zone: Zone, halving: Halving) =>
  contract.patches.filter((rule) => rule.zone === zone && rule.halving === halving).map((rule) => rule.patch);

/** The ways in which a zone can be halved. */
export const halvingsOf = (zone: Zone): Halving[] => [
  ...new Set(contract.patches.flatMap((rule) => (rule.zone === zone && rule.halving ? [rule.halving] : []))),
];

export const isPatch = (name: string): name is Patch => RULES.has(name);
export const zoneOf = (patch: Patch): Zone => RULES.get(patch)!.zone;
export const halfOf = (patch: Patch): ZoneHalf | undefined => RULES.get(patch)?.half ?? undefined;

/** The zone on the other side, for those that have one. */
export const mirrored = (zone: Zone): Zone | undefined => RULES.get(zone)?.mirrored ?? undefined;

/** The way in which a zone is read in halves, if it is. */
export const halvingOf = (zones: ZoneReadings, zone: Zone): Halving | undefined =>
  halvingsOf(zone).find((halving) => halvesOf(zone, halving).some((half) => zones[half]));

/** The patches that are read, in walking order: both halves of a zone of which one is named. */
export function patchesOf(zones: ZoneReadings): Patch[] {
  return zoneValues.flatMap((zone): Patch[] => {
    const halving = halvingOf(zones, zone);
    return halving ? halvesOf(zone, halving) : [zone];
  });
}

const tellsTheCurl = (read: RawZoneReading) =>
  contract.figures.some(({ figure, tells_curl }) => tells_curl && read[figure]) || Boolean(read.again?.[0]);

/** Whether enough is known of a patch to compute with. */
export function isRead(zones: ZoneReadings, patch: Patch): boolean {
  const read = zones[patch];
  const hair = read?.like ? zones[read.like] : read;
  return Boolean(hair?.stretched_mm && !hair.like && tellsTheCurl(hair));
}

const without = (zones: ZoneReadings, gone: (name: Patch) => boolean): ZoneReadings =>
  Object.fromEntries(Object.entries(zones).filter(([name]) => !isPatch(name) || !gone(name)));

/** The zone read in halves, or whole again (`way` left out). What was measured goes to the first of them; what was like the
 * zone is like that one. */
export function halved(zones: ZoneReadings, zone: Zone, halving: Halving | undefined): ZoneReadings {
  const before = patchesOf(zones).filter((patch) => zoneOf(patch) === zone);
  const after = halving ? halvesOf(zone, halving) : [zone as Patch];
  const first = before.map((patch) => zones[patch]).find((read) => read && Object.keys(read).length > 2);
  const next = without(zones, (patch) => zoneOf(patch) === zone);
  after.forEach((patch, i) => (next[patch] = (i === 0 && first) || { ...BLANK }));
  for (const [name, read] of Object.entries(next)) {
    if (read?.like && before.includes(read.like)) next[name] = { ...read, like: after[0]! };
  }
  return next;
}

/** Figures that a patch read with another can have of its own: those that don't tell what kind of hair it is. */
export const OWN: readonly ZoneFigure[] = contract.figures
  .filter(({ figure, tells_kind }) => !tells_kind && figure !== "like" && !(figure in BLANK))
  .map((rule) => rule.figure);

/** The patch read with another, of whose kind its hair is; or by itself again. */
export function joined(zones: ZoneReadings, patch: Patch, like: Patch | undefined): ZoneReadings {
  const read = zones[patch] ?? {};
  const own = Object.fromEntries(OWN.filter((figure) => read[figure]).map((figure) => [figure, read[figure]]));
  const sources = Object.entries(read.with ?? {}).filter(([figure]) => figure in own);
  const next: RawZoneReading = { ...BLANK, ...own };
  if (sources.length > 0) next.with = Object.fromEntries(sources);
  if (like) next.like = like;
  return { ...zones, [patch]: next };
}

/** The patches that one can be read with: those that are read by themselves. None while others are like it. */
export function likeable(zones: ZoneReadings, patch: Patch): Patch[] {
  const leads = Object.values(zones).some((read) => read?.like === patch);
  return leads ? [] : patchesOf(zones).filter((other) => other !== patch && !zones[other]?.like);
}

/** A patch in words. */
export function sayPatch(patch: Patch): string {
  const { zone, half } = RULES.get(patch)!;
  const name = t(`zone-${zone}`, {});
  return half ? t(`half-${half}`, { zone: name }) : name;
}
