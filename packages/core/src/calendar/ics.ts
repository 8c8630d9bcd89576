import { dateOf, readDay, writeDay } from "../base/day/index.ts";
import type { Calendar } from "./schema.ts";

/** Bytes of a line at most, its end left out (RFC 5545, 3.1). */
const MOST = 75;

/** What an .ics file is named after. */
export interface IcsAbout {
  /** Stays the same, so that whoever subscribed gets changes and not new events. */
  id: string;
  name: string;
  /** ISO 8601. */
  changedAt: string;
}

/**
 * The days of a calendar as an .ics file (RFC 5545): whole days, yearly ones by a rule from their first year on. What the
 * sky does and dates of other calendars stay at home.
 */
export function writeIcs(
  calendar: Pick<Calendar, "sources"> | null,
  { id, name, changedAt }: IcsAbout,
): string {
  const stamp = changedAt.replaceAll(/[-:]|\.\d+/g, "");
  const events = Object.entries(calendar?.sources ?? {})
    .filter(([, { from, shown }]) => shown && from.kind !== "sun" && from.kind !== "dates")
    .flatMap(([source, { name: category, days }]) =>
      days.flatMap(({ day, last, text, yearly, counts }, i) => {
        const [first, end] = [readDay(day)!, readDay(last ?? day)!];
        const { year } = dateOf(first);
        return [
          "BEGIN:VEVENT",
          `UID:${id}-${source}-${i}@wide-quilt`,
          `DTSTAMP:${stamp}`,
          `DTSTART;VALUE=DATE:${compact(first)}`,
          `DTEND;VALUE=DATE:${compact(end + 1)}`,
          ...(yearly ? ["RRULE:FREQ=YEARLY"] : []),
          `SUMMARY:${escaped(counts ? `${text} (${year})` : text)}`,
          `CATEGORIES:${escaped(category)}`,
          "TRANSP:TRANSPARENT",
          "END:VEVENT",
        ];
      }),
    );
  const lines = [
    "BEGIN:VCALENDAR",
    "VERSION:2.0",
    "PRODID:-//Wide Quilt//Calendar//EN",
    "CALSCALE:GREGORIAN",
    `X-WR-CALNAME:${escaped(name)}`,
    ...events,
    "END:VCALENDAR",
  ];
  return lines.map((line) => `${folded(line)}\r\n`).join("");
}

const compact = (day: number): string => writeDay(day).replaceAll("-", "");

/** RFC 5545, 3.3.11. */
const escaped = (text: string): string =>
  text.replaceAll("\\", "\\\\").replaceAll(";", "\\;").replaceAll(",", "\\,").replaceAll(/\r?\n/g, "\\n");

/** A line of more than 75 bytes goes on in the next one after a space; no sign is broken in two. */
function folded(line: string): string {
  let [written, bytes] = ["", 0];
  for (const sign of line) {
    const size = new TextEncoder().encode(sign).length;
    if (bytes + size > MOST) {
      written += "\r\n ";
      bytes = 1;
    }
    written += sign;
    bytes += size;
  }
  return written;
}
