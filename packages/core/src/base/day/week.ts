import { dateOf, dayOf, mod, type Day } from "./civil.ts";

/** The days of the week as ISO 8601 numbers them: Monday 1 … Sunday 7. */
export type Weekday = 1 | 2 | 3 | 4 | 5 | 6 | 7;

/** How weeks are counted: the day they begin with, and how many of its days a year’s first week has at least. */
export interface WeekRule {
  first: Weekday;
  least: 1 | 4 | 7;
}

/** Weeks from Monday, the first being the one with 4 January: ISO 8601-1:2019, 3.1.1.23. */
export const ISO_WEEKS: WeekRule = { first: 1, least: 4 };

/** 1 January 1970 was a Thursday. */
export const weekdayOf = (day: Day): Weekday => (mod(day + 3, 7) + 1) as Weekday;

/** The first day of the week that a day is in. */
export const weekStart = (day: Day, first: Weekday): Day => day - mod(weekdayOf(day) - first, 7);

/** The number of a day’s week, and the year that the week is counted in: not always the day’s own. */
export function weekOf(day: Day, rule: WeekRule = ISO_WEEKS): { year: number; week: number } {
  const { year } = dateOf(day);
  for (const counted of [year + 1, year]) {
    const one = firstWeek(counted, rule);
    if (day >= one) return { year: counted, week: Math.floor((day - one) / 7) + 1 };
  }
  return { year: year - 1, week: Math.floor((day - firstWeek(year - 1, rule)) / 7) + 1 };
}

/** The day that a year’s first week begins with. */
function firstWeek(year: number, { first, least }: WeekRule): Day {
  const newYear = dayOf(year, 1, 1);
  const start = weekStart(newYear, first);
  return start + 7 - newYear >= least ? start : start + 7;
}
