/**
 * A stage's document while it is edited. What a person changes is an edit: operations on figures. It is kept on this device
 * until the server has it, and merges with what others change; where two changed the same figure, the person chooses.
 */
import { applied, at, changes, identify } from "@/shared/edit";
import { alike, copy } from "@/shared/plain";
import { useUnit } from "@/shared/unit";
import { Refused, Unreachable, body, client, type FieldFault, type Operation, type Saved, type Stage } from "@/api";
import { useEventListener, useThrottleFn } from "@vueuse/core";
import { v4 as uuid } from "uuid";
import { computed, onScopeDispose, ref, shallowRef, watch, type Ref } from "vue";
import { documentKey, hold } from "./held";
import { keepEdits, keepSteps, keptOf, keptSteps, type KeptEdit } from "./journal";
import { useHistory } from "./useHistory";

/** How long typing rests before it is saved, ms. */
const REST_MS = 700;
/** How long a server that can't be reached is left before it is asked again, ms. */
const RETRY_MS = 2000;
/** How often what is being typed is written down on this device, ms. */
const KEEP_MS = 100;

export type SaveState = "saved" | "editing" | "saving" | "unreachable" | "faulty" | "refused" | "conflict";

/** Figures that two people changed. */
export interface Conflict<T> {
  theirs: Saved<T>;
  /** Theirs with all of mine that nobody else changed. */
  merged: T;
  /** My changes of figures that they changed, too. */
  clashes: Operation[];
}

/** Sends an edit. */
export async function sendEdit<T>({ key, person, visit, stage, operations }: KeptEdit): Promise<Saved<T>> {
  const params = { path: { id: visit, stage } };
  const answer = client.PATCH("/api/visits/{id}/stages/{stage}", { params, body: { key, person, operations } });
  return (await body(answer)) as unknown as Saved<T>;
}

/** Whether a request may do better later. */
export const isAway = (error: unknown) =>
  error instanceof Unreachable || (error instanceof Refused && error.problem.status >= 500);

