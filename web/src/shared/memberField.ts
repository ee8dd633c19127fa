/** A field of a member of a list: one of many by name, or a length or another number with its sign. */
interface Field {
  /** Where it stands in the member, for its faults. */
  path: string;
  label: string;
}

interface ChoiceOf<T> extends Field {
  kind: "choice";
  choices: readonly { value: string; label: string }[];
  /** Nothing where the member has no such field. */
  get: (member: T) => string | undefined;
  set: (value: string, member: T) => Partial<T>;
}

interface NumberOf<T> extends Field {
  kind: "number";
  /** The sign of a number that isn't a length. */
  sign?: string;
  get: (member: T) => number | undefined;
  set: (value: number, member: T) => Partial<T>;
}

export type MemberField<T> = ChoiceOf<T> | NumberOf<T>;

/** A share that is typed in per cent. */
export const percent = (share: number) => Math.round(100 * share);
