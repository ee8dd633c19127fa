import { landmarkValues } from "@/api";
import { computed } from "vue";
import { t } from "@/shared/words";

/** Choices with their names: of any list whose names stand under one key, and of landmarks. */
export function useChoices() {
  const named = <T extends string>(list: readonly T[], key: string) =>
    list.map((value) => ({ value, label: t(`${key}-${value}`) }));
  return { named, landmarks: computed(() => named(landmarkValues, "landmark")) };
}
