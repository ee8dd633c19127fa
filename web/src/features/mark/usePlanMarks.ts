/** The marks of a visit's own plan, step by step; nothing while it has no steps. */
import type { StepMark } from "@/api";
import { bodyOf, planQuestion, useVisit } from "@/features/visit";
import { askFall, askFigure, askStepMarks } from "@/shared/ask";
import { useUnit } from "@/shared/unit";
import { useComputed } from "@/shared/useComputed";
import { computed } from "vue";

export function usePlanMarks() {
  const visit = useVisit();
  const plan = computed(() => bodyOf(visit.value, "plan"));
  const { unit } = useUnit();
  const question = computed(() => {
    const asked = plan.value.cut.moves.length > 0 ? planQuestion(visit.value, plan.value) : undefined;
    return asked && { ...asked, unit: unit.value };
  });
  const fall = useComputed("fall", question, askFall);
  const marks = useComputed("step marks", question, askStepMarks);
  const figure = useComputed(
    "figure",
    computed(() => (question.value ? { reading: { measures: question.value.reading.measures ?? {} } } : undefined)),
    askFigure,
  );
  /** Every step that is switched on, with its words, its picture and its marks. */
  const steps = computed(() =>
    plan.value.cut.moves.flatMap((move, step) => {
      const words = fall.data.value?.steps[step];
      if (!words || !marks.data.value || move.off) return [];
      const marked = marks.data.value.find((known) => known.step === step);
      const picture = fall.data.value?.pictures[step];
      const cuts = fall.data.value?.moves[step]?.cut_share !== 0 || "pause" in move.kind;
      const { state, marks: own = [], held_mm = [] } = marked ?? {};
      return [{ step, words, picture, cuts, state, marks: own, held_mm }];
    }),
  );
  return { visit, plan, question, steps, figure, error: computed(() => marks.error.value ?? fall.error.value), marks };
}

/** Less than this is kept back by nobody, mm. */
const WORTH_MM = 1;

/** Whether anything is kept back that is worth saying. */
export const keepsBack = ({ keep_back_mm }: StepMark) => (keep_back_mm ?? 0) >= WORTH_MM;
