import { useDark } from "@vueuse/core";

/** Salon light or evening: the device's own setting until the person chooses. */
export const useTheme = () => useDark({ storageKey: "spirel.theme", disableTransition: false });
