import { createI18n } from "vue-i18n";
import moves from "@core/cut/moves.en.json";
import reasons from "@core/mark/reasons.en.json";
import en from "../locales/en.json";

/** Names of landmarks, as the core says them in the words of a move. */
const landmark = Object.fromEntries(
  Object.entries(moves)
    .filter(([key]) => key.startsWith("landmark."))
    .map(([key, name]) => [key.slice("landmark.".length), name]),
);

/** One locale so far; the wording of reasons and landmarks is the core's own, so that the command line says the same. */
export const i18n = createI18n({
  legacy: false,
  locale: "en",
  messages: { en: { ...en, ...reasons, landmark } },
});
