/** A figure of a document and its value in words, of every kind that two people can have changed. */
import { isTree, nothing } from "@/shared/plain";
import { isPatch, sayPatch } from "@/shared/patches";
import { t, te } from "@/shared/words";
import { at } from "@/shared/edit";
import { contract } from "@/api";

/** Where the words for a value are, by its figure; elsewhere they are looked for in `ANYWHERE`. */
const WORDS: { [figure: string]: string } = {
  along: "plan-alongs",
  by: "plan-drying",
  climate: "talk-climateAir",
  curl: "figureWord-curl",
  direction: "read-growthWays",
  events: "talk-event",
  feel: "read-feels",
  fringe: "talk-fringeWish",
  gives: "plan-givesWhat",
  guide: "plan-guides",
  length: "plan-lengths",
  moisture: "figureWord-moisture",
  over_direction: "plan-overs",
  reasons: "talk-reason",
  region: "plan-regions",
  shape: "plan-fingerShapes",
  styled_by: "talk-styledByWho",
  tone: "figureWord-tone",
  treatments: "talk-treatment",
  width_class: "figureWord-width_class",
};
const ANYWHERE = [
  ...["landmark", "point", "direction", "half", "part", "read-lineAt", "technique", "read-spotKinds", "plan-regions"],
  ...[
    "cautions",
    "talkCautions",
    "talk-treatment",
    "talk-event",
    "talk-reason",
    "worn",
    "comb",
    "plan-alongs",
    "plan-lengths",
  ],
];
/** Texts that people write: they are shown as they are. */
export const FREE = new Set(["chemical_history", "colour", "fear", "format", "name", "notes", "products", "purpose"]);

const LISTS = new Set<string>(contract.lists.map(({ list }) => list));
const IDS = new Set<string>(contract.lists.filter(({ identity }) => identity === "id").map(({ list }) => list));

export const sayField = (key: string): string =>
  isPatch(key) ? sayPatch(key) : te(`fields-${key}`) ? t(`fields-${key}`) : sayWord("", key);

function sayWord(figure: string, value: string): string {
  if (FREE.has(figure)) return value;
  if (isPatch(value)) return sayPatch(value);
  const found = [WORDS[figure], ...ANYWHERE].find((prefix) => prefix && te(`${prefix}-${value}`));
  return found ? t(`${found}-${value}`) : value;
}

/** Groups that only hold a document together: nobody calls a figure by them. */
const STRUCTURE = new Set(["cut", "fingers", "hold", "layout", "measures", "surface", "technique", "zones"]);

/**
 * What a path leads to, as a colleague would call it: "Step 2, Round layers: Elevation", "Nape: Stretched". What stands before the
 * figure is the member of a list or the zone that it is of.
 */
export function sayPath(document: unknown, path: readonly string[]): string {
  const of: string[] = [];
  let figure: string[] = [];
  path.forEach((key, i) => {
    const last = i === path.length - 1;
    const list = path[i - 1] ?? "";
    if (LISTS.has(list) && key !== contract.order) {
      of.push(...figure, IDS.has(list) ? sayMember(document, path.slice(0, i + 1)) : sayWord(list, key));
      figure = [];
    } else if (list === "zones") {
      of.push(sayField(key));
    } else if (last || !isStructure(key, list, path[i + 1])) {
      figure.push(sayField(key));
    }
  });
  const said = (parts: string[]) => parts.filter((part, i) => part && part !== parts[i - 1]).join(", ");
  return [said(of), said(figure)].filter(Boolean).join(": ");
}

/** Whether nobody would say it: a group, the steps of a cut where one of them is meant, and what kind a member is. */
function isStructure(key: string, parent: string, child: string | undefined): boolean {
  if (key === "moves") return child !== contract.order;
  return STRUCTURE.has(key) || key === "kind" || parent === "kind";
}

/** What a member is called: a step by its number, too. */
function sayMember(document: unknown, path: readonly string[]): string {
  const [member, all] = [at(document, path), at(document, path.slice(0, -1))];
  const place = Array.isArray(all) ? all.indexOf(member) + 1 : 0;
  const name = nameOf(member);
  if (path.at(-2) !== "moves") return name || (place > 0 ? String(place) : "");
  const step = place > 0 ? t("conflict-step", { n: place }) : t("conflict-newStep");
  return [step, name].filter(Boolean).join(", ");
}

function nameOf(member: unknown): string {
  if (!isTree(member)) return "";
  if (typeof member.name === "string" && member.name) return member.name;
  const [kind, place] = [member.kind ?? member.direction, member.at ?? member.patch];
  const words = [kind, place].map((part) =>
    typeof part === "string" ? sayWord("", part) : isTree(part) ? sayField(Object.keys(part)[0] ?? "") : "",
  );
  return words.filter(Boolean).join(", ");
}

/** A value in words. `say` says a length. */
export function sayValue(path: readonly string[], value: unknown, say: (mm: number) => string): string {
  const figure = path.at(-1) ?? "";
  const list = path.at(-2) ?? "";
  if (nothing(value) || value === "") return t("conflict-nothing");
  if (typeof value === "boolean") {
    if (LISTS.has(list)) return t(value ? "conflict-there" : "conflict-removed");
    return t(value ? "app-yes" : "app-no");
  }
  if (typeof value === "number") return sayNumber(figure, value, say);
  if (typeof value === "string") return sayWord(figure, value);
  if (figure === contract.order && Array.isArray(value)) return t("conflict-order", { order: value.join(", ") });
  if (Array.isArray(value)) return value.map((part) => sayValue([...path, ""], part, say)).join(", ");
  if (!isTree(value)) return String(value);
  const parts = Object.entries(value).filter(([key, part]) => key !== "id" && !nothing(part));
  return parts.map(([key, part]) => `${sayField(key)}: ${sayValue([key], part, say)}`).join("; ");
}

function sayNumber(figure: string, value: number, say: (mm: number) => string): string {
  const rounded = String(Math.round(value * 100) / 100);
  if (figure.endsWith("_mm")) return say(value);
  if (figure.endsWith("_deg")) return `${rounded}°`;
  if (figure.endsWith("_um")) return `${rounded} µm`;
  if (figure.endsWith("_c")) return `${rounded} °C`;
  if (figure.endsWith("_pct")) return `${rounded} %`;
  return rounded;
}
