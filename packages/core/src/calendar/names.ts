import { dayOf } from "../base/day/index.ts";
import type { Language } from "./schema.ts";

/** 5 January 1970 was a Monday. */
const MONDAY = dayOf(1970, 1, 5);
const LATIN = "0123456789";

/**
 * The names of days and months in a language, and how it writes a year: as the platform knows them now. They are kept in
 * the job from then on, so that a calendar stays as it was whatever another platform knows.
 */
export function languageOf(tag: string): Language {
  const { language, script } = new Intl.Locale(tag).maximize();
  const format = (options: Intl.DateTimeFormatOptions) =>
    new Intl.DateTimeFormat(tag, { calendar: "gregory", timeZone: "UTC", ...options });
  const at = (day: number) => day * 86_400_000;
  const part = (options: Intl.DateTimeFormatOptions, type: Intl.DateTimeFormatPartTypes, day: number) =>
    format(options)
      .formatToParts(at(day))
      .find((one) => one.type === type)?.value ?? "";
  const months = (month: "long" | "short") =>
    // Asked for alone, a month is named as it stands alone: nominative where a language has cases.
    Array.from({ length: 12 }, (_, i) => format({ month }).format(at(dayOf(1970, i + 1, 15))));
  const days = (weekday: "long" | "short" | "narrow") =>
    Array.from({ length: 7 }, (_, i) => part({ weekday }, "weekday", MONDAY + i));
  const digits = new Intl.NumberFormat(tag, { useGrouping: false }).format(9_876_543_210);
  const own = [...digits].reverse().join("");
  const order = format({ year: "numeric", month: "long" })
    .formatToParts(at(dayOf(2027, 7, 1)))
    .map(({ type }) => type);
  const year = format({ year: "numeric" }).format(at(dayOf(2027, 7, 1)));
  return {
    tag,
    months: months("long"),
    shortMonths: months("short"),
    days: days("long"),
    shortDays: days("short"),
    narrowDays: days("narrow"),
    year: year.replace(inDigits("2027", own), "[year]"),
    yearFirst: order.indexOf("year") < order.indexOf("month"),
    digits: own === LATIN ? null : own,
    leftwards: LEFTWARDS.has(script ?? language),
  };
}

/** Scripts that are written from right to left (Unicode, Script property). */
const LEFTWARDS = new Set(["Arab", "Hebr", "Syrc", "Thaa", "Nkoo", "Adlm", "Rohg"]);

const inDigits = (text: string, digits: string): string =>
  text.replace(/\d/g, (digit) => [...digits][Number(digit)] ?? digit);

/** A number in a language’s own digits. */
export const writeCount = (count: number, { digits }: Pick<Language, "digits">): string =>
  digits === null ? String(count) : inDigits(String(count), digits);

/** A year as a language writes it alone: “2027”, “2027年”. */
export const writeYear = (year: number, language: Pick<Language, "digits" | "year">): string =>
  language.year.replace("[year]", writeCount(year, language));
