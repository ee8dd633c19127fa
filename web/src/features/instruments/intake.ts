/** What paired instruments still have to say of a zone, and where the hand goes next. */
import type { DeviceKind, Moisture, Patch, RawZoneReading, TakenField } from "@/api";
import { BLANK, patchesOf, type ZoneReadings } from "@/shared/patches";

/** What a kind of instrument gives of every zone. The meter and the room's weather are for when they are wanted. */
const GIVES: { [K in DeviceKind]: readonly (keyof RawZoneReading & TakenField)[] } = {
  comb: ["stretched_mm", "sprung_mm"],
  gauge: ["width_um"],
  scope: ["hairs_per_cm2"],
  meter: [],
  room: [],
};

const missing = (value: unknown) => value === undefined || value === null;

/** What is still to be measured in a patch, in the order in which it is asked for. Of one that is like another only the length
 * is asked for: what kind of hair it is was read there. */
export function wanted(
  read: RawZoneReading | undefined,
  kinds: readonly DeviceKind[],
  wet = false,
): (keyof RawZoneReading)[] {
  // The wet pass asks for the length let go wet, and for nothing that is as it was dry.
  const done = read?.like || (read?.moisture === "wet" && !missing(read.sprung_mm)) || !missing(read?.wet_sprung_mm);
  if (wet) return kinds.includes("comb") && !done ? ["wet_sprung_mm"] : [];
  const order = ["comb", "gauge", "scope"] as const;
  const fields = order.filter((kind) => kinds.includes(kind)).flatMap((kind) => GIVES[kind]);
  return fields.filter((field) => missing(read?.[field]) && (!read?.like || field === "stretched_mm"));
}

/** Where the hand goes once a zone is done: on round the head to the next that lacks something; nowhere when none does. */
export function onward(zones: ZoneReadings, from: Patch, kinds: readonly DeviceKind[], wet = false): Patch | undefined {
  const all = patchesOf(zones);
  const at = all.indexOf(from);
  const round = [...all.slice(at), ...all.slice(0, at)];
  return round.find((patch) => wanted(zones[patch], kinds, wet).length > 0);
}

/** A zone with one figure as the core took it, the rest as it stands now. */
export function withFigure(
  now: RawZoneReading | undefined,
  taken: RawZoneReading,
  field: TakenField,
): RawZoneReading | undefined {
  if (field === "temperature_c" || field === "humidity_pct") return now;
  const next: RawZoneReading = { ...BLANK, ...now, [field]: taken[field] };
  if (field === "moisture") return next;
  next.with = { ...now?.with, [field]: taken.with?.[field] };
  // How moist the hair was belongs to the strand that was let go.
  if (field === "sprung_mm") next.moisture = taken.moisture as Moisture;
  return next;
}
