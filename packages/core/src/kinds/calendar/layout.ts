import { readMonth, writeMonth } from "../../base/day/index.ts";
import { waysToLie, type Rect, type Size } from "../../base/geometry/index.ts";
import { nearest, um } from "../../base/length/index.ts";
import { designOf, ON_PAPER, type Design } from "../../finish/blocks/index.ts";
import type { Job } from "../../job/index.ts";
import type { Photos } from "../../photo/record/index.ts";
import {
  COVER_SHEET,
  daysItem,
  facingSheet,
  LAST_SHEET,
  LIMITS,
  pageCell,
  YEAR_SHEET,
  type SheetName,
} from "../../schema/index.ts";
import type { Slot } from "../flow.ts";
import type { LaidBlock, LaidCell, LaidSheet, LaidWords, Layout } from "../layout.ts";
import type { TicketOf } from "../tickets.ts";
import { calendarOf, monthsTitle, pagesOf, type CalendarPage } from "./pages.ts";
import { fillingOf } from "./photos.ts";
import { cellsIn, pageArea, placed } from "./place.ts";

type CalendarTicket = TicketOf<"calendar">;

/** What words take of the foot of a cover. */
const TITLE = 0.16;

/** A calendar: a cover, its pages of photos and days, the year at a glance, the year after. */
export function layOutCalendar(job: Job, ticket: CalendarTicket, photos: Photos): Layout {
  const lying = lies(job, ticket);
  const area = pageArea(job, ticket, lying);
  const pages = pagesOf(job, ticket);
  const stands = placed(area, ticket);
  const photoArea = ticket.photo === "facing" ? area : stands.photos;
  const places = photoArea && cellsIn(photoArea, ticket.photos, ticket.gap);
  const perPage = places?.length ?? 0;
  const none = {
    sheets: [],
    sums: { columns: 0, rows: 0, perSheet: perPage, pieces: 0, mostPerSheet: perPage },
  };
  const needs = [...(places ?? []), ...(stands.days ? [stands.days] : [])];
  if (needs.some(({ width, height }) => Math.min(width, height) < LIMITS.piece.least)) return none;
  if (photoArea && !places) return none;
  const filling = fillingOf(job, ticket, photos);
  const blank = (name: SheetName, title: string, month: string): LaidSheet => ({
    name,
    title,
    month,
    paper: job.sheet.paper,
    lying,
    cells: [],
  });
  const cover = coverOf(ticket, area);
  // A photo of the cover’s own comes before those of the months.
  const ownCover = cover && ticket.cover === "own" ? filling.take(null, [pageCell(COVER_SHEET, 1)]) : [];
  const shown: Slot[] = [];
  const months = pages.flatMap((page): LaidSheet[] => {
    const on = ticket.photo === "facing" ? facingSheet(page.name) : page.name;
    const keys = (places ?? []).map((_, i) => pageCell(on, i + 1));
    const slots = filling.take(page, keys);
    shown.push(...slots);
    const cells = slots.map((slot, i): LaidCell => ({
      ...slot,
      key: keys[i]!,
      finished: places![i]!,
      turn: 0,
    }));
    const days = {
      ...blank(page.name, page.title, writeMonth(page.month)),
      ...(stands.days && { blocks: [blockOf(page, ticket, stands.days)] }),
      ...(stands.split && { split: stands.split }),
    };
    return ticket.photo === "facing"
      ? [{ ...blank(on, `${page.title}, photo`, writeMonth(page.month)), cells: seen(job, cells) }, days]
      : [{ ...days, cells: seen(job, cells) }];
  });
  const after = writeMonth(readMonth(ticket.first)! + ticket.months);
  const sheets: LaidSheet[] = [
    ...(cover
      ? [
          {
            ...blank(COVER_SHEET, "Cover", ticket.first),
            cells: seen(job, cover.cells(ownCover, shown)),
            words: cover.words,
          },
        ]
      : []),
    ...(ticket.year
      ? [
          {
            ...blank(YEAR_SHEET, "The year", ticket.first),
            blocks: [yearBlock(ticket, ticket.first, ticket.months, area)],
          },
        ]
      : []),
    ...months,
    ...(ticket.last
      ? [
          {
            ...blank(LAST_SHEET, monthsTitle(readMonth(after)!, 12, calendarOf(job)), after),
            blocks: [yearBlock(ticket, after, 12, area)],
          },
        ]
      : []),
  ];
  return {
    sheets,
    sums: { columns: 0, rows: 0, perSheet: perPage, pieces: shown.length, mostPerSheet: perPage },
  };
}

