import { marksQuestion, useVisit } from "@/features/visit";
import { askMarks } from "@/shared/ask";
import { useComputed } from "@/shared/useComputed";
import { useUnit } from "@/shared/unit";
import { computed } from "vue";

/** The marks of the visit around, from what is saved of it. */
export function useSheet() {
  const visit = useVisit();
  const { unit } = useUnit();
  const question = computed(() => marksQuestion(visit.value, unit.value));
  return { visit, question, sheet: useComputed("marks", question, askMarks) };
}
