/** The language of this device, as far as there are words for it. */
const asked = navigator.language;

/** A language made up for tests: every text of the catalogue longer by a third and in brackets. */
export const PSEUDO = asked === "en-XA";

/** How dates and numbers are written. */
export const LOCALE = !PSEUDO && asked.startsWith("en") ? asked : "en-GB";

/** A text as the made-up language has it. */
export function pseudo(text: string): string {
  if (!/\p{L}/u.test(text)) return text;
  const [, before = "", words = "", after = ""] = /^(\s*)(.*?)(\s*)$/su.exec(text) ?? [];
  return `${before}⟦${words}${"~".repeat(Math.ceil(words.length / 3))}⟧${after}`;
}
