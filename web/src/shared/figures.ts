/** The figures of a zone: what holds for each is the program's, how it is said and asked for stands here. */
import { contract, type FigureRule, type Message, type Quantity, type ZoneFigure } from "@/api";
import { isPatch, sayPatch } from "./patches";
import { t } from "./words";

const RULES = new Map<string, FigureRule>(contract.figures.map((rule) => [rule.figure, rule]));

export const isFigure = (name: string): name is ZoneFigure => RULES.has(name);
export const ruleOf = (figure: ZoneFigure): FigureRule => RULES.get(figure)!;

/** The figures that an instrument for a quantity measures. */
export const figuresOf = (quantity: Quantity): ZoneFigure[] =>
  contract.figures.filter((rule) => rule.quantity === quantity).map((rule) => rule.figure);

/** The sign behind a number in a field; none of lengths, which have the person's unit. */
export function signOf(figure: ZoneFigure): string | undefined {
  const { kind, unit } = ruleOf(figure);
  return kind === "length" ? undefined : unit || "×";
}

/** The fault of a number outside the range of its figure, as the server would word it; before the server is asked. */
export function rangeFault(figure: ZoneFigure, value: number): Message | undefined {
  const { kind, least, greatest, unit } = ruleOf(figure);
  if (typeof least !== "number" || typeof greatest !== "number") return undefined;
  if (value >= least && value <= greatest) return undefined;
  const of = (limit: number) => (kind === "length" ? { mm: limit } : { number: limit });
  const id = kind === "length" || !unit ? "fault-out_of_range" : "fault-out_of_range-unit";
  return { id, args: { min: of(least), max: of(greatest), unit: { text: unit } } };
}

/** A figure's value as a person says it. `say` says a length. */
export function sayFigure(figure: ZoneFigure, value: number | string, say: (mm: number) => string): string {
  const { kind, unit } = ruleOf(figure);
  if (kind === "place") return isPatch(String(value)) ? sayPatch(value as never) : String(value);
  if (kind === "word") return t(`figureWord-${figure}-${value}`, {});
  if (kind === "length") return say(Number(value));
  return unit ? `${value} ${unit}` : String(value);
}
