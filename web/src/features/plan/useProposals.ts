/** Plans proposed for a visit: a first one at once, all of them as soon as they are found, and again round what is to stay. */
import {
  contract,
  type FallRequest,
  type Moisture,
  type Pins,
  type PlanAnswer,
  type PlanRequest,
  type RuleSettings,
} from "@/api";
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
  /** Zones that are cut in a state of their own. */
  states: Pins["states"];
}

/** Nothing is off, and no side is taken. */
export const ALL_RULES: RuleSettings = { off: [], sides: {} };
export const NOTHING_WANTED: Wanted = { noThinning: false, state: ANY_STATE, minutes: undefined, states: {} };
const NO_PINS: Pins = { cut: null, held: [], no_thinning: false, moisture: null, states: {} };

/** Plans are asked for the same head, wish and talk as the fall of one. */
export function planRequest(
  on: FallRequest,
  { noThinning, state, minutes, states }: Wanted,
  rules: RuleSettings = ALL_RULES,
): PlanRequest {
  const { reading, aim, talk, thresholds, unit } = on;
  return {
    reading,
    aim: aim ?? contract.stages.aim,
    ...(talk ? { talk } : {}),
    ...(thresholds ? { thresholds } : {}),
    pins: { ...NO_PINS, no_thinning: noThinning, moisture: state === ANY_STATE ? null : state, states },
    rules,
    ...(minutes === undefined ? {} : { minutes }),
    ...(unit ? { unit } : {}),
  };
}

/** The lengths of a cut's own steps solved anew for the wish, but for those of the steps that are held. */
export function againRequest(on: FallRequest, held: readonly number[], rules?: RuleSettings): PlanRequest {
  const request = planRequest(on, NOTHING_WANTED, rules);
  return {
    ...request,
    pins: { ...NO_PINS, cut: on.plan.cut, held: [...held] },
  };
}

export function useProposals(
  question: ComputedRef<FallRequest | undefined>,
  shown: Ref<boolean>,
  wanted: Ref<Wanted>,
  rules: Ref<RuleSettings | undefined>,
) {
  const stopped = ref(false);
  // Without the rules of the house nothing is looked for that they might forbid.
  const asked = computed(() =>
    shown.value && question.value && rules.value ? planRequest(question.value, wanted.value, rules.value) : undefined,
  );
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
