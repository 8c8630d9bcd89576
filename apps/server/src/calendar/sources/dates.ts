import { writeDay, type Day, type DayEntry } from "@wide-quilt/core";

/** The dates of another calendar: the number of the day, and on the first of a month, and on the first day, its name. */
export function otherDates(from: Day, to: Day, calendar: string, language: string): DayEntry[] {
  const format = new Intl.DateTimeFormat(language, {
    calendar,
    timeZone: "UTC",
    day: "numeric",
    month: "short",
  });
  let before = "";
  return Array.from({ length: to - from + 1 }, (_, i): DayEntry => {
    const parts = format.formatToParts((from + i) * 86_400_000);
    const part = (type: string) => parts.find((one) => one.type === type)?.value ?? "";
    const month = part("month");
    const text = month === before ? part("day") : `${part("day")} ${month}`;
    before = month;
    return { day: writeDay(from + i), text };
  });
}

/** The calendars that the platform knows, the Gregorian ones aside. */
export const otherCalendars = (): string[] =>
  Intl.supportedValuesOf("calendar").filter((name) => name !== "gregory" && name !== "iso8601");
