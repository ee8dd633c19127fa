/** The client's own tone of hair, for drawing only. */
import { zoneValues, type HairTone, type Zone } from "@/api";
import { isRead, patchesOf, zoneOf, type ZoneReadings } from "@/shared/patches";
import type { Colour, Tones } from "./paint";

/** A lock in full light, red, green, blue. */
export const COLOURS: Record<HairTone, Colour> = {
  black: [52, 44, 42],
  dark_brown: [84, 58, 44],
  brown: [122, 82, 56],
  light_brown: [158, 116, 78],
  red: [170, 84, 46],
  dark_blond: [186, 148, 98],
  blond: [222, 188, 128],
  grey: [160, 160, 162],
  white: [226, 226, 224],
};
/** Where no tone is read. */
const USUAL: HairTone = "brown";

/** A colour as it is written. */
const coloured = (written: string): Colour =>
  [1, 3, 5].map((at) => parseInt(written.slice(at, at + 2), 16)) as unknown as Colour;

/** The tone of each zone: its own, or of the zone next to it in walking order that has one. */
export function tonesOf(zones: ZoneReadings): Tones {
  const read = new Map<Zone, Colour>();
  for (const patch of patchesOf(zones).filter((name) => isRead(zones, name))) {
    const { tone, colour } = zones[patch] ?? {};
    if (colour) read.set(zoneOf(patch), coloured(colour));
    else if (tone) read.set(zoneOf(patch), COLOURS[tone]);
  }
  const known = zoneValues.flatMap((zone, at) => (read.has(zone) ? [{ at, colour: read.get(zone)! }] : []));
  const tones = Object.fromEntries(
    zoneValues.map((zone, at) => {
      const near = [...known].sort((a, b) => Math.abs(a.at - at) - Math.abs(b.at - at))[0];
      return [zone, near?.colour ?? COLOURS[USUAL]];
    }),
  );
  return tones as Record<Zone, Colour>;
}

/** What light wet hair sends back of what dry hair does: water between the fibres leads it further in. */
const WET_LIGHT = 0.62;

/** The same hair wet. */
export function soaked(tones: Tones): Tones {
  const darker = ([red, green, blue]: Colour): Colour => [WET_LIGHT * red, WET_LIGHT * green, WET_LIGHT * blue];
  return Object.fromEntries(Object.entries(tones).map(([zone, tone]) => [zone, darker(tone)])) as Record<Zone, Colour>;
}
