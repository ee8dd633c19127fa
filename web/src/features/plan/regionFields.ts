/** The fields of a region by itself; those of the regions within it are their own. */
import { zoneValues, type Landmark, type Offset, type Parting, type Region, type Zone } from "@/api";
import { check, choice, number, wide, type Field } from "@/shared/fields";
import { landmarkChoices, named } from "@/shared/choices";
import { t } from "@/shared/words";
import { landmarkOf } from "./how";
import { REGION_KINDS, kindOf, regionOf, type RegionKind } from "./regions";

/** Holds a region, which becomes another kind as a whole. */
export interface Held {
  region: Region;
}

type SideOf = Extract<Region, { side_of: unknown }>["side_of"];
const NONE = "none" as const;

export function regionFields(region: Region, label: string): Field<Held>[] {
  return [
    wide(
      choice<Held, RegionKind>("kind", label, named(REGION_KINDS, "plan-regions"), kindOf(region), (held, kind) => {
        held.region = regionOf(kind, region);
      }),
    ),
    ...(region === "everything" ? [] : ownFields(region)),
  ];
}

function ownFields(region: Exclude<Region, string>): Field<Held>[] {
  if ("zone" in region)
    return [
      choice<Held, Zone>("zone", t("plan-zone"), named(zoneValues, "zone"), region.zone, (held, zone) => {
        held.region = { zone };
      }),
    ];
  if ("edge" in region)
    return [
      number("edge.within_mm", t("plan-within"), region.edge.within_mm, (held, within_mm) => {
        held.region = { edge: { within_mm } };
      }),
    ];
  return "side_of" in region ? sideFields(region.side_of) : [];
}

const put = (held: Held, side_of: SideOf) => (held.region = { side_of });

function sideFields(side: SideOf): Field<Held>[] {
  const { parting } = side;
  const setZigzag = (held: Held, mm: number) => {
    const next = { ...parting };
    delete next.zigzag_mm;
    if (mm) next.zigzag_mm = mm;
    put(held, { ...side, parting: next });
  };
  return [
    check("side_of.parting.own", t("plan-ownParting"), parting.own ?? false, (held, own) => {
      const next: Parting = own ? { own: true } : { through: ["hairline_centre", "apex", "occipital"] };
      if (parting.zigzag_mm) next.zigzag_mm = parting.zigzag_mm;
      put(held, { with: side.with, parting: next });
    }),
    ...(parting.own ? [] : throughFields(side)),
    choice<Held, Landmark>("side_of.with", t("plan-sideWith"), landmarkChoices(), side.with, (held, landmark) =>
      put(held, { parting, with: landmark }),
    ),
    {
      ...number<Held>("side_of.parting.zigzag_mm", t("plan-zigzag"), parting.zigzag_mm ?? undefined, setZigzag),
      clear: (held) => setZigzag(held, 0),
    },
  ];
}

/** The landmarks that a parting runs over: two, or three. */
function throughFields(side: SideOf): Field<Held>[] {
  const through = (side.parting.through ?? []).map(landmarkOf);
  const set = (held: Held, at: number, landmark: Landmark | typeof NONE) => {
    const next = [...(side.parting.through ?? [])];
    if (landmark === NONE) next.splice(at, 1);
    else next[at] = landmark;
    const parting = { ...side.parting, through: next };
    delete parting.own;
    put(held, { ...side, parting });
  };
  return [
    choice<Held, Landmark>(
      "side_of.parting.through",
      t("plan-partingFrom"),
      landmarkChoices(),
      through[0],
      (held, next) => set(held, 0, next),
    ),
    choice<Held, Landmark>("side_of.parting.over", t("plan-partingOver"), landmarkChoices(), through[1], (held, next) =>
      set(held, 1, next),
    ),
    choice<Held, Landmark | typeof NONE>(
      "side_of.parting.to",
      t("plan-partingTo"),
      [{ value: NONE, label: t("plan-noThird") }, ...landmarkChoices()],
      through[2] ?? NONE,
      (held, next) => set(held, 2, next),
    ),
  ];
}

/** How far each point of the parting lies from its landmark. */
const OFFSETS = ["behind_mm", "above_mm"] as const;

export function offsetFields(region: Region): Field<Held>[] {
  if (region === "everything" || !("side_of" in region) || region.side_of.parting.own) return [];
  const side = region.side_of;
  const anchors = side.parting.through ?? [];
  return anchors.flatMap((anchor, at) => {
    const landmark = landmarkOf(anchor);
    const offset: Offset = {
      at: landmark,
      behind_mm: 0,
      above_mm: 0,
      left_mm: 0,
      ...(typeof anchor === "object" && anchor),
    };
    const set = (held: Held, of: (typeof OFFSETS)[number], mm: number) => {
      const next = { ...offset, [of]: mm };
      const through = [...anchors];
      through[at] = next.behind_mm || next.above_mm || next.left_mm ? next : landmark;
      put(held, { ...side, parting: { ...side.parting, through } });
    };
    return OFFSETS.map((of): Field<Held> => ({
      ...number<Held>(
        `side_of.parting.through.${at}.${of}`,
        t(`plan-offsets-${of}`, { landmark: t(`landmark-${landmark}`) }),
        offset[of] ?? 0,
        (held, mm) => set(held, of, mm),
      ),
      clear: (held) => set(held, of, 0),
    }));
  });
}
