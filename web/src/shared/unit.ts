import { type LengthUnit, type Message, Refused } from "@/api";
import { defineStore, storeToRefs } from "pinia";
import { ref } from "vue";
import { say as sayLength } from "./lengths";
import { t, tell as tellIn } from "./words";

/** The unit this person reads lengths in. The session sets it; whoever shows a length asks here. */
export const useUnitStore = defineStore("unit", () => {
  const unit = ref<LengthUnit>("cm");
  const say = (mm: number) => sayLength(unit.value, mm);
  const tell = (message: Message) => tellIn(message, unit.value);
  /** What became of a request that failed: what happened, at which fields, or that nobody answered. */
  const tellFailure = (error: unknown) => {
    if (!(error instanceof Refused)) return t("app-unreachable");
    const { message, fields } = error.problem;
    if (fields.length === 0) return tell(message);
    // Where a field stands in a document is for programs: people find what is wrong marked at the field itself.
    const said = [...new Set(fields.map((fault) => tell(fault.message)))];
    return t("error-figures", { count: fields.length, said: said.join("; ") });
  };
  return { unit, say, tell, tellFailure };
});

export function useUnit() {
  const store = useUnitStore();
  return { ...storeToRefs(store), say: store.say, tell: store.tell, tellFailure: store.tellFailure };
}
