/**
 * A stage's document while it is edited: saved as you go over the version it was made from, kept on this device until the
 * server has it, and put before a person to choose when somebody else saved first.
 */
import { copy, same } from "@/shared/plain";
import { Refused, Unreachable, body, client, type FieldFault, type Saved, type Stage } from "@/api";
import { differences, withMine, type Difference } from "@/shared/merge";
import { useDebouncedRefHistory, useEventListener } from "@vueuse/core";
import { useUnit } from "@/shared/unit";
import { computed, onScopeDispose, ref, shallowRef, watch, type Ref } from "vue";

/** How long typing rests before it is saved, ms. */
const REST_MS = 700;
/** How long a server that can't be reached is left before it is asked again, ms. */
const RETRY_MS = 2000;

export type SaveState = "saved" | "editing" | "saving" | "unreachable" | "faulty" | "refused" | "conflict";

/** What is kept on this device. */
interface Kept<T> {
  base_version: number;
  base: T;
  document: T;
}

export interface Conflict<T> {
  theirs: Saved<T>;
  differences: Difference[];
}

export function keptKey(visit: string, stage: Stage): string {
  return `spirel.unsaved.${visit}.${stage}`;
}

async function put<T>(visit: string, stage: Stage, base_version: number, document: T): Promise<Saved<T>> {
  const params = { path: { id: visit, stage } };
  const sent = { base_version, document: document as Record<string, never> };
  return (await body(client.PUT("/api/visits/{id}/stages/{stage}", { params, body: sent }))) as unknown as Saved<T>;
}

export function useDocument<T extends object>(
  visit: string,
  stage: Stage,
  saved: Saved<T> | undefined,
  empty: T,
  options: { editable: boolean; onSaved?: (saved: Saved<T>) => void },
) {
  const draft = ref(copy({ ...empty, ...saved?.body })) as Ref<T>;
  const version = ref(saved?.version ?? 0);
  const savedAt = ref<string | undefined>(saved?.saved_at);
  const state = ref<SaveState>("saved");
  const { tell, tellFailure } = useUnit();
  const faults = ref<FieldFault[]>([]);
  const conflict = shallowRef<Conflict<T>>();
  const refusal = ref<string>();
  let base: T = copy(draft.value);
  let timer: ReturnType<typeof setTimeout> | undefined;
  let running: Promise<void> | undefined;

  const history = useDebouncedRefHistory(draft, {
    deep: true,
    clone: copy,
    debounce: 250,
    capacity: 100,
    shouldCommit: () => !isKept(),
  });
  /** Whether the newest step of the history is what stands now. */
  function isKept(): boolean {
    return same(draft.value, history.last.value.snapshot);
  }
  /** An edit that is taken back at once is a step, too, although typing hasn't rested. */
  function undo() {
    if (!isKept()) history.commit();
    history.undo();
  }

  function keep() {
    const kept: Kept<T> = { base_version: version.value, base, document: draft.value };
    localStorage.setItem(keptKey(visit, stage), JSON.stringify(kept));
  }

  function forget() {
    localStorage.removeItem(keptKey(visit, stage));
  }

  function later(ms: number) {
    clearTimeout(timer);
    timer = setTimeout(() => void save(), ms);
  }

  function meet(theirs: Saved<T>) {
    const body = { ...copy(empty), ...theirs.body };
    const found = differences(base, draft.value, body);
    if (found.length === 0) {
      settle({ ...theirs, body });
      return;
    }
    state.value = "conflict";
    conflict.value = { theirs: { ...theirs, body }, differences: found };
  }

  function settle(now: Saved<T>) {
    version.value = now.version;
    savedAt.value = now.saved_at;
    base = copy({ ...empty, ...now.body });
    faults.value = [];
    refusal.value = undefined;
    conflict.value = undefined;
    if (same(base, draft.value)) {
      state.value = "saved";
      forget();
    } else {
      state.value = "editing";
      keep();
      later(REST_MS);
    }
    options.onSaved?.(now);
  }

  async function attempt() {
    state.value = "saving";
    const sent = copy(draft.value);
    try {
      const now = await put(visit, stage, version.value, sent);
      settle({ ...now, body: sent });
    } catch (error) {
      if (error instanceof Refused && error.problem.code === "conflict" && error.problem.current) {
        meet(error.problem.current as unknown as Saved<T>);
      } else if (error instanceof Refused && error.problem.code === "fields") {
        state.value = "faulty";
        faults.value = error.problem.fields.map((fault) => ({ ...fault, field: fault.field.replace("document.", "") }));
      } else if (error instanceof Unreachable || (error instanceof Refused && error.problem.status >= 500)) {
        state.value = "unreachable";
        later(RETRY_MS);
      } else {
        state.value = "refused";
        refusal.value = tellFailure(error);
      }
    }
  }

  /** Saves what there is to save; one save at a time. */
  async function save(): Promise<void> {
    clearTimeout(timer);
    if (running) await running;
    if (!options.editable || state.value === "conflict" || same(base, draft.value)) return;
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
      if (same(base, draft.value)) {
        if (state.value !== "saving") {
          state.value = "saved";
          faults.value = [];
          forget();
        }
        return;
      }
      keep();
      if (state.value !== "saving" && state.value !== "unreachable") state.value = "editing";
      later(REST_MS);
    },
    { deep: true },
  );

  /** Ends a conflict with mine at the fields named and theirs everywhere else. */
  function resolve(mine: readonly (readonly string[])[]) {
    if (!conflict.value) return;
    const { theirs } = conflict.value;
    const merged = withMine(theirs.body, copy(draft.value), mine);
    version.value = theirs.version;
    savedAt.value = theirs.saved_at;
    base = copy(theirs.body);
    conflict.value = undefined;
    state.value = "saved";
    draft.value = merged;
    options.onSaved?.(theirs);
  }

  // What an earlier page could not hand over is taken up again.
  const text = options.editable ? localStorage.getItem(keptKey(visit, stage)) : null;
  if (text) {
    try {
      const kept = JSON.parse(text) as Kept<T>;
      const theirs = saved;
      draft.value = { ...copy(empty), ...kept.document };
      if (theirs && kept.base_version !== theirs.version) {
        base = { ...copy(empty), ...kept.base };
        meet(theirs);
      } else if (same(base, draft.value)) {
        forget();
      } else {
        state.value = "editing";
        later(0);
      }
    } catch {
      forget();
    }
  }

  useEventListener(window, "online", () => void save());
  useEventListener(window, "beforeunload", (event: BeforeUnloadEvent) => {
    // It is kept on this device; the question only stands while the server doesn't have it.
    if (state.value === "faulty" || state.value === "conflict") event.preventDefault();
  });
  onScopeDispose(() => {
    clearTimeout(timer);
    void save();
  });

  return {
    draft,
    version,
    savedAt,
    state,
    faults,
    conflict,
    refusal,
    save,
    resolve,
    undo,
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
