import { keepPreviousData, useQuery } from "@tanstack/vue-query";
import { refDebounced, refThrottled } from "@vueuse/core";
import { computed, type ComputedRef } from "vue";

/**
 * What the core answers to a question that changes while people type: the last answer stands until the next is there. It
 * is asked once typing has rested for `restMs`, and what is no longer asked is given up; or, to `follow` the hand, at once
 * and then no more often than that: there every answer is shown, or none would be until the hand rests.
 */
export function useComputed<Q, A>(
  name: string,
  question: ComputedRef<Q | undefined>,
  ask: (question: Q, signal?: AbortSignal) => Promise<A>,
  restMs = 120,
  follow = false,
) {
  const text = computed(() => (question.value === undefined ? "" : JSON.stringify(question.value)));
  const rested = follow ? refThrottled(text, restMs) : refDebounced(text, restMs);
  return useQuery({
    queryKey: computed(() => ["computed", name, rested.value] as const),
    // What is asked is what the answer is kept under, not what may have come since. To look at the signal is to be given up.
    queryFn: (context) => ask(JSON.parse(context.queryKey[2]) as Q, follow ? undefined : context.signal),
    enabled: computed(() => rested.value !== ""),
    placeholderData: keepPreviousData,
    // Answers are large and never changed: watching or comparing every number in them costs more than drawing them.
    shallow: true,
    structuralSharing: false,
    staleTime: Infinity,
    gcTime: 60_000,
    retry: 0,
  });
}
