/**
 * Edits of a document as operations on paths, each of which says what stood there before: what is different between two
 * documents, and what a document becomes. How lists are taken apart is the program's to say (core's `edit`, which carries out
 * the same operations; both are tested on the same cases).
 */
import { contract, type Identity, type Operation } from "@/api";
import { alike, copy, isTree, nothing, type Tree } from "./plain";

type Key = string;

const LISTS = new Map<string, Identity>(contract.lists.map(({ list, identity }) => [list, identity]));
const WHOLE = new Set<string>(contract.whole);
const { order: ORDER, greatest_id: GREATEST_ID } = contract;

/** An id for a member that is added to a list. */
export function newId(): number {
  const [high = 0, low = 0] = crypto.getRandomValues(new Uint32Array(2));
  return 1 + (((high % 2 ** 21) * 2 ** 32 + low) % GREATEST_ID);
}

const LABEL = { id: "id", at: "at", patch: "patch" } as const;

function keyOf(member: unknown, identity: Identity): Key {
  return String(identity === "word" ? member : (member as Tree | null)?.[LABEL[identity]]);
}

/** Gives ids to members of lists that have none, or one that stands twice. */
export function identify(value: unknown, name = ""): void {
  if (Array.isArray(value) && LISTS.get(name) === "id") {
    const known = new Set<unknown>();
    // A member that needs an id is replaced: the object that was added may stand elsewhere, too.
    value.forEach((member: Tree, i) => {
      const { id } = member.id && !known.has(member.id) ? member : (value[i] = { ...member, id: newId() });
      known.add(id);
    });
  }
  if (Array.isArray(value)) value.forEach((member) => identify(member));
  else if (isTree(value)) for (const [key, part] of Object.entries(value)) identify(part, key);
}

/** What makes one document of another. */
export function changes(from: unknown, to: unknown): Operation[] {
  const found: Operation[] = [];
  compare(from, to, [], found);
  return found;
}

function compare(from: unknown, to: unknown, path: Key[], found: Operation[]) {
  if (alike(from, to)) return;
  const name = path.at(-1) ?? "";
  const identity = LISTS.get(name);
  if (identity && [from, to].every((list) => nothing(list) || Array.isArray(list))) {
    compareLists((from ?? []) as unknown[], (to ?? []) as unknown[], identity, path, found);
  } else if (!WHOLE.has(name) && open(from, to)) {
    const [a, b] = [(from ?? {}) as Tree, (to ?? {}) as Tree];
    for (const key of new Set([...Object.keys(a), ...Object.keys(b)])) compare(a[key], b[key], [...path, key], found);
  } else {
    found.push({ path, before: copy(from ?? null), value: copy(to ?? null) });
  }
}

/** Whether two values are compared figure by figure. One of several kinds, named by its only key, is a figure by itself. */
function open(from: unknown, to: unknown): boolean {
  if (![from, to].every((value) => nothing(value) || isTree(value))) return false;
  const [a, b] = [Object.keys((from ?? {}) as Tree), Object.keys((to ?? {}) as Tree)];
  return !(a.length === 1 && b.length === 1 && a[0] !== b[0]);
}

function compareLists(from: unknown[], to: unknown[], identity: Identity, path: Key[], found: Operation[]) {
  const word = identity === "word";
  const members = (list: unknown[]) =>
    new Map<Key, unknown>(list.map((member) => [keyOf(member, identity), word ? true : member]));
  const [a, b] = [members(from), members(to)];
  for (const [key, member] of a) {
    if (!b.has(key)) found.push({ path: [...path, key], before: copy(member), value: null });
    // Below a member paths begin anew: its own name is a key, not that of a list.
    else compareMember(member, b.get(key), [...path, key], found);
  }
  for (const [key, member] of b)
    if (!a.has(key)) found.push({ path: [...path, key], before: null, value: copy(member) });
  const left = [...a.keys()].filter((key) => b.has(key));
  const before = [...left, ...[...b.keys()].filter((key) => !a.has(key))];
  const wanted = [...b.keys()];
  if (!alike(before, wanted)) found.push({ path: [...path, ORDER], before, value: wanted });
}

