/** What was found about a cut and what would cure it, in words. */
import type { Cure, Finding } from "@/api";

type Say = (key: string, named: Record<string, unknown>) => string;
type SayMany = (key: string, named: Record<string, unknown>, count: number) => string;
export interface Words {
  t: Say & SayMany;
  /** Says a length. */
  say: (mm: number) => string;
  /** Says several things one after the other. */
  list: (parts: string[]) => string;
}

/** What is seen and why, and what would cure it. */
export function sayFinding(finding: Finding, { t, say }: Pick<Words, "t" | "say">): { text: string; remedy: string } {
  if (finding.code === "tie_not_reached") {
    const named = { share: finding.short_pct.toFixed(0), lacking: say(finding.lacking_mm) };
    return { text: t("plan.found.tie_not_reached", named), remedy: t("plan.remedy.tie_not_reached", named) };
  }
  const { ends_pct, turns_deg, step_mm, thin_enough_mm } = finding;
  const named = { ends: ends_pct.toFixed(0), turns: turns_deg.toFixed(0), step: say(step_mm) };
  const thin = typeof thin_enough_mm === "number" ? thin_enough_mm : undefined;
  const remedy =
    thin === undefined
      ? t("plan.remedy.choppy_back", {})
      : t("plan.remedy.choppy_back_or_thinner", { thickness: say(thin) });
  return { text: t("plan.found.choppy_back", named), remedy };
}

/** A change that cures, in words. */
export function sayCure({ lever, amount_mm, moves }: Cure, { t, say, list }: Words): string {
  const numbers = list(moves.map((move) => String(move + 1)));
  return t(`plan.cure.${lever}`, { amount: say(amount_mm), moves: t("plan.cure.moves", { numbers }, moves.length) });
}
