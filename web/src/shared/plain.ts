/** Plain data: documents as they are written, without what is undefined. */
import { isEqual } from "lodash-es";

/** A copy that shares nothing with what it is a copy of. */
export const copy = <T>(value: T): T => (value === undefined ? value : (JSON.parse(JSON.stringify(value)) as T));

/** Whether two are written alike, whatever the order of their keys. */
export const same = (a: unknown, b: unknown): boolean => isEqual(copy(a), copy(b));

export const nothing = (value: unknown): value is null | undefined => value === null || value === undefined;

export type Tree = Record<string, unknown>;
export const isTree = (value: unknown): value is Tree =>
  typeof value === "object" && !nothing(value) && !Array.isArray(value);

/** The same, null being as good as nothing. */
export function alike(a: unknown, b: unknown): boolean {
  if (Array.isArray(a) && Array.isArray(b)) return a.length === b.length && a.every((part, i) => alike(part, b[i]));
  if (!isTree(a) || !isTree(b)) return nothing(a) ? nothing(b) : a === b;
  return (
    Object.keys(a).every((key) => alike(a[key], b[key])) && Object.keys(b).every((key) => key in a || nothing(b[key]))
  );
}