function compareMember(from: unknown, to: unknown, path: Key[], found: Operation[]) {
  if (!isTree(from) || !isTree(to)) return;
  for (const key of new Set([...Object.keys(from), ...Object.keys(to)]))
    compare(from[key], to[key], [...path, key], found);
}

export interface Applied<T> {
  document: T;
  /** Operations whose figure somebody else changed: they are left out. */
  clashes: Operation[];
}

/** A document with the operations that don't clash with what it holds. */
export function applied<T>(document: T, operations: readonly Operation[]): Applied<T> {
  const changed = copy(document);
  const clashes = operations.filter((operation) => !set(changed as Tree, "", operation.path, operation));
  return { document: changed, clashes };
}

/** What stands at a path. */
export function at(document: unknown, path: readonly Key[]): unknown {
  let [value, name] = [document, ""];
  for (const key of path) {
    const identity = LISTS.get(name);
    if (identity && Array.isArray(value)) {
      if (key === ORDER) return value.map((member) => keyOf(member, identity));
      const member = value.find((known) => keyOf(known, identity) === key);
      [value, name] = [identity === "word" ? member !== undefined : member, ""];
    } else {
      [value, name] = [isTree(value) ? value[key] : undefined, key];
    }
  }
  return value;
}

/** Carries out an operation below a value of that name; whether it could be. */
function set(node: Tree | unknown[], name: string, path: readonly Key[], operation: Operation): boolean {
  const [key, ...rest] = path;
  if (key === undefined) return false;
  const identity = LISTS.get(name);
  if (identity && Array.isArray(node)) return setMember(node, identity, key, rest, operation);
  if (!isTree(node)) return false;
  if (rest.length === 0) {
    const result = compareAndSet(node[key], operation);
    if (!result) return false;
    if (nothing(result.value)) delete node[key];
    else node[key] = result.value;
    return true;
  }
  if (nothing(node[key])) {
    // What is to go is gone.
    if (nothing(operation.value)) return true;
    node[key] = LISTS.has(key) ? [] : {};
  }
  const done = set(node[key] as Tree, key, rest, operation);
  // A zone whose last figure is removed leaves no empty shell behind.
  if (nothing(operation.value) && isTree(node[key]) && Object.keys(node[key]).length === 0) delete node[key];
  return done;
}

function compareAndSet(present: unknown, { before, value }: Operation): { value: unknown } | undefined {
  if (alike(present, value)) return { value: present };
  return alike(present, before) ? { value: copy(value) } : undefined;
}

function setMember(list: unknown[], identity: Identity, key: Key, rest: Key[], operation: Operation): boolean {
  if (key === ORDER && rest.length === 0) return reorder(list, identity, operation);
  const place = list.findIndex((member) => keyOf(member, identity) === key);
  if (rest.length > 0) return place < 0 ? nothing(operation.value) : set(list[place] as Tree, "", rest, operation);
  const word = identity === "word";
  const result = compareAndSet(place < 0 ? null : word ? true : list[place], operation);
  if (!result) return false;
  if (nothing(result.value)) {
    if (place >= 0) list.splice(place, 1);
  } else {
    list[place < 0 ? list.length : place] = word ? key : result.value;
  }
  return true;
}

/** Puts members in another order. One that the order doesn't name stays behind the one it followed. */
function reorder(list: unknown[], identity: Identity, operation: Operation): boolean {
  const [before, wanted] = [operation.before as Key[], operation.value as Key[]];
  const present = list.map((member) => keyOf(member, identity));
  const agrees = (order: Key[]) =>
    alike(
      present.filter((key) => order.includes(key)),
      order.filter((key) => present.includes(key)),
    );
  if (!agrees(before) && !agrees(wanted)) return false;
  let last = -1;
  const placed = list.map((member, i) => {
    const place = wanted.indexOf(present[i]!);
    if (place >= 0) last = place;
    return { member, place: last };
  });
  placed.sort((a, b) => a.place - b.place);
  list.splice(0, list.length, ...placed.map(({ member }) => member));
  return true;
}
