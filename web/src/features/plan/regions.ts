/** Regions as they are put together on the screen: each kind with what it begins as. */
import { contract, type Region } from "@/api";

type Named<R> = R extends string ? R : R extends { half: unknown } ? "half_left" | "half_right" : keyof R;
export type RegionKind = Named<Region>;

/** Every kind; of the halves each is one. */
export const REGION_KINDS = contract.choices.regions.flatMap((kind) =>
  kind === "half" ? ["half_left", "half_right"] : [kind],
) as RegionKind[];

export function kindOf(region: Region): RegionKind {
  if (region === "everything") return "everything";
  if ("half" in region) return region.half === "left" ? "half_left" : "half_right";
  return Object.keys(region)[0] as RegionKind;
}

/** A region of a kind; what it was stays within it where the kind holds regions. */
export function regionOf(kind: RegionKind, was: Region): Region {
  const parts = partsOf(was);
  const inside = parts.length > 0 ? parts : [was];
  switch (kind) {
    case "everything":
      return "everything";
    case "zone":
      return { zone: "top" };
    case "half_left":
      return { half: "left" };
    case "half_right":
      return { half: "right" };
    case "edge":
      return { edge: { within_mm: 20 } };
    case "side_of":
      return { side_of: { parting: { through: ["ear_top_left", "apex", "ear_top_right"] }, with: "hairline_centre" } };
    case "all":
      return { all: inside };
    case "any":
      return { any: inside };
    case "not":
      return { not: inside[0] ?? "everything" };
  }
}

/** The regions within a region. */
export function partsOf(region: Region): Region[] {
  if (region === "everything") return [];
  if ("all" in region) return region.all;
  if ("any" in region) return region.any;
  if ("not" in region) return [region.not];
  return [];
}

/** The region with other regions within it. */
export function withParts(region: Region, parts: Region[]): Region {
  if (region !== "everything") {
    if ("all" in region) return { all: parts };
    if ("any" in region) return { any: parts };
    if ("not" in region) return { not: parts[0] ?? "everything" };
  }
  return region;
}
