import {
  combValues,
  directionValues,
  dryingMethodValues,
  landmarkValues,
  moistureValues,
  pointValues,
  productGivesValues,
  techniqueKindValues,
  zoneValues,
} from "@/api";
import { readFileSync, readdirSync, statSync } from "node:fs";
import { join } from "node:path";
import { describe, expect, it } from "vitest";
import { parse, Resource } from "@fluent/syntax";
import { t, te, tell } from "./words";

const ROOT = join(import.meta.dirname, "../../..");

/** Every file below a folder whose name ends so. */
function files(folder: string, ending: RegExp): string[] {
  return readdirSync(folder)
    .map((name) => join(folder, name))
    .flatMap((path) => (statSync(path).isDirectory() ? files(path, ending) : ending.test(path) ? [path] : []));
}

const resource = (file: string): Resource => parse(readFileSync(file, "utf8"), {});
const catalogue = files(join(ROOT, "locales/en"), /\.ftl$/).flatMap((file) => resource(file).body);
const known = catalogue.flatMap((entry) => (entry.type === "Message" ? [entry.id.name] : []));

const screen = files(join(ROOT, "web/src"), /(?<!\.test|\.gen)\.(ts|vue)$/).map((file) => readFileSync(file, "utf8"));
const core = ["core", "server", "store"]
  .flatMap((crate) => files(join(ROOT, `crates/${crate}/src`), /\.rs$/))
  .map((file) => readFileSync(file, "utf8"));

/** What stands between quotes, names of messages among it; what is filled in later is a star. */
function quoted(texts: string[]): string[] {
  const names = new Set<string>();
  for (const text of texts) {
    for (const [, name] of text.matchAll(/["'`]([a-z][\w-]*(?:\$?\{[^{}"'`]*\}[\w-]*)*)["'`]/g))
      names.add(name!.replace(/\$?\{[^{}]*\}/g, "*"));
  }
  return [...names];
}

describe("the catalogue", () => {
  const used = quoted([...screen, ...core]);

  it("can be read whole, each message once", () => {
    expect(catalogue.filter((entry) => entry.type === "Junk")).toEqual([]);
    expect(known.filter((name, i) => known.indexOf(name) !== i)).toEqual([]);
  });

  it("has no message that nobody uses", () => {
    const whole = new Set(used);
    // Some names are put together: "zone-${zone}", or a kind to which lists of choices add each choice.
    const made = used.filter((name) => /-\*/.test(name) && !name.startsWith("*"));
    const patterns = made.map((name) => new RegExp(`^${name.replaceAll("*", "[\\w-]+")}$`));
    const kinds = [...screen, ...core].flatMap((text) => [
      ...text.matchAll(/\b(?:named|choices|word)\((?:[^"'()]|\([^)]*\))*["']([\w-]+)["']/g),
      ...text.matchAll(/\bword\(\["\w+", "([\w-]+)"/g),
      ...text.matchAll(/\btexts="(\w+)"/g),
    ]);
    patterns.push(...kinds.map(([, kind]) => new RegExp(`^${kind}-\\w+$`)));
    const unused = known.filter((name) => !whole.has(name) && !patterns.some((pattern) => pattern.test(name)));
    expect(unused).toEqual([]);
  });

  it("has every message that the screen names whole", () => {
    const named = screen.flatMap((text) => [...text.matchAll(/\bt\(\s*["']([\w-]+)["']/g)].map(([, name]) => name!));
    expect(named.length).toBeGreaterThan(300);
    expect(named.filter((name) => !known.includes(name))).toEqual([]);
  });

  it("has a word for every choice that core makes a message of", () => {
    const choices = {
      landmark: landmarkValues,
      point: pointValues,
      zone: zoneValues,
      technique: techniqueKindValues,
      direction: directionValues,
      "step-zone": zoneValues,
      "step-product": productGivesValues,
      "step-dry": dryingMethodValues,
    };
    for (const [kind, values] of Object.entries(choices))
      expect(
        values.filter((value) => !te(`${kind}-${value}`)),
        kind,
      ).toEqual([]);
    const states = moistureValues.flatMap((moisture) => combValues.map((comb) => `states-${moisture}_${comb}`));
    expect(states.filter((state) => !te(state))).toEqual([]);
  });

  it("has every message that core and server name whole", () => {
    const named = core.flatMap((text) =>
      [...text.matchAll(/(?:Message::new|contradicts)\(\s*"([\w-]+)"/g)].map(([, name]) => name!),
    );
    expect(named.length).toBeGreaterThan(80);
    expect(named.filter((name) => !known.includes(name) && name !== "a")).toEqual([]);
  });
});

describe("a message", () => {
  it("is said with lengths in the reader's unit, and messages within", () => {
    const point = { message: { id: "point-chin" } };
    const place = { message: { id: "step-place-below", args: { point, length: { mm: 25.4 } } } };
    const message = { id: "step-drops-below", args: { place } };
    expect(tell(message, "cm")).toBe("Leave out what ends below 2.5 cm below the chin.");
    expect(tell(message, "inch")).toContain("1 in below the chin");
    expect(tell({ id: "step-mirrored" }, "cm")).toBe("Repeat on the other side.");
    const shares = { ends: { share: 0.314 }, turns: { deg: 2.2 }, step: { mm: 4 } };
    expect(tell({ id: "finding-choppy_back", args: shares }, "cm")).toMatch(/31 % of the hair .* only 2° /);
  });

  it("chooses the plural by its number, and shows its name if it is unknown", () => {
    expect([0, 1, 7].map((count) => t("people-found", { count }))).toEqual(["nobody found", "1 person", "7 people"]);
    expect(t("no-such")).toBe("[no-such]");
  });
});
