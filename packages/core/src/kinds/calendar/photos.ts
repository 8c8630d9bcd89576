import type { Job } from "../../job/index.ts";
import type { Photos } from "../../photo/record/index.ts";
import type { CellName } from "../../schema/index.ts";
import { isOut, photoFlow, waitingSlot, type Flowing, type Slot } from "../flow.ts";
import type { TicketOf } from "../tickets.ts";
import { monthOfYear, type CalendarPage } from "./pages.ts";

/** Gives the places of pages their photos. */
export interface Filling {
  /** The slots of a page’s places, by their cells. */
  take(page: CalendarPage | null, cells: readonly CellName[]): Slot[];
}

/**
 * How photos come to pages: one after the other, or each to the month that it was taken in, whatever the year. A place that
 * was given a photo of another shot by hand has that; places without a photo wait for the ones that are added next.
 */
export function fillingOf(job: Job, { by }: TicketOf<"calendar">, photos: Photos): Filling {
  const flow = photoFlow(job);
  const coming = flow.all.filter(({ ref }) => !isOut(job, ref));
  const ofMonth = (month: number): Flowing[] =>
    coming.filter(({ photo }) => Number(photos[photo ?? ""]?.exposure?.takenAt?.slice(5, 7)) === month);
  const queues = new Map<number, Flowing[]>();
  const all = [...coming];
  let waiting = 0;
  const next = (page: CalendarPage | null): Slot => {
    // A cover has no month: it takes the first photo, as it comes first.
    if (by === "order") return all.shift() ?? waitingSlot(job.numbered + 1 + waiting++);
    for (const month of page ? page.months.map(monthOfYear) : [0]) {
      const queue = queues.get(month) ?? (month === 0 ? undated() : ofMonth(month));
      queues.set(month, queue);
      const found = queue.shift();
      if (found) return found;
    }
    return waitingSlot(job.numbered + 1 + waiting++);
  };
  const undated = (): Flowing[] => coming.filter(({ photo }) => !photos[photo ?? ""]?.exposure?.takenAt);
  return {
    take: (page, cells) =>
      cells.map((cell) => {
        const own = job.cells[cell]?.shot;
        return own === undefined ? next(page) : flow.at(own);
      }),
  };
}
