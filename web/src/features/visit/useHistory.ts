/** Steps that a person took, each as operations: taking one back leaves alone what others changed meanwhile. */
import type { Operation } from "@/api";
import { applied, changes } from "@/shared/edit";
import { copy } from "@/shared/plain";
import { useDebounceFn } from "@vueuse/core";
import { computed, shallowRef, watch, type Ref } from "vue";

/** How long an edit rests before it is a step, ms. */
const REST_MS = 250;
/** Most steps that are kept. */
const MOST = 100;

/** One step there and back. Back is no list of operations turned round: what was removed from a list goes to where it stood. */
export interface Step {
  there: Operation[];
  back: Operation[];
}

/** Steps that were taken, and those that were taken back. */
export interface Steps {
  done: Step[];
  undone: Step[];
}

/**
 * `filled` gives a document back the parts whose last figure was taken out of it: whoever writes there finds them. `changed` hears
 * of every step.
 */
export function useHistory<T extends object>(
  draft: Ref<T>,
  filled: (document: T) => T,
  changed: (steps: Steps) => void = () => undefined,
) {
  const done = shallowRef<Step[]>([]);
  const undone = shallowRef<Step[]>([]);
  let last = copy(draft.value);

  function set(steps: Steps) {
    done.value = steps.done.slice(-MOST);
    undone.value = steps.undone;
    changed({ done: done.value, undone: undone.value });
  }

  function commit() {
    const there = changes(last, draft.value);
    if (there.length === 0) return;
    const step = { there, back: changes(draft.value, last) };
    last = copy(draft.value);
    set({ done: [...done.value, step], undone: [] });
  }

  watch(draft, useDebounceFn(commit, REST_MS), { deep: true });

  function carryOut(operations: Operation[]) {
    // What somebody else changed since stays as it is.
    draft.value = filled(applied(draft.value, operations).document);
    last = copy(draft.value);
  }

  function undo() {
    // An edit that is taken back at once is a step, too, although it hasn't rested.
    commit();
    const step = done.value.at(-1);
    if (!step) return;
    set({ done: done.value.slice(0, -1), undone: [...undone.value, step] });
    carryOut(step.back);
  }

  function redo() {
    commit();
    const step = undone.value.at(-1);
    if (!step) return;
    set({ done: [...done.value, step], undone: undone.value.slice(0, -1) });
    carryOut(step.there);
  }

  return {
    undo,
    redo,
    canUndo: computed(() => done.value.length > 0),
    canRedo: computed(() => undone.value.length > 0),
    /** Puts a document in place that somebody else's changes are in: that is no step of this person's. */
    replace(document: T) {
      commit();
      draft.value = document;
      last = copy(document);
    },
    /** Takes up the steps of the page that was here before; those of this page come after them. */
    takeUp(before: Steps) {
      const began = done.value.length > 0 || undone.value.length > 0;
      set({ done: [...before.done, ...done.value], undone: began ? undone.value : before.undone });
    },
  };
}
