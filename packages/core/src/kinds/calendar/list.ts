import { daysInMonth, isDate, writeDay, dayOf } from "../../base/day/index.ts";
import { CALENDAR_LIMITS, type DayEntry } from "../../calendar/index.ts";
import { plainHeading, readTable } from "../../job/stash/index.ts";

/** What a list of days came to, and a sentence for every line that was left out. */
export interface DayListReading {
  days: DayEntry[];
  problems: string[];
}

/** What columns may be headed, as `plainHeading` writes it. */
const HEADINGS = {
  date: [
    "date",
    "when",
    "datum",
    "fecha",
    "data",
    "dato",
    "paivamaara",
    "born",
    "birthday",
    "geburtstag",
    "naissance",
  ],
  day: ["day", "tag", "jour", "dia", "giorno", "dag"],
  month: ["month", "monat", "mois", "mes", "mese", "maand", "manad"],
  year: ["year", "jahr", "annee", "ano", "anno", "jaar", "ar"],
  last: ["last", "until", "to", "end", "bis", "jusqu a", "hasta", "fino a", "tot"],
  text: [
    "text",
    "name",
    "what",
    "event",
    "title",
    "was",
    "quoi",
    "nom",
    "nombre",
    "nome",
    "naam",
    "namn",
    "navn",
    "anlass",
  ],
  kind: ["kind", "type", "art", "typ", "genre", "tipo", "soort"],
} as const;

type Column = keyof typeof HEADINGS;

/** Kinds that come again every year, and those whose years are counted. */
const BIRTHDAYS = /birth|geburt|anniversaire|naissance|cumple|complean|verjaar|fodsel|anivers/;
const YEARLY = /year|annual|jahr|jahrestag|annuel|anual|annuale|jaarlijks|wedding|hochzeit/;

interface Parts {
  year: number | null;
  month: number;
  day: number;
}

/**
 * Reads a list of days (RFC 4180, as all lists here): a date, or a day and a month in columns of their own; a text; a kind.
 * Without a year, or of a kind that says so, a day comes again every year; birthdays with a year are counted up. Days
 * may be written 2027-03-28, 28.3.2027 or 28/3; where that could be the month first, `monthFirst` says which it is.
 */
export function readDayList(text: string, monthFirst: boolean): DayListReading {
  const { head, lines, problems } = readTable(text);
  const names = head.map(plainHeading);
  const at = (column: Column) =>
    names.findIndex((name) => (HEADINGS[column] as readonly string[]).includes(name));
  const columns = Object.fromEntries(
    Object.keys(HEADINGS).map((column) => [column, at(column as Column)]),
  ) as Record<Column, number>;
  if (columns.text === -1 || (columns.date === -1 && (columns.day === -1 || columns.month === -1))) {
    return {
      days: [],
      problems: [
        ...problems,
        "The list needs a first line with headings: “date,text,kind”, or “day,month,text”. A date is written 2027-03-28, 28.3.2027 or, for every year, 28.3.",
      ],
    };
  }
  const first =
    columns.date === -1
      ? monthFirst
      : monthComesFirst(
          lines.map(({ cells }) => cells[columns.date] ?? ""),
          monthFirst,
        );
  const days: DayEntry[] = [];
  for (const { cells, line } of lines) {
    const cell = (column: Column) => (columns[column] === -1 ? "" : (cells[columns[column]] ?? "").trim());
    const said =
      columns.date === -1
        ? [cell("year"), cell("month"), cell("day")].filter((part) => part !== "").join("-")
        : cell("date");
    const parts =
      columns.date === -1 ? partsOf(cell("year"), cell("month"), cell("day")) : readParts(said, first);
    if (!parts) {
      problems.push(`Line ${line} was left out: “${said.slice(0, 40)}” is no day.`);
      continue;
    }
    const last = cell("last") === "" ? null : readParts(cell("last"), first);
    const kind = plainHeading(cell("kind"));
    const birthday = BIRTHDAYS.test(kind) || BIRTHDAYS.test(names[columns.date] ?? "");
    const yearly = parts.year === null || birthday || YEARLY.test(kind);
    const day = dayOf(parts.year ?? LEAP, parts.month, parts.day);
    const end = last ? dayOf(last.year ?? parts.year ?? LEAP, last.month, last.day) : day;
    if (end < day) {
      problems.push(`Line ${line}: its last day is before its first, so it is taken for one day.`);
    }
    days.push({
      day: writeDay(day),
      ...(end > day && { last: writeDay(end) }),
      text: cell("text").slice(0, CALENDAR_LIMITS.text),
      ...(yearly && { yearly: true as const }),
      ...(birthday && parts.year !== null && { counts: true as const }),
    });
  }
  if (days.length > CALENDAR_LIMITS.days)
    problems.push(`The list has ${days.length} days; the first ${CALENDAR_LIMITS.days} are taken.`);
  return { days: days.slice(0, CALENDAR_LIMITS.days), problems };
}

/** A leap year: what comes every year may be on 29 February. */
const LEAP = 2000;

const NUMBERS = /^(\d{1,4})[./\- ]+(\d{1,2})[.]?(?:[./\- ]+(\d{1,4}))?[.]?$/;

/** Whether the month stands first: where one of the dates can be read in one way alone, all are read so. */
function monthComesFirst(dates: readonly string[], usual: boolean): boolean {
  for (const date of dates) {
    const found = NUMBERS.exec(date.trim());
    if (!found || found[1]!.length > 2) continue;
    const [a, b] = [Number(found[1]), Number(found[2])];
    if (a > 12) return false;
    if (b > 12) return true;
  }
  return usual;
}

function readParts(date: string, monthFirst: boolean): Parts | null {
  const found = NUMBERS.exec(date.trim());
  if (!found) return null;
  const [a, b, c] = [found[1]!, found[2]!, found[3] ?? ""];
  if (a.length > 2) return partsOf(a, b, c);
  return monthFirst ? partsOf(c, a, b) : partsOf(c, b, a);
}

function partsOf(year: string, month: string, day: string): Parts | null {
  const [y, m, d] = [year === "" ? null : Number(year), Number(month), Number(day)];
  // Two figures are a year of this century, or of the last one where that would be far ahead.
  const whole = y === null || year.length > 2 ? y : y + (y > 50 ? 1900 : 2000);
  if (whole === null)
    return m >= 1 && m <= 12 && d >= 1 && d <= daysInMonth(LEAP, m) ? { year: null, month: m, day: d } : null;
  return isDate(whole, m, d) ? { year: whole, month: m, day: d } : null;
}
