import { mm, um } from "../../base/length/index.ts";
import { paperById } from "../../catalogue/paper/index.ts";
import type { SheetSetup } from "../../job/index.ts";
import type { Impose } from "../../solve/slots/index.ts";
import { EACH_ITS_SHEET } from "../../solve/slots/index.ts";
import type { TicketOf } from "../tickets.ts";

/** A calendar as people ask for one: its page, how it is divided, and how pages come onto sheets. */
export interface CalendarProduct {
  name: string;
  about: string;
  paper: SheetSetup["paper"];
  ticket: Partial<Omit<TicketOf<"calendar">, "kind" | "first">>;
  impose: Partial<Impose>;
}

const sheet = (id: string): SheetSetup["paper"] => {
  const { name, width, height } = paperById(id);
  return { name, width, height };
};

const own = (name: string, width: number, height: number): SheetSetup["paper"] => ({
  name,
  width: mm(width),
  height: mm(height),
});

const BOUND_ABOVE = { side: "top", zone: mm(12) } as const;
const ONE = { way: EACH_ITS_SHEET.way } as const;
/** Cut from A4, one after the other. */
const CUT = {
  way: "several",
  paper: EACH_ITS_SHEET.paper,
  order: "in order",
  gap: um(0),
  marks: "crosses",
} as const;
const MONTHLY = { span: "month", photos: 1 } as const;

/** What calendars can begin as. */
export const CALENDAR_PRODUCTS: readonly CalendarProduct[] = [
  {
    name: "Wall calendar",
    about: "A3 upright, a photo above each month, bound at the top",
    paper: sheet("a3"),
    ticket: {
      ...MONTHLY,
      photo: "above",
      share: 0.6,
      style: "large",
      inset: mm(14),
      border: um(0),
      binding: BOUND_ABOVE,
      cover: "again",
      year: false,
    },
    impose: ONE,
  },
  {
    name: "Wall calendar that opens",
    about: "A4 on its side, the photo on the upper page and room to write on the lower one",
    paper: sheet("a4"),
    ticket: {
      ...MONTHLY,
      photo: "facing",
      style: "write",
      inset: mm(10),
      border: um(0),
      binding: BOUND_ABOVE,
      cover: "again",
      year: false,
    },
    impose: ONE,
  },
  {
    name: "Family planner",
    about: "A3 upright, a row a day and a column for everyone",
    paper: sheet("a3"),
    ticket: {
      ...MONTHLY,
      photo: "above",
      share: 0.24,
      style: "people",
      inset: mm(12),
      border: um(0),
      binding: BOUND_ABOVE,
      cover: "none",
      year: false,
    },
    impose: ONE,
  },
  {
    name: "Desk calendar",
    about: "cards of 10 × 15 cm for a stand, the photo at the left",
    paper: sheet("photo-10x15"),
    ticket: {
      ...MONTHLY,
      photo: "left",
      share: 0.55,
      style: "large",
      inset: mm(6),
      border: um(0),
      binding: null,
      cover: "again",
      year: false,
    },
    impose: ONE,
  },
  {
    name: "Desk tent",
    about:
      "21 × 14.8 cm on its side, folded so that it stands: a month at the front, the next one at the back",
    paper: own("21 × 14.8 cm", 148, 210),
    ticket: {
      ...MONTHLY,
      photo: "left",
      share: 0.58,
      style: "write",
      inset: mm(8),
      border: um(0),
      binding: null,
      cover: "none",
      year: false,
    },
    impose: { ...CUT, way: "tent", paper: sheet("a4") },
  },
  {
    name: "Door calendar",
    about: "narrow and high, 15 × 42 cm, a column of days below the photo",
    paper: own("15 × 42 cm", 150, 420),
    ticket: {
      ...MONTHLY,
      photo: "above",
      share: 0.3,
      style: "column",
      inset: mm(10),
      border: um(0),
      binding: BOUND_ABOVE,
      cover: "none",
      year: false,
    },
    impose: ONE,
  },
  {
    name: "Poster of the year",
    about: "A2 on its side, twelve columns of days beside each other",
    paper: sheet("a2"),
    ticket: {
      span: "year",
      photo: "none",
      style: "column",
      inset: mm(16),
      border: um(0),
      binding: null,
      cover: "none",
      year: false,
    },
    impose: ONE,
  },
  {
    name: "Pocket cards",
    about: "the year on a card of 85 × 55 mm, as many as fit on A4",
    paper: own("85 × 55 mm", 55, 85),
    ticket: {
      span: "year",
      photo: "none",
      style: "small",
      inset: mm(4),
      border: um(0),
      binding: null,
      cover: "none",
      year: false,
    },
    impose: { ...CUT, order: "repeat" },
  },
  {
    name: "Magnet strip",
    about: "7 × 21 cm, a photo above the year",
    paper: own("7 × 21 cm", 70, 210),
    ticket: {
      span: "year",
      photo: "above",
      share: 0.34,
      photos: 1,
      style: "small",
      inset: mm(5),
      border: um(0),
      binding: null,
      cover: "none",
      year: false,
    },
    impose: { ...CUT, order: "repeat" },
  },
  {
    name: "Planner for a ring binder",
    about: "A5, a week to a page with room to write, holes at the left",
    paper: sheet("a5"),
    ticket: {
      span: "week",
      photo: "none",
      style: "write",
      inset: mm(8),
      border: um(0),
      binding: { side: "left", zone: mm(14) },
      cover: "none",
      year: true,
    },
    impose: ONE,
  },
];