/** Cells that were taken out by hand are not there. */
const seen = ({ cells }: Job, laid: LaidCell[]): LaidCell[] => laid.filter(({ key }) => !cells[key]?.gone);

/** The page as it lies: upright where photo and days are one above the other, on its side otherwise. */
export function lies({ sheet }: Job, { photo, span, style }: CalendarTicket): Size {
  const upright =
    photo === "above" ||
    photo === "below" ||
    (photo === "none" && span !== "week" && style !== "column" && style !== "line");
  const ways = waysToLie(sheet, sheet.paper);
  return ways.find(({ width, height }) => (upright ? height >= width : width >= height)) ?? ways[0]!;
}

const blockOf = ({ name, of }: CalendarPage, ticket: CalendarTicket, box: Rect): LaidBlock => ({
  name: daysItem(name),
  box,
  days: { of, style: ticket.style, own: inksOf(ticket) },
});

/** What is white lies over photos: on paper the same style is set in dark colours, as long as no hand says otherwise. */
const inksOf = ({ style, own, photo }: CalendarTicket): Partial<Design> =>
  style === "quiet" && photo !== "behind" && !own.ground ? { ...ON_PAPER, ...own } : own;

/** Months at a glance: small ones, with the figures and colours of the calendar. */
function yearBlock(ticket: CalendarTicket, first: string, count: number, area: Rect): LaidBlock {
  const { figures, words, ink, off, quiet } = designOf({
    ...ticket,
    own: inksOf({ ...ticket, photo: "none" }),
  });
  const own = { figures, words, ink, off, quiet };
  const free = Math.min(ticket.inset, Math.floor(Math.min(area.width, area.height) * 0.3));
  const box = {
    x: um(area.x + free),
    y: um(area.y + free),
    width: um(area.width - 2 * free),
    height: um(area.height - 2 * free),
  };
  return {
    name: `${first}+`,
    box,
    days: {
      of: count === 1 ? { span: "month", month: first } : { span: "months", first, count },
      style: "small",
      own,
    },
  };
}

interface Cover {
  words: LaidWords[];
  /** Its cells, from the photo of its own and those of the months. */
  cells(own: readonly Slot[], shown: readonly Slot[]): LaidCell[];
}

/** A cover: photos above, its title below them. */
function coverOf(ticket: CalendarTicket, area: Rect): Cover | null {
  if (ticket.cover === "none") return null;
  const titled = ticket.title.trim() !== "";
  const words = nearest(titled ? area.height * TITLE : 0);
  const top: Rect = { ...area, height: um(area.height - words) };
  const { title: font, ink } = designOf(ticket);
  const size = nearest(
    Math.max(LIMITS.letter.least, Math.min(LIMITS.letter.most, words * 0.32, area.width * 0.08)),
  );
  const free = nearest(Math.min(ticket.inset, words * 0.2));
  return {
    words: titled
      ? [
          {
            text: ticket.title,
            type: {
              font,
              size,
              least: um(Math.max(LIMITS.letter.least, size >> 1)),
              colour: ticket.style === "quiet" ? "#20242c" : ink,
              align: "middle",
            },
            box: {
              x: um(area.x + free),
              y: um(top.y + top.height),
              width: um(area.width - 2 * free),
              height: words,
            },
          },
        ]
      : [],
    cells: (own, shown) => {
      const slots = ticket.cover === "all" ? shown : ticket.cover === "own" ? own : shown.slice(0, 1);
      if (slots.length === 0) return [];
      const cells = ticket.cover === "all" ? cellsIn(top, slots.length, ticket.gap) : [top];
      return (cells ?? []).map((finished, i): LaidCell => ({
        ...slots[i]!,
        key: pageCell(COVER_SHEET, i + 1),
        finished,
        turn: 0,
        ...(ticket.cover !== "own" && { again: true }),
      }));
    },
  };
}
