/** Steps that a person took, each as operations: taking one back leaves alone what others changed meanwhile. */
import type { Operation } from "@/api";
import { applied, changes, reversed } from "@/shared/edit";
import { copy } from "@/shared/plain";
import { useDebounceFn } from "@vueuse/core";
import { computed, shallowRef, watch, type Ref } from "vue";

/** How long an edit rests before it is a step, ms. */
const REST_MS = 250;
/** Most steps that are kept. */
const MOST = 100;

/** `filled` gives a document back the parts whose last figure was taken out of it: whoever writes there finds them. */
export function useHistory<T extends object>(draft: Ref<T>, filled: (document: T) => T) {
  const done = shallowRef<Operation[][]>([]);
  const undone = shallowRef<Operation[][]>([]);
  let last = copy(draft.value);

  function commit() {
    const step = changes(last, draft.value);
    if (step.length === 0) return;
    last = copy(draft.value);
    done.value = [...done.value, step].slice(-MOST);
    undone.value = [];
  }

  watch(draft, useDebounceFn(commit, REST_MS), { deep: true });

  function take(from: typeof done, to: typeof done, turn: (step: Operation[]) => Operation[]) {
    // An edit that is taken back at once is a step, too, although it hasn't rested.
    commit();
    const step = from.value.at(-1);
    if (!step) return;
    from.value = from.value.slice(0, -1);
    to.value = [...to.value, step];
    // What somebody else changed since stays as it is.
    draft.value = filled(applied(draft.value, turn(step)).document);
    last = copy(draft.value);
  }

  return {
    undo: () => take(done, undone, reversed),
    redo: () => take(undone, done, (step) => step),
    canUndo: computed(() => done.value.length > 0),
    canRedo: computed(() => undone.value.length > 0),
    /** Puts a document in place that somebody else's changes are in: that is no step of this person's. */
    replace(document: T) {
      commit();
      draft.value = document;
      last = copy(document);
    },
  };
}
