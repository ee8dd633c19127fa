/** Lengths as people write and read them. Documents and the server keep millimetres. */
import type { LengthUnit } from "@/api";
import { LOCALE } from "./locale";

const MM: Record<LengthUnit, number> = { cm: 10, inch: 25.4 };
const SIGN: Record<LengthUnit, string> = { cm: "cm", inch: "in" };
const FRACTIONS = ["", "¼", "½", "¾"];

/** How numbers of so many digits after the point are written: a formatter takes longer to make than a hundred numbers to write. */
const FORMATS: Intl.NumberFormat[] = [];

/** Millimetres as a number in the unit, without its sign: "12.5". */
export function numberIn(unit: LengthUnit, mm: number, digits = 1): string {
  FORMATS[digits] ??= new Intl.NumberFormat(LOCALE, { minimumFractionDigits: digits, maximumFractionDigits: digits });
  return FORMATS[digits].format(mm / MM[unit]);
}

/** Millimetres as they are kept in a field: no digits that were not typed. */
export function typedIn(unit: LengthUnit, mm: number): string {
  return String(Number((mm / MM[unit]).toFixed(unit === "cm" ? 2 : 3)));
}

/** Millimetres in words: "12.5 cm". */
export function say(unit: LengthUnit, mm: number): string {
  return `${numberIn(unit, mm)} ${SIGN[unit]}`;
}

export function signOf(unit: LengthUnit): string {
  return SIGN[unit];
}

/** A mark that lies on the comb's graduations, as they are read: "12.5" or "4¾". */
export function onComb(unit: LengthUnit, mm: number): string {
  if (unit === "cm") return numberIn(unit, mm);
  const quarters = Math.round((mm / MM.inch) * 4);
  const whole = Math.floor(quarters / 4);
  const fraction = FRACTIONS[quarters % 4] ?? "";
  return whole === 0 && fraction ? fraction : `${whole}${fraction}`;
}

/**
 * What was typed, in millimetres: a comma is a point, "4 1/2" and "4½" are halves. `null` when empty, `undefined` when it
 * isn't a number.
 */
export function parseLength(unit: LengthUnit, text: string): number | null | undefined {
  const value = parseNumber(text);
  // Hundredths of a millimetre: less is not measured, and 12.3 cm stays 123 mm.
  return typeof value === "number" ? Math.round(value * MM[unit] * 100) / 100 : value;
}

/** A plain number as typed. */
export function parseNumber(text: string): number | null | undefined {
  const clean = text.trim().replace(",", ".").replace("¼", " 1/4").replace("½", " 1/2").replace("¾", " 3/4").trim();
  if (clean === "") return null;
  const match = /^(-?\d*\.?\d+|-?\d+\.)?(?:\s*(?<=^|\s)(\d+)\/(\d+))?$/.exec(clean);
  if (!match) return undefined;
  const [, whole, top, bottom] = match;
  const value = Number(whole ?? 0) + (top && bottom ? Number(top) / Number(bottom) : 0);
  return Number.isFinite(value) ? value : undefined;
}
