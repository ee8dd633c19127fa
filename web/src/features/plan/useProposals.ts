/** Plans proposed for a visit: a first one at once, all of them as soon as they are found, and again round what is to stay. */
import { contract, type FallRequest, type Moisture, type Pins, type PlanAnswer, type PlanRequest } from "@/api";
import { askPlan } from "@/shared/ask";
import { useComputed } from "@/shared/useComputed";
import { computed, ref, watch, type ComputedRef, type Ref } from "vue";

/** How long the hand rests before plans are looked for, ms. */
const REST_MS = 300;
/** As each way of working has it. */
export const ANY_STATE = "any";
export type StatePin = Moisture | typeof ANY_STATE;

/** What must stay, as it is chosen on the screen. */
export interface Wanted {
  noThinning: boolean;
  state: StatePin;
  minutes: number | undefined;
}

const NO_PINS: Pins = { cut: null, held: [], no_thinning: false, moisture: null };

/** Plans are asked for the same head, wish and talk as the fall of one. */
export function planRequest(on: FallRequest, { noThinning, state, minutes }: Wanted): PlanRequest {
  const { reading, aim, talk, thresholds, unit } = on;
  return {
    reading,
    aim: aim ?? contract.stages.aim,
    ...(talk ? { talk } : {}),
    ...(thresholds ? { thresholds } : {}),
    pins: { ...NO_PINS, no_thinning: noThinning, moisture: state === ANY_STATE ? null : state },
    ...(minutes === undefined ? {} : { minutes }),
    ...(unit ? { unit } : {}),
  };
}

/** The lengths of a cut's own steps solved anew for the wish, but for those of the steps that are held. */
export function againRequest(on: FallRequest, held: readonly number[]): PlanRequest {
  const request = planRequest(on, { noThinning: false, state: ANY_STATE, minutes: undefined });
  return {
    ...request,
    pins: { ...NO_PINS, cut: on.plan.cut, held: [...held] },
  };
}

export function useProposals(question: ComputedRef<FallRequest | undefined>, shown: Ref<boolean>, wanted: Ref<Wanted>) {
  const stopped = ref(false);
  const asked = computed(() => (shown.value && question.value ? planRequest(question.value, wanted.value) : undefined));
  // What is asked anew is looked for anew.
  watch(
    () => JSON.stringify(asked.value),
    () => (stopped.value = false),
  );
  const first = useComputed<PlanRequest, PlanAnswer>(
    "plan",
    computed(() => asked.value && { ...asked.value, quick: true }),
    askPlan,
    REST_MS,
  );
  const all = useComputed<PlanRequest, PlanAnswer>(
    "plan",
    computed(() => (stopped.value || !first.data.value ? undefined : asked.value)),
    askPlan,
    REST_MS,
  );
  const whole = computed(() => all.data.value !== undefined && !all.isPlaceholderData.value && !stopped.value);
  return {
    answer: computed(() => (whole.value ? all.data.value : first.data.value)),
    /** Whether more is being looked for. */
    looking: computed(
      () => asked.value !== undefined && !whole.value && !stopped.value && !all.error.value && !first.error.value,
    ),
    error: computed(() => first.error.value ?? all.error.value),
    again: () => void (first.error.value ? first.refetch() : all.refetch()),
    stop: () => (stopped.value = true),
    goOn: () => (stopped.value = false),
    stopped,
  };
}
