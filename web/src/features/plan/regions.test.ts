import type { Region } from "@/api";
import { describe, expect, it } from "vitest";
import { REGION_KINDS, kindOf, partsOf, regionOf, withParts } from "./regions";

const edge: Region = { edge: { within_mm: 15 } };

describe("regions", () => {
  it("are made of each kind and known by it", () => {
    for (const kind of REGION_KINDS) expect(kindOf(regionOf(kind, edge))).toBe(kind);
  });

  it("keep what they were within the kinds that hold others", () => {
    for (const kind of ["all", "any", "not"] as const) expect(partsOf(regionOf(kind, edge))).toEqual([edge]);
    const both: Region = { all: [edge, { zone: "top" }] };
    expect(regionOf("any", both)).toEqual({ any: [edge, { zone: "top" }] });
    expect(regionOf("not", both)).toEqual({ not: edge });
  });

  it("take other parts and leave plain kinds as they are", () => {
    expect(withParts({ all: [edge] }, [edge, edge])).toEqual({ all: [edge, edge] });
    expect(withParts({ any: [edge] }, [])).toEqual({ any: [] });
    expect(withParts({ not: edge }, ["everything"])).toEqual({ not: "everything" });
    expect(withParts(edge, ["everything"])).toEqual(edge);
    expect(withParts("everything", [edge])).toBe("everything");
    expect(partsOf("everything")).toEqual([]);
  });
});
