/** The heads and cuts of the sheet of pictures: four kinds of hair, each cut to four shapes, seen from two sides. */
import type { Cut, FallRequest, Move } from "../../src/api";

const wet = { moisture: "wet", comb: "wide" } as const;
const asWorn = { moisture: "dry", comb: "none" } as const;

interface Kind {
  stretched_mm: number;
  sprung_mm: number;
  hairs_per_cm2: number;
  /** How square layers are cut on it: hair that stands is cut as it stands, and shorter. */
  square: { top_mm: number; sides_mm: number; state: Move["state"] };
}
const hangs = { top_mm: 70, sides_mm: 150, state: wet };
const stands = { top_mm: 60, sides_mm: 50, state: asWorn };
export const KINDS: Record<string, Kind> = {
  straight: { stretched_mm: 520, sprung_mm: 516, hairs_per_cm2: 190, square: hangs },
  waves: { stretched_mm: 560, sprung_mm: 480, hairs_per_cm2: 190, square: hangs },
  ringlets: { stretched_mm: 600, sprung_mm: 340, hairs_per_cm2: 190, square: hangs },
  coils: { stretched_mm: 640, sprung_mm: 190, hairs_per_cm2: 190, square: stands },
};

const toTheShoulder: Move = {
  region: "everything",
  state: wet,
  kind: { perimeter: { behind: { point: "shoulder" }, worn: true } },
};
/** The same length all over, measured at right angles to the head. */
const layers = (worn_mm: number): Move => ({
  region: "everything",
  state: wet,
  kind: {
    sections: {
      layout: { along: "vertical", thickness_mm: 20, from: "nape_centre" },
      hold: { elevation_deg: 90 },
      guide: { travelling: {} },
      length: { worn_mm },
    },
  },
});
const straightLine = (shape: "level" | "vertical") => ({ shape, bow_mm: 0, longer_toward: null, slant_deg: 0 });
const TOP = {
  side_of: { parting: { through: ["parietal_left", "crown", "parietal_right"] }, with: "apex" },
} as unknown as Move["region"];
/** Level with the floor on top and upright at the sides: the corners between them keep their length. */
const square = ({ square: { top_mm, sides_mm, state } }: Kind): Move[] => [
  {
    region: TOP,
    state,
    kind: {
      sections: {
        layout: { along: "crosswise", thickness_mm: 20, from: "apex" },
        hold: { elevation_deg: 90 },
        guide: "free",
        length: { worn_mm: top_mm },
        fingers: straightLine("level"),
      },
    },
  },
  {
    region: { all: [{ half: "left" }, { not: TOP }] },
    mirrored: true,
    state,
    kind: {
      sections: {
        layout: { along: "vertical", thickness_mm: 20, from: "mastoid_left" },
        hold: { elevation_deg: 90 },
        guide: { travelling: {} },
        length: { worn_mm: sides_mm },
        fingers: straightLine("vertical"),
      },
    },
  },
];
/** The four shapes, as steps on a kind of hair. */
export const SHAPES: Record<string, (kind: Kind) => Move[]> = {
  "one length": () => [toTheShoulder],
  "round layers": () => [toTheShoulder, layers(110)],
  "square layers": (kind) => [toTheShoulder, ...square(kind)],
  short: () => [layers(55)],
};
export const VIEWS = ["front", "front_left"] as const;

/** What is asked of the program for one of them. */
export function request({ hairs_per_cm2, stretched_mm, sprung_mm }: Kind, moves: Move[]): FallRequest {
  const zones = ["fringe", "top", "crown", "left_side", "right_side", "back_upper", "back_lower", "nape"];
  // All of one tone: no kind of hair is told by its colour.
  const read = { moisture: "dry", strands: 1, tone: "brown", stretched_mm, sprung_mm } as const;
  const cut: Cut = { format: "spirel.cut", version: 3, name: "", moves };
  return {
    reading: { zones: Object.fromEntries(zones.map((zone) => [zone, read])), hairs_per_cm2, measures: {} },
    plan: { cut },
  } as FallRequest;
}
