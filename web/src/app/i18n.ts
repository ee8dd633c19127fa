import { createI18n } from "vue-i18n";
import reasons from "@core/mark/reasons.en.json";
import en from "../locales/en.json";

/** One locale so far; the wording of reasons is the core's own, so that the command line says the same. */
export const i18n = createI18n({
  legacy: false,
  locale: "en",
  messages: { en: { ...en, ...reasons } },
});
