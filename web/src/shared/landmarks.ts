import type { Landmark } from "@/api";

export const LANDMARKS: readonly Landmark[] = [
  "apex",
  "crown",
  "occipital",
  "hairline_centre",
  "nape_centre",
  "brow_left",
  "brow_right",
  "recession_left",
  "recession_right",
  "temple_left",
  "temple_right",
  "ear_top_left",
  "ear_top_right",
  "mastoid_left",
  "mastoid_right",
  "nape_corner_left",
  "nape_corner_right",
  "parietal_left",
  "parietal_right",
];
