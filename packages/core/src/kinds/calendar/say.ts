import { listed } from "../../base/listed.ts";
import { inYear, readMonth } from "../../base/day/index.ts";
import { writeLength, writeNumber } from "../../base/length/index.ts";
import { ENGLISH } from "../../calendar/index.ts";
import { designOf } from "../../finish/blocks/index.ts";
import type { Job } from "../../job/index.ts";
import { inWords, sayFinish, sayInside, sayPaper, sayTrim, writing } from "../say.ts";
import type { TicketOf } from "../tickets.ts";
import type { TicketPart, TicketWords } from "../words.ts";
import { lies } from "./layout.ts";
import { calendarOf } from "./pages.ts";

type CalendarTicket = TicketOf<"calendar">;

/** The ticket is in English, whatever the calendar is in. */
const { months: MONTHS, days: DAYS } = ENGLISH.languages[0]!;

const SPANS: Record<CalendarTicket["span"], string> = {
  week: "one week",
  month: "one month",
  "two months": "two months",
  quarter: "a quarter",
  "half year": "half a year",
  year: "a year",
};

/** What each style is called. */
export const STYLE_NAMES: Record<CalendarTicket["style"], string> = {
  large: "large figures",
  write: "room to write",
  column: "a column of days",
  line: "one line of days",
  quiet: "quiet figures",
  people: "a column for everyone",
  small: "small months",
};

/** Show January to December 2027, one month to a page of A3 paper, upright, the photo above taking 60 % … */
export function sayCalendar(job: Job, ticket: CalendarTicket, words: TicketWords): TicketPart[] {
  const write = writing(job, words);
  const lying = lies(job, ticket);
  const covers = [
    ticket.cover !== "none" && "a cover",
    ticket.year && "the year on a page",
    ticket.last && "the year after",
  ].filter((one) => typeof one === "string");
  return [
    { text: "Show " },
    { control: "months", text: sayMonths(ticket) },
    { text: ", " },
    { control: "span", text: SPANS[ticket.span] },
    { text: " to a page of " },
    ...sayPaper(job),
    ...sayTrim(job, write),
    { text: ", " },
    { control: "paperLie", text: lying.width > lying.height ? "on its side" : "upright" },
    { text: ", with " },
    { control: "photo", text: sayPhoto(ticket, words) },
    { text: ", days in " },
    { control: "days", text: STYLE_NAMES[ticket.style] },
    { text: ", " },
    { control: "weeks", text: sayWeeks(job, ticket) },
    { text: ", with " },
    { control: "dates", text: sayDates(job) },
    { text: " and " },
    { control: "cover", text: covers.length === 0 ? "no cover" : listed(covers) },
    ...(ticket.binding
      ? [
          { text: ", bound at the " },
          {
            control: "binding" as const,
            text: `${ticket.binding.side}, ${writeLength(ticket.binding.zone, write)} kept free`,
          },
        ]
      : [{ text: ", " }, { control: "binding" as const, text: "not bound" }]),
    ...sayInside(job, write),
    ...sayFinish(job, words),
  ];
}

/** “January to December 2027”, “July 2026 to June 2027”, “March 2027” */
function sayMonths({ first, months }: CalendarTicket): string {
  const start = readMonth(first)!;
  const [a, b] = [inYear(start), inYear(start + months - 1)];
  const name = ({ month }: { month: number }) => MONTHS[month - 1]!;
  if (months === 1) return `${name(a)} ${a.year}`;
  return a.year === b.year
    ? `${name(a)} to ${name(b)} ${a.year}`
    : `${name(a)} ${a.year} to ${name(b)} ${b.year}`;
}

function sayPhoto({ photo, photos, share }: CalendarTicket, { locale }: TicketWords): string {
  const some = photos === 1 ? "the photo" : `${inWords(photos)} photos`;
  const percent = `${writeNumber(share * 100, locale, 0, 0)} %`;
  switch (photo) {
    case "none":
      return "no photo";
    case "facing":
      return `${some} on the facing page`;
    case "behind":
      return `${some} behind the days`;
    case "left":
    case "right":
      return `${some} at the ${photo} taking ${percent}`;
    default:
      return `${some} ${photo} taking ${percent}`;
  }
}

/** “weeks from Monday with their numbers, in English” */
function sayWeeks(job: Job, ticket: CalendarTicket): string {
  const { week, languages } = calendarOf(job);
  const numbers = designOf(ticket).weekNumbers ? " with their numbers" : "";
  const names = languages.map(
    ({ tag }) => new Intl.DisplayNames(["en"], { type: "language" }).of(tag.split("-")[0]!) ?? tag,
  );
  return `weeks from ${DAYS[week.first - 1]!}${numbers}, in ${listed(names)}`;
}

function sayDates(job: Job): string {
  const shown = Object.values(calendarOf(job).sources).filter((source) => source.shown);
  if (shown.length === 0) return "no days marked";
  return shown.length > 3
    ? `${inWords(shown.length)} kinds of days marked`
    : listed(shown.map(({ name }) => name));
}
