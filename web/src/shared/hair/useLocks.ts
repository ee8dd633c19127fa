import type { Aim, FallRequest, HairState, LocksRequest, Moisture } from "@/api";
import { askLocks } from "@/shared/ask";
import { useComputed } from "@/shared/useComputed";
import { isEqual, omit } from "lodash-es";
import { computed, type ComputedRef, type Ref } from "vue";
import type { Tones } from "./paint";
import { soaked, tonesOf } from "./tones";

/** Locks of a large picture and of one beside others. */
export const LOCKS = { large: 900, small: 400 };
/** How long the hand rests before they are asked for, ms: the outlines follow it meanwhile. */
const REST_MS = 250;

/** The head of hair that is meant, whatever is cut of it: the program keeps it grown. */
export const headOf = ({ reading, worn, front_straight, climate }: FallRequest) => ({
  reading,
  worn,
  front_straight,
  climate,
});

/** The hair of a plan's head, to be drawn; with an aim as that wishes it. */
export function useLocks(
  question: ComputedRef<FallRequest | undefined>,
  state: Ref<HairState>,
  { count = LOCKS.large, aim, moisture }: { count?: number; aim?: Ref<Aim>; moisture?: Ref<Moisture> } = {},
) {
  const asked = computed<LocksRequest | undefined>(() => {
    if (!question.value) return undefined;
    // What is shown of a step, in which unit, and what is said of it changes no hair.
    const on = omit(question.value, ["show_move", "show_section", "unit", "aim", "talk", "ties_back", "thresholds"]);
    return {
      ...{ on, count, state: state.value, moisture: moisture?.value ?? "dry" },
      ...(state.value === "aimed" && { aim: aim?.value }),
    };
  });
  // The same as long as they say the same: whatever else changes, nothing is painted anew for it.
  const tones = computed<Tones>((before) => {
    const dry = tonesOf(question.value?.reading.zones ?? {});
    const now = (moisture?.value ?? "dry") === "dry" ? dry : soaked(dry);
    return isEqual(now, before) ? before! : now;
  });
  const answer = useComputed("locks", asked, askLocks, REST_MS);
  return {
    locks: answer.data,
    /** Whether they are of hair that has changed since. */
    stale: answer.isPlaceholderData,
    tones,
  };
}
