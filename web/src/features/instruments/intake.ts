/** What paired instruments still have to say of a zone, and where the hand goes next. */
import type { DeviceKind, Moisture, Patch, Quantity, RawZoneReading, TakenField, ZoneFigure } from "@/api";
import { figuresOf, isFigure } from "@/shared/figures";
import { alike } from "@/shared/plain";
import { isEmpty, omit } from "lodash-es";
import { BLANK, patchesOf, type ZoneReadings } from "@/shared/patches";

/** What the kinds of instrument measure that are asked of every zone, in the order in which they are asked. The meter and the
 * room's weather are for when they are wanted. */
const MEASURES = [
  ["comb", "length"],
  ["gauge", "width"],
  ["scope", "density"],
] as const satisfies readonly (readonly [DeviceKind, Quantity])[];

const missing = (value: unknown) => value === undefined || value === null;

/** What is still to be measured in a patch, in the order in which it is asked for. Of one that is like another only the length
 * is asked for: what kind of hair it is was read there. */
export function wanted(read: RawZoneReading | undefined, kinds: readonly DeviceKind[], wet = false): ZoneFigure[] {
  // The wet pass asks for the length let go wet, and for nothing that is as it was dry.
  const done = read?.like || (read?.moisture === "wet" && !missing(read.sprung_mm)) || !missing(read?.wet_sprung_mm);
  if (wet) return kinds.includes("comb") && !done ? ["wet_sprung_mm"] : [];
  const asked = MEASURES.filter(([kind]) => kinds.includes(kind)).flatMap(([, quantity]) => figuresOf(quantity));
  const dry = asked.filter((figure) => figure !== "wet_sprung_mm");
  return dry.filter((figure) => missing(read?.[figure]) && (!read?.like || figure === "stretched_mm"));
}

/** Where the hand goes once a zone is done: on round the head to the next that lacks something; nowhere when none does. */
export function onward(zones: ZoneReadings, from: Patch, kinds: readonly DeviceKind[], wet = false): Patch | undefined {
  const all = patchesOf(zones);
  const at = all.indexOf(from);
  const round = [...all.slice(at), ...all.slice(0, at)];
  return round.find((patch) => wanted(zones[patch], kinds, wet).length > 0);
}

/** A zone with one figure as it is in another reading of it, with what it was measured with; the rest as it stands now. */
export function withFigure(
  now: RawZoneReading | undefined,
  taken: Partial<RawZoneReading>,
  field: TakenField,
): RawZoneReading | undefined {
  if (!isFigure(field)) return now;
  const next: RawZoneReading = { ...BLANK, ...now, [field]: taken[field] };
  if (field === "moisture") return next;
  const source = taken.with?.[field];
  const measured = { ...omit(now?.with, field), ...(source && { [field]: source }) };
  if (isEmpty(measured)) delete next.with;
  else next.with = measured;
  // How moist the hair was belongs to the strand that was let go.
  if (field === "sprung_mm") next.moisture = taken.moisture as Moisture;
  return next;
}

/** The same zone with a figure as it was before it was taken, and what was said since as it stands; nothing of one of which
 * nothing is left. */
export function takenBack(
  now: RawZoneReading | undefined,
  before: RawZoneReading | undefined,
  field: TakenField,
): RawZoneReading | undefined {
  const next = withFigure(now, before ?? BLANK, field);
  return !before && alike(next, BLANK) ? undefined : next;
}
