/** Plain data: documents as they are written, without what is undefined. */
import { isEqual } from "lodash-es";

/** A copy that shares nothing with what it is a copy of. */
export const copy = <T>(value: T): T => (value === undefined ? value : (JSON.parse(JSON.stringify(value)) as T));

/** Whether two are written alike, whatever the order of their keys. */
export const same = (a: unknown, b: unknown): boolean => isEqual(copy(a), copy(b));
