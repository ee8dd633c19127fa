/** Fields of a form that are described rather than written out: where each stands, what it holds now, and how it is set. */

interface Described {
  /** Where it stands in the subject, for its faults. */
  path: string;
  label: string;
  /** As wide as the form. */
  wide?: boolean;
}

interface ChoiceOf<T> extends Described {
  kind: "choice";
  choices: readonly { value: string; label: string }[];
  value: string | undefined;
  set: (subject: T, value: string) => void;
}

interface NumberOf<T> extends Described {
  kind: "number";
  /** The sign of a number that isn't a length. */
  sign?: string;
  value: number | undefined;
  set: (subject: T, value: number) => void;
  /** What an emptied field means, where that means something. */
  clear?: (subject: T) => void;
}

interface CheckOf<T> extends Described {
  kind: "check";
  value: boolean;
  set: (subject: T, value: boolean) => void;
}

interface TextOf<T> extends Described {
  kind: "text";
  value: string;
  set: (subject: T, value: string) => void;
}

/** A place left empty, so that what belongs together stays in one row. */
interface Gap {
  kind: "gap";
  path: string;
}

export type Field<T> = ChoiceOf<T> | NumberOf<T> | CheckOf<T> | TextOf<T> | Gap;

/** One of many; of names that are listed, only a listed one can be set. */
export function choice<T, V extends string>(
  path: string,
  label: string,
  choices: readonly { value: V; label: string }[],
  value: V | undefined,
  set: (subject: T, value: V) => void,
): ChoiceOf<T> {
  return { kind: "choice", path, label, choices, value, set: (subject, name) => set(subject, name as V) };
}

export function number<T>(
  path: string,
  label: string,
  value: number | undefined,
  set: (subject: T, value: number) => void,
  sign?: string,
): NumberOf<T> {
  return { kind: "number", path, label, value, set, ...(sign && { sign }) };
}

export function check<T>(
  path: string,
  label: string,
  value: boolean,
  set: (subject: T, value: boolean) => void,
): CheckOf<T> {
  return { kind: "check", path, label, value, set, wide: true };
}

export function text<T>(
  path: string,
  label: string,
  value: string,
  set: (subject: T, value: string) => void,
): TextOf<T> {
  return { kind: "text", path, label, value, set, wide: true };
}

export const gap = (path: string): Gap => ({ kind: "gap", path });

/** The same field, as wide as the form. */
export const wide = <F>(field: F): F => ({ ...field, wide: true });

/** A share that is typed in per cent. */
export const percent = (share: number) => Math.round(100 * share);
