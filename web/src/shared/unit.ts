import type { LengthUnit } from "@/api";
import { defineStore, storeToRefs } from "pinia";
import { ref } from "vue";
import { say as sayLength } from "./lengths";

/** The unit this person reads lengths in. The session sets it; whoever shows a length asks here. */
export const useUnitStore = defineStore("unit", () => {
  const unit = ref<LengthUnit>("cm");
  const say = (mm: number) => sayLength(unit.value, mm);
  return { unit, say };
});

export function useUnit() {
  const store = useUnitStore();
  return { ...storeToRefs(store), say: store.say };
}
