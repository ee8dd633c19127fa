/** The words of the screen: every text is a message of the catalogue in `locales/`, formatted by Fluent. */
import type { Arg, LengthUnit, Message } from "@/api";
import { FluentBundle, FluentResource, type FluentVariable } from "@fluent/bundle";
import { say } from "./lengths";
import { LOCALE, PSEUDO, pseudo } from "./locale";

const files = import.meta.glob<string>("@locales/en/*.ftl", { query: "?raw", import: "default", eager: true });

const bundle = new FluentBundle(LOCALE, { useIsolating: false, ...(PSEUDO && { transform: pseudo }) });
for (const [file, text] of Object.entries(files)) {
  for (const error of bundle.addResource(new FluentResource(text))) throw new Error(`${file}: ${error.message}`);
}

/** Whether the catalogue has a message. */
export const te = (id: string): boolean => bundle.hasMessage(id);

/** A message in words. One that is missing shows its name, and one whose values are missing shows theirs. */
export function t(id: string, values?: Record<string, FluentVariable>): string {
  const pattern = bundle.getMessage(id)?.value;
  if (!pattern) return `[${id}]`;
  return bundle.formatPattern(pattern, values, []);
}

/** A message of the core or the server in words, lengths in the reader's unit. */
export function tell(message: Message, unit: LengthUnit): string {
  const joined = message.args?.joined;
  if (joined && "messages" in joined)
    return (joined.messages as Message[])
      .map((part) => tell(part, unit))
      .reduce((first, second) => t(message.id, { first, second }));
  const named = Object.entries(message.args ?? {}).map(([name, arg]) => [name, valueOf(arg, unit)] as const);
  return t(message.id, Object.fromEntries(named));
}

function valueOf(arg: Arg, unit: LengthUnit): FluentVariable {
  if ("mm" in arg) return say(unit, arg.mm);
  if ("deg" in arg) return `${arg.deg.toFixed(0)}°`;
  if ("share" in arg) return `${(100 * arg.share).toFixed(0)} %`;
  if ("number" in arg) return arg.number;
  if ("text" in arg) return arg.text;
  // Several messages are joined by the message that has them.
  return "message" in arg ? tell(arg.message, unit) : "";
}
