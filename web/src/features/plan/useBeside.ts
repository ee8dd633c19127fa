import { copy } from "@/shared/plain";
import type { Cut, FallRequest } from "@/api";
import { askFall } from "@/shared/ask";
import { useComputed } from "@/shared/useComputed";
import { omit } from "lodash-es";
import { computed, ref, type ComputedRef } from "vue";
import { t } from "@/shared/words";

const NOTHING = "nothing";
const KEPT = "kept";

/** The cut that lies beside the plan, on the same head: one of the house's, or the plan as it was when it was kept. */
export function useBeside(
  question: ComputedRef<FallRequest | undefined>,
  house: ComputedRef<readonly { key: string; cut: Cut }[]>,
  followMs: number,
) {
  const chosen = ref<string>(NOTHING);
  const kept = ref<Cut>();
  const cut = computed(() =>
    chosen.value === KEPT ? kept.value : house.value.find((listed) => listed.key === chosen.value)?.cut,
  );
  const name = computed(() => {
    const own = cut.value?.name ?? "";
    return chosen.value === KEPT ? t("plan-keptName", { name: own }) : own;
  });
  const choices = computed(() => [
    { value: NOTHING, label: t("plan-compareNone") },
    ...(kept.value ? [{ value: KEPT, label: t("plan-compareKept") }] : []),
    ...house.value.map((listed) => ({ value: listed.key, label: listed.cut.name })),
  ]);
  const asked = computed<FallRequest | undefined>(() => {
    if (!question.value || !cut.value) return undefined;
    return { ...omit(question.value, ["show_move", "show_section"]), plan: { cut: cut.value } };
  });
  const fall = useComputed("fall beside", asked, askFall, followMs, true);

  /** Keeps a cut as it is now, and lays it beside. */
  function keep(now: Cut) {
    kept.value = copy(now);
    chosen.value = KEPT;
  }
  return { chosen, choices, cut, name, asked, fall, keep };
}
