import {
  CALENDAR_LIMITS,
  dateOf,
  readDay,
  writeDay,
  type Day,
  type DayEntry,
  type DaysFrom,
} from "@wide-quilt/core";
import Holidays from "date-holidays";
import type { HolidayPlace } from "../../contract.ts";
import { byDay } from "./byDay.ts";

type Where = Extract<DaysFrom, { kind: "holidays" }>;

/** Whether a person has to know of it to plan a day off. */
const PUBLIC = new Set(["public", "bank"]);

/** The holidays of a country, a state or a region. */
export function holidayDays(
  from: Day,
  to: Day,
  { country, state, region, language, all }: Where,
): DayEntry[] {
  const known = new Holidays();
  known.init(country, state ?? undefined, region ?? undefined);
  const found: DayEntry[] = [];
  for (let year = dateOf(from).year; year <= dateOf(to).year; year++) {
    for (const holiday of known.getHolidays(year, language) ?? []) {
      if (!all && !PUBLIC.has(holiday.type)) continue;
      const first = readDay(holiday.date.slice(0, 10));
      if (first === null) continue;
      const days = Math.max(1, Math.round((holiday.end.getTime() - holiday.start.getTime()) / 86_400_000));
      const last = first + days - 1;
      if (last < from || first > to) continue;
      const text = holiday.name.slice(0, CALENDAR_LIMITS.text);
      if (found.some((other) => other.day === writeDay(first) && other.text === text)) continue;
      found.push({ day: writeDay(first), ...(last > first && { last: writeDay(last) }), text });
    }
  }
  return found.sort(byDay);
}

/** Countries with their states and regions, by their names in a language. */
export function holidayPlaces(language: string): HolidayPlace[] {
  const known = new Holidays();
  const places = (
    of: Record<string, string> | undefined,
    parts: (code: string) => HolidayPlace[],
  ): HolidayPlace[] =>
    Object.entries(of ?? {})
      .map(([code, name]) => ({ code, name, parts: parts(code) }))
      .sort((a, b) => a.name.localeCompare(b.name, language));
  return places(known.getCountries(language), (country) =>
    places(known.getStates(country, language), (state) =>
      places(known.getRegions(country, state, language), () => []),
    ),
  );
}
