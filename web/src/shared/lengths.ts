/** Lengths as people write and read them. Documents and the server keep millimetres. */
import type { LengthUnit } from "@/api";
import { LOCALE } from "./locale";

const MM: Record<LengthUnit, number> = { cm: 10, inch: 25.4 };
const SIGN: Record<LengthUnit, string> = { cm: "cm", inch: "in" };
const FRACTIONS = ["", "¼", "½", "¾"];
const EIGHTHS = ["", "⅛", "¼", "⅜", "½", "⅝", "¾", "⅞"];

/** How numbers of so many digits after the point are written: a formatter takes longer to make than a hundred numbers to write. */
const FORMATS: Intl.NumberFormat[] = [];

/** Inches as they are read on a comb: whole ones and the nearest eighth. */
function inEighths(mm: number): string {
  const eighths = Math.round((8 * mm) / MM.inch);
  const size = Math.abs(eighths);
  const [whole, part] = [Math.floor(size / 8), EIGHTHS[size % 8]!];
  if (size === 0) return "0";
  return `${eighths < 0 ? "-" : ""}${whole > 0 ? whole : ""}${part}`;
}

/** Millimetres as a number in the unit, without its sign: "12.5", or "4⅞" of inches. */
export function numberIn(unit: LengthUnit, mm: number, digits = 1): string {
  if (unit === "inch") return inEighths(mm);
  FORMATS[digits] ??= new Intl.NumberFormat(LOCALE, { minimumFractionDigits: digits, maximumFractionDigits: digits });
  return FORMATS[digits].format(mm / MM[unit]);
}

/** How far two lengths may lie apart that were typed alike, inches: documents keep hundredths of a millimetre. */
const TYPED_INCH = 0.0003;

/** Millimetres as they are kept in a field: no digits that were not typed. Inches that nobody typed are read off a comb. */
export function typedIn(unit: LengthUnit, mm: number): string {
  const inches = mm / MM.inch;
  if (unit === "inch" && Math.abs(inches - Number(inches.toFixed(2))) > TYPED_INCH) return inEighths(mm);
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
  const clean = text
    .trim()
    .replace(",", ".")
    .replace(/[⅛¼⅜½⅝¾⅞]/, (part) => ` ${EIGHTHS.indexOf(part)}/8`)
    .trim();
  if (clean === "") return null;
  const match = /^(-?\d*\.?\d+|-?\d+\.)?(?:\s*(?<=^|\s)(\d+)\/(\d+))?$/.exec(clean);
  if (!match) return undefined;
  const [, whole, top, bottom] = match;
  const part = top && bottom ? Number(top) / Number(bottom) : 0;
  const value = Number(whole ?? 0) + (whole?.startsWith("-") ? -part : part);
  return Number.isFinite(value) ? value : undefined;
}