export function useDocument<T extends object>(
  person: string,
  visit: string,
  stage: Stage,
  saved: () => Saved<T> | undefined,
  empty: T,
  options: { editable: boolean; onSaved?: (saved: Saved<T>) => void },
) {
  const filled = (body: T | undefined): T => copy({ ...empty, ...body });
  const draft = ref(filled(saved()?.body)) as Ref<T>;
  const version = ref(saved()?.version ?? 0);
  const savedAt = ref<string | undefined>(saved()?.saved_at);
  const state = ref<SaveState>("saved");
  const { tell, tellFailure } = useUnit();
  const faults = ref<FieldFault[]>([]);
  const conflict = shallowRef<Conflict<T>>();
  const refusal = ref<string>();
  /** Whether this device could write down what isn't saved. */
  const kept = ref(true);
  /** Steps are written down once those of the page that was here before have been taken up. */
  let stepsKept = false;
  const history = useHistory(draft, filled, (steps) => {
    if (stepsKept) void keepSteps(documentKey(person, visit, stage), steps).catch(() => undefined);
  });

  /** What the server had when it was last heard of. */
  let base: T = copy(draft.value);
  /** Edits that may have reached the server, and what they make of the base. */
  let flying: KeptEdit[] = [];
  let after: T = base;
  /** The edit that is being made. */
  let key = uuid();
  let begun = Date.now();
  /** The edits that this page made, landed or not. */
  const made = new Set([key]);
  /** Edits of this document that this page has written down. */
  let written = new Set<string>();
  let timer: ReturnType<typeof setTimeout> | undefined;
  let ended = false;
  let running: Promise<void> | undefined;
  let writing: Promise<void> = Promise.resolve();

  const pending = (): Operation[] => changes(after, draft.value);
  const edit = (operations: Operation[], sent: boolean): KeptEdit => ({
    ...{ key, person, visit, stage, operations, sent, at: begun },
  });

  /** Writes down on this device what the server doesn't have. */
  function keep(): Promise<void> {
    if (!options.editable) return writing;
    const operations = pending();
    const edits = operations.length > 0 ? [...flying, edit(operations, false)] : flying;
    const now = new Set(edits.map((known) => known.key));
    const forgotten = [...written].filter((known) => !now.has(known));
    written = now;
    writing = writing.then(async () => {
      try {
        await keepEdits(edits, forgotten);
        kept.value = true;
      } catch {
        // The device is full or forbids it: it is said, and the page asks before it closes.
        kept.value = edits.length === 0;
      }
    });
    return writing;
  }
  const keepSoon = useThrottleFn(() => void keep(), KEEP_MS, true);

  function later(ms: number) {
    clearTimeout(timer);
    // A page that was left tries no more: what it couldn't save is handed over by whoever made it.
    if (!ended) timer = setTimeout(() => void save(), ms);
  }

  /** Takes over what the server has, with these changes of mine on it. */
  function take(now: Saved<T>, mine: Operation[]) {
    const theirs = filled(now.body);
    const { document, clashes } = applied(theirs, mine);
    if (clashes.length > 0) {
      state.value = "conflict";
      conflict.value = { theirs: { ...now, body: theirs }, merged: document, clashes };
      return;
    }
    settle(now, theirs, document);
  }

  function settle(now: Saved<T>, theirs: T, document: T) {
    base = theirs;
    after = applied(
      theirs,
      flying.flatMap((sent) => sent.operations),
    ).document;
    version.value = now.version;
    savedAt.value = now.saved_at;
    conflict.value = undefined;
    refusal.value = undefined;
    const whole = filled(document);
    if (!alike(draft.value, whole)) history.replace(whole);
    rest();
    options.onSaved?.(now);
  }

  /** What follows from what is now saved and what isn't. */
  function rest() {
    const clean = flying.length === 0 && pending().length === 0;
    if (clean) {
      state.value = "saved";
      faults.value = [];
    } else {
      state.value = "editing";
      later(REST_MS);
    }
    void keep();
  }

  async function attempt() {
    state.value = "saving";
    if (flying.length === 0) {
      flying = [edit(pending(), true)];
      after = copy(draft.value);
      key = uuid();
      made.add(key);
      begun = Date.now();
      await keep();
    }
    const sent = flying[0]!;
    try {
      const now = await sendEdit<T>(sent);
      const mine = pending();
      flying = flying.slice(1);
      faults.value = [];
      take(now, [...flying.flatMap((next) => next.operations), ...mine]);
    } catch (error) {
      if (isAway(error)) {
        state.value = "unreachable";
        later(RETRY_MS);
        return;
      }
      // It hasn't landed: what it changed is part of the next one.
      const all = [...flying.flatMap((next) => next.operations), ...pending()];
      flying = [];
      after = base;
      if (error instanceof Refused && error.problem.code === "conflict" && error.problem.current) {
        take(error.problem.current as unknown as Saved<T>, all);
      } else if (error instanceof Refused && error.problem.code === "fields") {
        state.value = "faulty";
        faults.value = error.problem.fields.map((fault) => ({ ...fault, field: fault.field.replace("document.", "") }));
        void keep();
      } else {
        state.value = "refused";
        refusal.value = tellFailure(error);
        void keep();
      }
    }
  }

  /** Saves what there is to save; one save at a time. */
  async function save(): Promise<void> {
    clearTimeout(timer);
    if (running) await running;
    if (!options.editable || state.value === "conflict") return;
    if (flying.length === 0 && pending().length === 0) {
      // What was refused may have been put back before the refusal came: then there is nothing left that can't be.
      state.value = "saved";
      faults.value = [];
      return;
    }
    running = attempt();
    try {
      await running;
    } finally {
      running = undefined;
    }
  }

  watch(
    draft,
    () => {
      if (!options.editable || state.value === "conflict") return;
      identify(draft.value);
      keepSoon();
      if (flying.length === 0 && alike(base, draft.value)) {
        clearTimeout(timer);
        state.value = "saved";
        faults.value = [];
        return;
      }
      if (state.value !== "saving" && state.value !== "unreachable") state.value = "editing";
      later(REST_MS);
    },
    { deep: true },
  );

  // What another screen saved.
  watch(saved, (now) => {
    if (!now || now.version <= version.value || flying.length > 0) return;
    take(now, changes(base, draft.value));
  });

  /** Ends a conflict with my changes of the figures named, and theirs everywhere else. */
  function resolve(mine: readonly Operation[]) {
    if (!conflict.value) return;
    const { theirs, merged } = conflict.value;
    const forced = mine.map((change) => ({ ...change, before: at(theirs.body, change.path) ?? null }));
    settle(theirs, theirs.body, applied(merged, forced).document);
  }

  /** What a page that was closed could not hand over is taken up again. */
  async function takeUp() {
    const [kept, steps] = await Promise.all([
      keptOf(person, visit, stage),
      keptSteps(documentKey(person, visit, stage)).catch(() => undefined),
    ]);
    stepsKept = true;
    if (steps) history.takeUp(steps);
    const left = kept.filter((known) => !made.has(known.key));
    if (left.length === 0 || state.value === "conflict") return;
    for (const known of left) written.add(known.key);
    const since = pending();
    // What may have reached the server is sent as it was; what may not is part of the edit that is made now.
    const sent = left.filter((known) => known.sent);
    flying = [...flying, ...sent];
    after = applied(
      after,
      sent.flatMap((known) => known.operations),
    ).document;
    const mine = [...left.filter((known) => !known.sent).flatMap((known) => known.operations), ...since];
    const { document, clashes } = applied(after, mine);
    if (clashes.length > 0 && saved()) {
      state.value = "conflict";
      conflict.value = { theirs: { ...saved()!, body: base }, merged: document, clashes };
      return;
    }
    draft.value = filled(document);
    state.value = "editing";
    later(0);
  }
  // Who only reads leaves nothing.
  const held = options.editable ? hold(documentKey(person, visit, stage), takeUp) : undefined;
  const ready = held?.ready.catch(() => void (kept.value = false)) ?? Promise.resolve();

  useEventListener(window, "online", () => void save());
  useEventListener(window, "pagehide", () => void keep());
  useEventListener(window, "beforeunload", (event: BeforeUnloadEvent) => {
    // It is kept on this device; the question only stands while the server can't take it, or the device couldn't keep it.
    if (state.value === "faulty" || state.value === "conflict" || !kept.value) event.preventDefault();
  });
  onScopeDispose(() => {
    ended = true;
    clearTimeout(timer);
    if (state.value !== "conflict") void save();
    held?.release();
  });

  return {
    draft,
    version,
    savedAt,
    state,
    faults,
    conflict,
    refusal,
    kept,
    ready,
    save,
    resolve,
    undo: history.undo,
    redo: history.redo,
    canUndo: history.canUndo,
    canRedo: history.canRedo,
    faultAt: (field: string) => {
      const fault = faults.value.find((fault) => fault.field === field);
      return fault && tell(fault.message);
    },
    editable: computed(() => options.editable),
  };
}

export type VisitDocument<T extends object> = ReturnType<typeof useDocument<T>>;
