import { ENGLISH } from "@wide-quilt/core";

/** The month that it is, “2026-12”. */
export function thisMonth(): string {
  const now = new Date();
  return `${now.getFullYear()}-${String(now.getMonth() + 1).padStart(2, "0")}`;
}

/** The time zone that this computer is in. */
export const THIS_ZONE = Intl.DateTimeFormat().resolvedOptions().timeZone;

/** What months and days are called in the interface. */
export const { months: MONTH_NAMES, days: DAY_NAMES } = ENGLISH.languages[0]!;
