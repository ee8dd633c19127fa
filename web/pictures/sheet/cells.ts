/** The heads and cuts of the sheet of pictures: four kinds of hair, each cut to four shapes, seen from two sides. */
import type { Cut, FallRequest, Move } from "../../src/api";

interface Kind {
  stretched_mm: number;
  sprung_mm: number;
  hairs_per_cm2: number;
}
export const KINDS: Record<string, Kind> = {
  straight: { stretched_mm: 520, sprung_mm: 516, hairs_per_cm2: 190 },
  waves: { stretched_mm: 560, sprung_mm: 480, hairs_per_cm2: 190 },
  ringlets: { stretched_mm: 600, sprung_mm: 340, hairs_per_cm2: 190 },
  coils: { stretched_mm: 640, sprung_mm: 190, hairs_per_cm2: 190 },
};

const wet = { moisture: "wet", comb: "wide" } as const;
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
const TOP = { side_of: { parting: { through: ["parietal_left", "crown", "parietal_right"] }, with: "apex" } } as const;
const levelTop: Move = {
  region: TOP as unknown as Move["region"],
  state: wet,
  kind: {
    sections: {
      layout: { along: "crosswise", thickness_mm: 20, from: "apex" },
      hold: { elevation_deg: 90 },
      guide: "free",
      length: { worn_mm: 70 },
      fingers: { shape: "level", bow_mm: 0, longer_toward: null, slant_deg: 0 },
    },
  },
};
const verticalSides: Move = {
  region: { all: [{ half: "left" }, { not: TOP as unknown as Move["region"] }] },
  mirrored: true,
  state: wet,
  kind: {
    sections: {
      layout: { along: "vertical", thickness_mm: 20, from: "mastoid_left" },
      hold: { elevation_deg: 90 },
      guide: { travelling: {} },
      length: { worn_mm: 150 },
    },
  },
};
/** The four shapes, as steps. */
export const SHAPES: Record<string, Move[]> = {
  "one length": [toTheShoulder],
  "round layers": [toTheShoulder, layers(130)],
  "square layers": [toTheShoulder, levelTop, verticalSides],
  short: [layers(55)],
};
export const VIEWS = ["front", "front_left"] as const;

/** What is asked of the program for one of them. */
export function request({ hairs_per_cm2, ...strand }: Kind, moves: Move[]): FallRequest {
  const zones = ["fringe", "top", "crown", "left_side", "right_side", "back_upper", "back_lower", "nape"];
  // All of one tone: no kind of hair is told by its colour.
  const read = { moisture: "dry", strands: 1, tone: "brown", ...strand } as const;
  const cut: Cut = { format: "spirel.cut", version: 3, name: "", moves };
  return {
    reading: { zones: Object.fromEntries(zones.map((zone) => [zone, read])), hairs_per_cm2, measures: {} },
    plan: { cut },
  } as FallRequest;
}
