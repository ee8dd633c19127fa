/** What is found about a plan, as it is shown: which at once, where, how much of it, and how sure. */
import { contract, type Finding, type FindingRule } from "@/api";
import { near, project, type View } from "@/shared/sights";

/** Findings that are shown at once: the worst of them. */
export const AT_ONCE = 5;

/** When a finding is said. */
export const ruleOf = (code: Finding["code"]): FindingRule => contract.findings.find((rule) => rule.code === code)!;

/** A finding with its number, which its pin on the picture bears. */
export interface Numbered {
  finding: Finding;
  number: number;
}

export const numbered = (findings: readonly Finding[]): Numbered[] =>
  findings.map((finding, i) => ({ finding, number: i + 1 }));

/** How far behind the edge of what is seen a pin may still stand, mm. */
const BEHIND_MM = -25;

/** Pins of what is seen from a side: where they stand on the page. */
export function pinsOn(view: View, all: readonly Numbered[]): { number: number; x: number; y: number }[] {
  return all
    .filter(({ finding }) => near(view, finding.where.at) > BEHIND_MM)
    .map(({ finding, number }) => {
      const [x, y] = project(view, finding.where.at);
      return { number, x, y };
    });
}

/** Where a measure and its threshold lie on a scale from free of it to as bad as can be, 0 to 1. */
export function onScale({ code, measure, threshold }: Pick<Finding, "code" | "measure" | "threshold">) {
  const { worse, slack } = ruleOf(code);
  const sign = worse === "above" ? 1 : -1;
  const at = (value: number) => Math.min(1, Math.max(0, 0.5 + (sign * (value - threshold)) / (2 * slack)));
  return { measure: at(measure), threshold: 0.5 };
}

/** In words how sure a finding is; nothing where nobody asked. */
export function sureness(confidence: number | null | undefined): "certain" | "likely" | "perhaps" | undefined {
  if (confidence === null || confidence === undefined) return undefined;
  if (confidence > 0.9) return "certain";
  return confidence > 0.5 ? "likely" : "perhaps";
}
