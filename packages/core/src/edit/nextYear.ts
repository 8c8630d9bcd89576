import { dateOf, readDay, readMonth, weekStart, writeDay, writeMonth } from "../base/day/index.ts";
import { CALENDAR_LIMITS } from "../calendar/index.ts";
import type { DaysOf } from "../finish/blocks/index.ts";
import type { Job } from "../job/index.ts";
import { calendarOf, daysShown, kindOf } from "../kinds/index.ts";
import { withoutPhotos } from "./pattern/withoutPhotos.ts";

/** Months of a year. */
const YEAR = 12;

/**
 * The same calendar for the time after: its months go on by so many whole years as it is long, photos are asked for, and
 * everything else stays, what was set by hand for March included. Days that were worked out are to be worked out again.
 * Null where no day is shown, and where that would be beyond the years that there are.
 */
export function nextYear(job: Job): Job | null {
  const { years, ticket } = kindOf(job).nextYear(job);
  const bare = withoutPhotos(job);
  const on = (name: string) => later(name, years);
  const named = <T>(all: Readonly<Record<string, T>>): Record<string, T> =>
    Object.fromEntries(Object.entries(all).map(([name, value]) => [on(name), value]));
  const onPages = <T extends { sheet: string | null }>(all: Readonly<Record<string, T>>): Record<string, T> =>
    Object.fromEntries(
      Object.entries(all).map(([name, item]) => [
        name,
        item.sheet === null ? item : { ...item, sheet: on(item.sheet) },
      ]),
    );
  const shown = daysShown({ ...job, ticket });
  if (!shown || dateOf(shown.to).year > CALENDAR_LIMITS.years.most) return null;
  const { week } = calendarOf(job);
  return {
    ...bare,
    name: job.name.replace(/\b(1[5-9]|[2-9]\d)\d\d\b/g, (year) => String(Number(year) + years)),
    ticket: kindOf(bare).withoutPhotos({ ...bare, ticket }),
    cells: Object.fromEntries(
      Object.entries(bare.cells).map(([name, cell]) => [
        on(name),
        cell.place ? { ...cell, place: { ...cell.place, sheet: on(cell.place.sheet) } } : cell,
      ]),
    ),
    sheets: { order: bare.sheets.order.map(on), gone: bare.sheets.gone.map(on) },
    graphics: onPages(bare.graphics),
    shapes: onPages(bare.shapes),
    texts: onPages(bare.texts),
    blocks: Object.fromEntries(
      Object.entries(onPages(bare.blocks)).map(([name, block]) => [
        name,
        block.kind === "days" ? { ...block, of: laterDays(block.of, years, week.first) } : block,
      ]),
    ),
    shots: named(bare.shots),
  };
}

/** A page or a cell of it that is named after a month or a week, so many years later. */
const later = (name: string, years: number): string =>
  name.replace(/^(\d{4})(?=-(?:\d\d|W\d\d))/, (year) => String(Number(year) + years));

function laterDays(of: DaysOf, years: number, firstDay: 1 | 2 | 3 | 4 | 5 | 6 | 7): DaysOf {
  const month = (text: string) => writeMonth(readMonth(text)! + years * YEAR);
  switch (of.span) {
    case "month":
      return { ...of, month: month(of.month) };
    case "months":
      return { ...of, first: month(of.first) };
    case "week":
      // The week of the year that begins on the same weekday.
      return { ...of, first: writeDay(weekStart(readDay(of.first)! + years * 364 + 3, firstDay)) };
  }
}
