import {
  daysOfMonth,
  inYear,
  ISO_WEEKS,
  monthOfDay,
  readMonth,
  weekOf,
  weekStart,
  writeDay,
  writeMonth,
  type Day,
  type Month,
} from "../../base/day/index.ts";
import { ENGLISH, type Calendar } from "../../calendar/index.ts";
import { monthName, weekTitle, type DaysOf } from "../../finish/blocks/index.ts";
import type { Job } from "../../job/index.ts";
import { monthSheet, weekSheet, type SheetName } from "../../schema/index.ts";
import type { TicketOf } from "../tickets.ts";

type CalendarTicket = TicketOf<"calendar">;

/** What a page shows, and the month that its photos belong to. */
export interface CalendarPage {
  name: SheetName;
  title: string;
  month: Month;
  /** The months that photos may be of. */
  months: Month[];
  of: DaysOf;
}

/** How many months a page shows. */
const MONTHS: Record<Exclude<CalendarTicket["span"], "week">, number> = {
  month: 1,
  "two months": 2,
  quarter: 3,
  "half year": 6,
  year: 12,
};

export const calendarOf = (job: Pick<Job, "calendar">): Calendar => job.calendar ?? ENGLISH;

/** The pages of days, in their order; the last one may show fewer months than the others. */
export function pagesOf(job: Job, { first, months, span }: CalendarTicket): CalendarPage[] {
  const calendar = calendarOf(job);
  const start = readMonth(first)!;
  if (span === "week") return weeksIn(start, months, calendar);
  const each = MONTHS[span];
  return Array.from({ length: Math.ceil(months / each) }, (_, i): CalendarPage => {
    const month = start + i * each;
    const count = Math.min(each, months - i * each);
    return {
      name: monthSheet(writeMonth(month)),
      title: monthsTitle(month, count, calendar),
      month,
      months: Array.from({ length: count }, (_, j) => month + j),
      of:
        count === 1
          ? { span: "month", month: writeMonth(month) }
          : { span: "months", first: writeMonth(month), count },
    };
  });
}

/** “2027-03 March”, “2027-01 January to March” */
export function monthsTitle(month: Month, count: number, calendar: Calendar): string {
  const first = `${writeMonth(month)} ${monthName(month, calendar)}`;
  return count === 1 ? first : `${first} to ${monthName(month + count - 1, calendar)}`;
}

/** Every week with a day of these months, from the day that weeks begin with. */
function weeksIn(start: Month, months: number, calendar: Calendar): CalendarPage[] {
  const last = daysOfMonth(start + months - 1);
  const pages: CalendarPage[] = [];
  for (
    let day: Day = weekStart(daysOfMonth(start).first, calendar.week.first);
    day < last.first + last.count;
    day += 7
  ) {
    // Named after the ISO week that most of it is in, whatever weeks begin with here.
    const { year, week } = weekOf(day + 3, ISO_WEEKS);
    const name = weekSheet(year, week);
    const month = Math.max(start, Math.min(start + months - 1, monthOfDay(day + 3)));
    pages.push({
      name,
      title: `${name} ${weekTitle(day, calendar)}`,
      month,
      months: [month],
      of: { span: "week", first: writeDay(day) },
    });
  }
  return pages;
}

/** Which month of its year it is, from 1. */
export const monthOfYear = (month: Month): number => inYear(month).month;
