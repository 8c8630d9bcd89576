import { dateOf, dayOf, daysInMonth, readDay, weekdayOf, type Day, type Weekday } from "../base/day/index.ts";
import type { ItemName } from "../schema/index.ts";
import type { Calendar, DayEntry, DaySource } from "./schema.ts";

/** What one day, or several in a row, mean in a span of days. */
export interface Note
  extends Pick<DaySource, "colour" | "words" | "mark" | "off">, Pick<DayEntry, "moon" | "photo"> {
  source: ItemName;
  first: Day;
  last: Day;
  text: string;
  /** Whether it is a date of another calendar, which stands beside the figure. */
  beside?: true;
}

/** What the days of a span mean. */
export interface Notes {
  /** In the order of the sources, and of the days in them. */
  all: readonly Note[];
  on(day: Day): readonly Note[];
  isOff(day: Day): boolean;
}

/** What the days from one to another mean, both included. Days of a source that is not shown are left out. */
export function notesIn({ sources, week }: Pick<Calendar, "sources" | "week">, from: Day, to: Day): Notes {
  const all = Object.entries(sources).flatMap(
    ([source, { shown, days, colour, words, mark, off, from: of }]) =>
      shown
        ? days.flatMap((entry) =>
            occurrences(entry, from, to).map(({ first, last, text }): Note => ({
              source,
              first,
              last,
              text,
              colour,
              words,
              mark,
              off,
              ...(entry.moon && { moon: entry.moon }),
              ...(entry.photo && { photo: entry.photo }),
              ...(of.kind === "dates" && { beside: true as const }),
            })),
          )
        : [],
  );
  const byDay = new Map<Day, Note[]>();
  for (const note of all)
    for (let day = Math.max(note.first, from); day <= Math.min(note.last, to); day++) {
      const on = byDay.get(day);
      if (on) on.push(note);
      else byDay.set(day, [note]);
    }
  const rest = restDay(week.weekend);
  return {
    all,
    on: (day) => byDay.get(day) ?? [],
    isOff: (day) => weekdayOf(day) === rest || (byDay.get(day)?.some(({ off }) => off) ?? false),
  };
}

/** The one day of a weekend that stands out: Sunday, or Friday where that is the day of prayer. */
export const restDay = (weekend: readonly Weekday[]): Weekday | null =>
  weekend.includes(7) ? 7 : weekend.includes(5) ? 5 : (weekend.at(-1) ?? null);

/** When an entry is, of these days: once, or in every year since. */
function occurrences(
  { day, last, text, yearly, counts }: DayEntry,
  from: Day,
  to: Day,
): { first: Day; last: Day; text: string }[] {
  const first = readDay(day)!;
  const length = last === undefined ? 0 : readDay(last)! - first;
  if (!yearly) return first <= to && first + length >= from ? [{ first, last: first + length, text }] : [];
  const born = dateOf(first);
  const found = [];
  for (let year = dateOf(from - length).year; year <= dateOf(to).year; year++) {
    const at = dayOf(year, born.month, Math.min(born.day, daysInMonth(year, born.month)));
    if (at > to || at + length < from || (counts && year < born.year)) continue;
    found.push({ first: at, last: at + length, text: counts ? `${text} ${year - born.year}` : text });
  }
  return found;
}
