export type { Control, TicketPart, TicketWords } from "./words.ts";
export type { KindFinding } from "./finding.ts";
export type { FreshFrom, JobKind } from "./kind.ts";
export type {
  LaidArt,
  LaidBlock,
  LaidCell,
  LaidSheet,
  LaidSplit,
  LaidWords,
  Layout,
  LayoutSums,
} from "./layout.ts";
export type { Kind, MixedPiece, Person, Ticket, TicketChange, TicketOf } from "./tickets.ts";
export { isOut, photoFlow, ticketSlot, waitingSlot, type Flow, type Flowing, type Slot } from "./flow.ts";
export { artBox, lackingWhole, placeArt, wantedPixels, widenedBy } from "./artwork/index.ts";
export { heightOf } from "./mixed/index.ts";
export { keepPacking, type PackedQuestion } from "./packed/index.ts";
export {
  newPerson,
  peopleTicket,
  personName,
  quantityOf,
  readPeople,
  ruleFor,
  withPhoto,
  COLUMN_WORDS,
  type ListColumn,
  type ListedPerson,
  type ListMap,
  type PeopleReading,
} from "./portraits/index.ts";
export { rulerLengths } from "./ruler/index.ts";
export { OUTLINE_COLOURS } from "./say.ts";
export { freshJob } from "./fresh.ts";
export { JOB_KINDS, kindNamed, kindOf, layOut } from "./registry.ts";
export { shotsOf, STRIP_LAYOUTS, type StripLayout } from "./strips/layouts.ts";
export { STRIP_LIMITS } from "./strips/ticket.ts";
export {
  CALENDAR_PRODUCTS,
  readDayList,
  type DayListReading,
  calendarOf,
  PHOTO_SHARE,
  daysShown,
  toWorkOut,
  workedFor,
  pagesOf as calendarPages,
  type CalendarProduct,
  STYLE_NAMES,
  type CalendarPage,
} from "./calendar/index.ts";
export type { Bring } from "./bring.ts";
