import { LOCALE } from "./locale";

const DAY = new Intl.DateTimeFormat(LOCALE, { day: "numeric", month: "short", year: "numeric", timeZone: "UTC" });
const TIME = new Intl.DateTimeFormat(LOCALE, { dateStyle: "medium", timeStyle: "short" });

/** A calendar day, "2026-03-07", in words. */
export function sayDay(day: string): string {
  return DAY.format(new Date(`${day}T00:00:00Z`));
}

/** A moment in words, in this device's own time. */
export function sayMoment(moment: string): string {
  return TIME.format(new Date(moment));
}

/** Today as this device's calendar has it. */
export function today(now = new Date()): string {
  const two = (n: number) => String(n).padStart(2, "0");
  return `${now.getFullYear()}-${two(now.getMonth() + 1)}-${two(now.getDate())}`;
}
