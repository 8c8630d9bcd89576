import {
  daysOfMonth,
  monthOfDay,
  readDay,
  readMonth,
  writeDay,
  type Day,
  type Month,
} from "../../base/day/index.ts";
import type { DaySource } from "../../calendar/index.ts";
import type { Job } from "../../job/index.ts";
import type { ItemName } from "../../schema/index.ts";
import { calendarOf, pagesOf } from "./pages.ts";

/** The first and the last month that a job shows days of, a last page’s included; null where it shows none. */
function monthsShown(job: Job): [first: Month, last: Month] | null {
  const { ticket } = job;
  const months = Object.values(job.blocks).flatMap((block): Month[] => {
    if (block.kind !== "days") return [];
    const { of } = block;
    if (of.span === "months") return [readMonth(of.first)!, readMonth(of.first)! + of.count - 1];
    return [of.span === "month" ? readMonth(of.month)! : monthOfDay(readDay(of.first)!)];
  });
  if (ticket.kind === "calendar") {
    months.push(...pagesOf(job, ticket).flatMap((page) => page.months));
    if (ticket.last) months.push(readMonth(ticket.first)! + ticket.months + 11);
  }
  return months.length === 0 ? null : [Math.min(...months), Math.max(...months)];
}

/** The days that a job shows, with those of the months beside them; null where it shows none. */
export function daysShown(job: Job): { from: Day; to: Day } | null {
  const months = monthsShown(job);
  if (!months) return null;
  const after = daysOfMonth(months[1] + 1);
  return { from: daysOfMonth(months[0] - 1).first, to: after.first + after.count - 1 };
}

/** The same as it is kept with what is worked out for it. */
export function workedFor(job: Job): NonNullable<DaySource["worked"]> | null {
  const shown = daysShown(job);
  return shown && { from: writeDay(shown.from), to: writeDay(shown.to) };
}

/** The kinds of days that were worked out for other months than a job shows. */
export function toWorkOut(job: Job): [name: ItemName, source: DaySource][] {
  const shown = daysShown(job);
  if (!shown) return [];
  return Object.entries(calendarOf(job).sources).filter(
    ([, { worked }]) => worked && (readDay(worked.from)! > shown.from || readDay(worked.to)! < shown.to),
  );
}
