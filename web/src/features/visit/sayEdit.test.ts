import { readFileSync } from "node:fs";
import { join } from "node:path";
import { describe, expect, it } from "vitest";
import { FREE, sayField, sayPath, sayValue } from "./sayEdit";

const say = (mm: number) => `${(mm / 10).toFixed(1)} cm`;

interface Schema {
  $ref?: string;
  enum?: unknown[];
  items?: Schema;
  properties?: { [name: string]: Schema };
  additionalProperties?: Schema | boolean;
  oneOf?: Schema[];
  allOf?: Schema[];
  anyOf?: Schema[];
}

const described = JSON.parse(readFileSync(join(import.meta.dirname, "../../../../docs/openapi.json"), "utf8")) as {
  components: { schemas: { [name: string]: Schema } };
};

/** Every name in the documents of all stages, with the words that can stand there. */
function figures(): Map<string, Set<string>> {
  const found = new Map<string, Set<string>>();
  const seen = new Set<string>();
  const walk = (schema: Schema | boolean | undefined, name: string) => {
    if (typeof schema !== "object") return;
    if (schema.$ref) {
      const type = schema.$ref.split("/").at(-1)!;
      if (seen.has(`${type} ${name}`)) return;
      seen.add(`${type} ${name}`);
      walk(described.components.schemas[type], name);
      return;
    }
    for (const part of [...(schema.oneOf ?? []), ...(schema.allOf ?? []), ...(schema.anyOf ?? [])]) walk(part, name);
    for (const word of schema.enum ?? []) found.get(name)?.add(String(word));
    walk(schema.items, name);
    walk(schema.additionalProperties, name);
    for (const [key, part] of Object.entries(schema.properties ?? {})) {
      if (!found.has(key)) found.set(key, new Set());
      walk(part, key);
    }
  };
  const stages = described.components.schemas.StageDocuments!;
  for (const stage of Object.values(stages.properties!)) walk(stage, "");
  return found;
}

describe("what two people changed", () => {
  it("has a word for every figure of every stage, and for all that can stand there", () => {
    const all = figures();
    expect(all.size).toBeGreaterThan(150);
    for (const [name, words] of all) {
      expect(sayField(name), name).not.toContain("_");
      expect(sayField(name)).not.toBe(name);
      if (FREE.has(name)) continue;
      for (const word of words) expect(sayValue([name], word, say), `${name}: ${word}`).not.toMatch(/_|^\[/);
    }
  });

  it("is said by the member it is of", () => {
    const document = {
      zones: { nape: { stretched_mm: 200 } },
      spots: [{ id: 3, kind: "scar", at: "crown" }],
      cut: {
        moves: [
          { id: 9, name: "Fringe" },
          { id: 4, kind: { weight: { depth_mm: 20 } } },
        ],
      },
    };
    expect(sayPath(document, ["zones", "nape", "stretched_mm"])).toBe("Nape: Stretched");
    expect(sayPath(document, ["spots", "3", "strength"])).toBe("Weak spots, a scar, Crown: Strength");
    expect(sayPath(document, ["cut", "moves", "9", "off"])).toBe("Step 1, Fringe: Left out");
    expect(sayPath(document, ["cut", "moves", "4", "kind", "weight", "depth_mm"])).toBe(
      "Step 2, Weight removal: Depth",
    );
    expect(sayPath(document, ["cut", "moves", "4", "kind"])).toBe("Step 2, Weight removal: Kind");
    expect(sayPath(document, ["cut", "moves", "4"])).toBe("Step 2, Weight removal");
    expect(sayPath(document, ["cut", "moves", "77"])).toBe("A step");
    expect(sayPath(document, ["cut", "moves", "order"])).toBe("Step, Order");
    expect(sayPath(document, ["cut", "name"])).toBe("Name");
    expect(sayPath(document, ["measures", "girth_mm"])).toBe("Girth");
  });

  it("shows numbers, words and whole members", () => {
    expect(sayValue(["zones", "nape", "stretched_mm"], 200, say)).toBe("20.0 cm");
    expect(sayValue(["hold", "elevation_deg"], 45, say)).toBe("45°");
    expect(sayValue(["reasons", "flat"], true, say)).toBe("there");
    expect(sayValue(["reasons", "flat"], undefined, say)).toBe("nothing");
    expect(sayValue(["ties_back"], false, say)).toBe("no");
    expect(sayValue(["spots", "3"], { id: 3, kind: "scar", at: "crown", reach_mm: 20 }, say)).toMatch(
      /^Kind: a scar; At: Crown; Reach: 2\.0 cm$/,
    );
  });
});
