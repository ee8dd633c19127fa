import { useLocalStorage } from "@vueuse/core";
import { computed } from "vue";

/** What a browser takes for a millimetre. Screens differ, so each device is measured once. */
const NOMINAL = 96 / 25.4;
/** The length that is held against the screen, mm: the long side of any bank or travel card (ISO/IEC 7810 ID-1). */
export const CARD_MM = 85.6;

export function useScreenScale() {
  const pixelsPerMm = useLocalStorage("spirel.pixels-per-mm", NOMINAL);
  const measured = computed(() => pixelsPerMm.value !== NOMINAL);
  return { pixelsPerMm, measured, nominal: NOMINAL };
}
