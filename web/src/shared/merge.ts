/**
 * What two people changed in the same document since they both had it: field by field, so that only fields that both changed
 * differently need a person to choose.
 */

export type Leaf = string | number | boolean | null | undefined;

export interface Difference {
  /** Keys from the top of the document. */
  path: readonly string[];
  mine: Leaf;
  theirs: Leaf;
  /** Only one side changed it, or both did. */
  changedBy: "me" | "them" | "both";
}

type Tree = { [key: string]: unknown };

const SEPARATOR = "\u0000";

function isTree(value: unknown): value is Tree {
  return typeof value === "object" && value !== null && !Array.isArray(value);
}

/** Leaves by path. A list is one leaf: its order and members belong together. */
function leaves(value: unknown, path: readonly string[] = [], found = new Map<string, Leaf>()): Map<string, Leaf> {
  if (isTree(value)) {
    for (const [key, part] of Object.entries(value)) leaves(part, [...path, key], found);
  } else if (value !== undefined) {
    found.set(path.join(SEPARATOR), Array.isArray(value) ? JSON.stringify(value) : (value as Leaf));
  }
  return found;
}

/** Every field in which mine and theirs differ. */
export function differences(base: unknown, mine: unknown, theirs: unknown): Difference[] {
  const [b, m, t] = [leaves(base), leaves(mine), leaves(theirs)];
  const paths = [...new Set([...m.keys(), ...t.keys()])];
  return paths
    .filter((path) => m.get(path) !== t.get(path))
    .map((path) => ({
      path: path.split(SEPARATOR),
      mine: m.get(path),
      theirs: t.get(path),
      changedBy: b.get(path) === t.get(path) ? "me" : b.get(path) === m.get(path) ? "them" : "both",
    }));
}

/** Theirs, with the fields at `paths` as they are in mine. */
export function withMine<T>(theirs: T, mine: T, paths: readonly (readonly string[])[]): T {
  const merged = structuredClone(theirs) as unknown;
  for (const path of paths) put(merged, mine, path);
  return merged as T;
}

function put(target: unknown, source: unknown, path: readonly string[]) {
  const [key, ...rest] = path;
  if (key === undefined || !isTree(target)) return;
  const from = isTree(source) ? source[key] : undefined;
  if (rest.length === 0) {
    if (from === undefined) delete target[key];
    else target[key] = structuredClone(from);
    return;
  }
  if (!isTree(target[key])) target[key] = {};
  put(target[key], from, rest);
  // A zone that I took away leaves no empty shell behind.
  if (from === undefined && Object.keys(target[key] as Tree).length === 0) delete target[key];
}
