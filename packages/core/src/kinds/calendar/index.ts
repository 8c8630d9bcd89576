import { readMonth, writeMonth } from "../../base/day/index.ts";
import { inch, mm, um } from "../../base/length/index.ts";
import { LIMITS } from "../../schema/index.ts";
import { kind } from "../kind.ts";
import { layOutCalendar } from "./layout.ts";
import { pagesOf } from "./pages.ts";
import { sayCalendar } from "./say.ts";

export { calendarOf, pagesOf, type CalendarPage } from "./pages.ts";
export { PHOTO_SHARE } from "./ticket.ts";
export { readDayList, type DayListReading } from "./list.ts";
export { CALENDAR_PRODUCTS, type CalendarProduct } from "./products.ts";
export { daysShown, toWorkOut, workedFor } from "./shown.ts";
export { STYLE_NAMES } from "./say.ts";

export const calendar = kind({
  name: "calendar",
  title: "Calendar",
  about: "Months with photos, their days computed: for the wall, the desk, the door, or a year on one sheet.",
  takes: "They come to its months in their order.",
  paper: { id: "a3", letter: "tabloid" },
  marks: "none",
  fresh: ({ gap, letter, year = 2027 }) => ({
    kind: "calendar",
    first: `${year}-01`,
    months: 12,
    span: "month",
    photo: "above",
    share: 0.6,
    photos: 1,
    corner: "top right",
    by: "order",
    gap,
    border: um(0),
    inset: letter ? inch(0.5) : mm(14),
    style: "large",
    own: {},
    cover: "again",
    title: "[year]",
    year: false,
    last: false,
    binding: null,
  }),
  layOut: layOutCalendar,
  say: sayCalendar,
  nextYear: (ticket) => {
    const years = Math.ceil(ticket.months / 12);
    return { years, ticket: { ...ticket, first: writeMonth(readMonth(ticket.first)! + 12 * years) } };
  },
  onePage: (ticket, job, name) => {
    const page = pagesOf(job, ticket).find((one) => one.name === name);
    if (!page || page.of.span === "week") return null;
    const alone = { cover: "none", year: false, last: false, by: "order" } as const;
    return { ...ticket, ...alone, first: writeMonth(page.months[0]!), months: page.months.length };
  },
  followsStash: () => false,
  isOnePiece: true,
  hasDays: true,
  liesBest: "As suits photo and days",
  leftOver: ({ photo, photos, cover, by }) => ({
    way:
      by === "date"
        ? "They were taken in months that have photos already, or do not say when they were taken. Let photos come in their order, or drop them on a month."
        : "Every month has a photo already. Let pages have more photos, or drop them on a month.",
    ...(by === "date"
      ? { mend: { label: "Let photos come in their order", ticket: { by: "order" as const } } }
      : cover === "again"
        ? { mend: { label: "Give the cover a photo of its own", ticket: { cover: "own" as const } } }
        : photo !== "none" && photos < 9
          ? { mend: { label: `Put ${photos + 1} photos on a page`, ticket: { photos: photos + 1 } } }
          : {}),
  }),
  brought: (_job, { gap, border, inset, binding }, { length }) => ({
    gap: length(gap, LIMITS.gap),
    border: length(border, LIMITS.margin),
    inset: length(inset, LIMITS.margin),
    binding: binding && { ...binding, zone: length(binding.zone, LIMITS.margin) },
  }),
});
