import { Unreachable } from "@/api";
import { keepPreviousData, useQuery } from "@tanstack/vue-query";
import { refDebounced, refThrottled } from "@vueuse/core";
import { v4 as uuid } from "uuid";
import { computed, ref, shallowRef, watch, type ComputedRef, type Ref } from "vue";

/** How a question is asked: for which view, whose newest question ends the one before, and until when. */
export interface Asking {
  view?: string;
  signal?: AbortSignal;
}

/** How often what a busy server sends away is asked again. */
const AGAIN = 4;

const waitOf = (error: unknown) => (error instanceof Unreachable ? error.againAfterMs : undefined);

/**
 * What the core answers to a question that changes while people type: the last answer stands until the next is there, also while
 * what is typed can't be. It is asked once typing has rested for `restMs`, and what is no longer asked is given up; or, to `follow`
 * the hand, at once and then no more often than that, the newest question whenever the one before is answered: there every answer is
 * shown, or none would be until the hand rests.
 */
export function useComputed<Q, A>(
  name: string,
  question: ComputedRef<Q | undefined>,
  ask: (question: Q, asking: Asking) => Promise<A>,
  restMs = 120,
  follow = false,
) {
  const view = uuid();
  const text = computed(() => (question.value === undefined ? "" : JSON.stringify(question.value)));
  const settled = follow ? refThrottled(text, restMs) : refDebounced(text, restMs);
  const wanted: Ref<string> = follow ? ref(settled.value) : settled;
  const query = useQuery({
    queryKey: computed(() => ["computed", name, wanted.value] as const),
    // What is asked is what the answer is kept under, not what may have come since. To look at the signal is to be given up.
    queryFn: (context) =>
      ask(JSON.parse(context.queryKey[2]) as Q, follow ? { view } : { view, signal: context.signal }),
    enabled: computed(() => wanted.value !== ""),
    placeholderData: keepPreviousData,
    // Answers are large and never changed: watching or comparing every number in them costs more than drawing them.
    shallow: true,
    structuralSharing: false,
    staleTime: Infinity,
    gcTime: 60_000,
    retry: (tries, error) => tries < AGAIN && waitOf(error) !== undefined,
    // Many who were sent away at once don't come again at once.
    retryDelay: (_, error) => (waitOf(error) ?? 0) * (1 + Math.random()),
  });
  if (follow) {
    watch([settled, query.isFetching], ([now, busy]) => {
      if (!busy) wanted.value = now;
    });
  }

  /** The last answer there was: it stands while what is asked can't be answered. */
  const last = shallowRef<A>();
  watch(query.data, (now) => (last.value = now ?? last.value), { immediate: true, flush: "sync" });
  const data = computed(() => query.data.value ?? (query.error.value ? last.value : undefined));
  const isPlaceholderData = computed(() => query.isPlaceholderData.value || query.error.value !== null);
  return { ...query, data, isPlaceholderData };
}
