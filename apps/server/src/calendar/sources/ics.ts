import { CALENDAR_LIMITS, dayOf, writeDay, type Day, type DayEntry } from "@wide-quilt/core";
import ICAL from "ical.js";
import * as rrule from "rrule";
import { byDay } from "./byDay.ts";
import { isCalendarFile } from "./isCalendarFile.ts";
import { clockAt, instantOf, isZone, writeClock } from "./zone.ts";

// Node has the package whole under one name, and what bundles has its parts.
const { RRule, RRuleSet } = "RRule" in rrule ? rrule : (rrule as { default: typeof import("rrule") }).default;

/** Occurrences of one event that are looked at, from its first on: 270 years of every day. */
const MOST_STEPS = 100_000;
/** Days of one file, the rest is left out and said; and letters of what a day is. */
const { days: MOST_DAYS, text: MOST_TEXT } = CALENDAR_LIMITS;

export interface IcsReading {
  /** What the file calls itself; empty where it does not. */
  name: string;
  days: DayEntry[];
  /** What was wrong with it, in sentences. */
  said: string[];
}

/**
 * Reads a file of events (RFC 5545): what is in it between two days, in one time zone. Events are read one by one, so
 * that a broken one costs nobody else. Throws nothing: a file that is none gives no days and a sentence.
 */
export function readIcs(text: string, from: Day, to: Day, zone: string): IcsReading {
  const said = new Set<string>();
  const blocks = blocksOf(text, "VEVENT");
  const name = /^X-WR-CALNAME[^:\r\n]*:(.*)$/m.exec(text)?.[1]?.trim().replaceAll("\\,", ",") ?? "";
  if (!isCalendarFile(text))
    return {
      name: "",
      days: [],
      said: ["This is no calendar file: it does not begin with BEGIN:VCALENDAR."],
    };
  for (const zoneText of blocksOf(text, "VTIMEZONE")) registerZone(zoneText);
  const events: ICAL.Event[] = [];
  let broken = 0;
  for (const block of blocks) {
    try {
      events.push(new ICAL.Event(new ICAL.Component(ICAL.parse(block) as never)));
    } catch {
      broken++;
    }
  }
  const unended = (text.match(/^BEGIN:VEVENT/gim)?.length ?? 0) - blocks.length;
  if (unended > 0) broken += unended;
  const days: DayEntry[] = [];
  const exceptions = new Map<string, ICAL.Event[]>();
  for (const event of events)
    if (event.isRecurrenceException())
      exceptions.set(event.uid, [...(exceptions.get(event.uid) ?? []), event]);
  const mains = new Set(events.filter((event) => !event.isRecurrenceException()).map(({ uid }) => uid));
  for (const event of events) {
    try {
      if (event.isRecurrenceException()) {
        // One of a series whose first is in another file stands by itself.
        if (!mains.has(event.uid))
          push(days, occurrence(event, event.startDate, event.endDate, zone, said), from, to);
        continue;
      }
      const changed = exceptions.get(event.uid) ?? [];
      for (const entry of occurrences(event, changed, { from, to }, zone, said)) push(days, entry, from, to);
    } catch {
      broken++;
    }
  }
  if (broken > 0)
    said.add(
      `${broken === 1 ? "One event" : `${broken} events`} could not be read and ${broken === 1 ? "is" : "are"} left out; all others are here.`,
    );
  if (blocks.length === 0 && broken === 0) said.add("There are no events in this file.");
  days.sort(byDay);
  if (days.length > MOST_DAYS)
    said.add(`There are ${days.length} days in this time; the first ${MOST_DAYS} are taken.`);
  return { name: name.slice(0, 100), days: days.slice(0, MOST_DAYS), said: [...said] };
}

/** The parts of a file between BEGIN and END of something, with them. */
function blocksOf(text: string, what: string): string[] {
  const blocks: string[] = [];
  const [begin, end] = [`BEGIN:${what}`, `END:${what}`];
  const upper = text.toUpperCase();
  for (let at = upper.indexOf(begin); at !== -1; at = upper.indexOf(begin, at + begin.length)) {
    const close = upper.indexOf(end, at);
    const next = upper.indexOf(begin, at + begin.length);
    // One that is never closed ends nobody else.
    if (close === -1) break;
    if (next !== -1 && next < close) continue;
    blocks.push(text.slice(at, close + end.length));
  }
  return blocks;
}

function registerZone(text: string): void {
  try {
    const component = new ICAL.Component(ICAL.parse(text) as never);
    const zone = new ICAL.Timezone(component);
    if (zone.tzid) ICAL.TimezoneService.register(zone as never, zone.tzid as never);
  } catch {
    // Times in a zone that cannot be read are told by the platform’s own, or as they stand.
  }
}

/** Every occurrence of an event that may be in these days; one of a series that was changed by itself as it was changed. */
function* occurrences(
  event: ICAL.Event,
  changed: readonly ICAL.Event[],
  { from, to }: { from: Day; to: Day },
  zone: string,
  said: Set<string>,
): Generator<DayEntry | null> {
  const { startDate: start, endDate: end } = event;
  if (!event.isRecurring()) {
    yield occurrence(event, start, end, zone, said);
    return;
  }
  const instead = new Map(changed.map((other) => [asUtc(other.recurrenceId).getTime(), other]));
  const length = end ? asUtc(end).getTime() - asUtc(start).getTime() : 0;
  const found: Date[] = [];
  let steps = 0;
  seriesOf(event).all((date) => {
    const day = date.getTime() / 86_400_000;
    if (day + length / 86_400_000 >= from - 1 && day < to + 2) found.push(date);
    if (++steps > MOST_STEPS)
      said.add(
        `“${titleOf(event).slice(0, 60)}” comes so often that only its first ${MOST_STEPS} times were looked at.`,
      );
    return day < to + 2 && steps <= MOST_STEPS;
  });
  for (const date of found) {
    const other = instead.get(date.getTime());
    const ends = end && timeLike(end, new Date(date.getTime() + length));
    yield other
      ? occurrence(other, other.startDate, other.endDate, zone, said)
      : occurrence(event, timeLike(start, date), ends, zone, said);
  }
}

/** The rules of an event, the dates beside them and those that are left out, as the clock of its own zone tells them. */
function seriesOf({ component, startDate }: ICAL.Event): InstanceType<typeof RRuleSet> {
  const set = new RRuleSet();
  const dtstart = asUtc(startDate);
  const rules = component.getAllProperties("rrule");
  for (const property of rules) {
    const rule = property.getFirstValue() as ICAL.Recur;
    const { until, ...options } = RRule.parseString(rule.toString());
    set.rrule(new RRule({ ...options, dtstart, ...(until && { until: untilOf(rule, startDate) }) }));
  }
  // Without a rule the event itself is the first of its dates.
  if (rules.length === 0) set.rdate(dtstart);
  const each = (name: string, add: (date: Date) => void) => {
    for (const property of component.getAllProperties(name))
      for (const value of property.getValues() as unknown as ICAL.Time[])
        if ("year" in value) add(asUtc(value));
  };
  each("rdate", (date) => set.rdate(date));
  each("exdate", (date) => set.exdate(date));
  return set;
}

/** The last moment of a rule by the clock of the event’s zone; the whole of a day that is named alone. */
function untilOf({ until }: ICAL.Recur, start: ICAL.Time): Date {
  if (!until) throw new Error("It has no end");
  if (until.isDate) return new Date(asUtc(until).getTime() + 86_399_000);
  const isFloating = !start.zone || start.zone === ICAL.Timezone.localTimezone;
  return asUtc(
    until.zone === ICAL.Timezone.utcTimezone && !isFloating ? until.convertToZone(start.zone) : until,
  );
}

/** What a clock says, as a moment of UTC: so rules are worked out, whatever the zone. */
const asUtc = ({ year, month, day, hour, minute, second, isDate }: ICAL.Time): Date =>
  new Date(dayOf(year, month, day) * 86_400_000 + (isDate ? 0 : (hour * 3600 + minute * 60 + second) * 1000));

/** A time of the same zone as another. */
function timeLike(like: ICAL.Time, date: Date): ICAL.Time {
  const time = like.clone();
  time.year = date.getUTCFullYear();
  time.month = date.getUTCMonth() + 1;
  time.day = date.getUTCDate();
  if (like.isDate) return time;
  time.hour = date.getUTCHours();
  time.minute = date.getUTCMinutes();
  time.second = date.getUTCSeconds();
  return time;
}

const dayOfTime = ({ year, month, day }: ICAL.Time): Day => dayOf(year, month, day);

const titleOf = (event: ICAL.Event): string => (event.summary ?? "").replaceAll(/\s+/g, " ").trim();

/** One event as a day or several in a row; null for what was called off. */
function occurrence(
  event: ICAL.Event,
  start: ICAL.Time,
  end: ICAL.Time | null,
  zone: string,
  said: Set<string>,
): DayEntry | null {
  if (String(event.component.getFirstPropertyValue("status") ?? "").toUpperCase() === "CANCELLED")
    return null;
  if (!start) throw new Error("It has no day");
  const text = titleOf(event).slice(0, MOST_TEXT);
  if (start.isDate) {
    const first = dayOfTime(start);
    // The end of whole days is the day after (RFC 5545, 3.6.1).
    const last = Math.max(first, end ? dayOfTime(end) - 1 : first);
    return entry(first, last, text);
  }
  const begins = clockIn(event, start, zone, said);
  const ends = end ? clockIn(event, end, zone, said) : begins;
  // What ends at midnight is not in the day that begins then.
  const last = ends.hour === 0 && ends.minute === 0 && ends.day > begins.day ? ends.day - 1 : ends.day;
  return entry(
    begins.day,
    Math.max(begins.day, last),
    `${writeClock(begins)} ${text}`.trim().slice(0, MOST_TEXT),
  );
}

const entry = (first: Day, last: Day, text: string): DayEntry => ({
  day: writeDay(first),
  ...(last > first && { last: writeDay(last) }),
  text,
});

/** What the clock says in the zone that days are told in. Times without a zone are of wherever one is. */
function clockIn(
  event: ICAL.Event,
  time: ICAL.Time,
  zone: string,
  said: Set<string>,
): ReturnType<typeof clockAt> {
  const floating = { day: dayOfTime(time), hour: time.hour, minute: time.minute };
  const { zone: own } = time;
  const seconds = time.hour * 3600 + time.minute * 60 + time.second;
  if (own === ICAL.Timezone.utcTimezone) return clockAt((dayOfTime(time) * 86_400 + seconds) * 1000, zone);
  const named = String(event.component.getFirstProperty("dtstart")?.getParameter("tzid") ?? "");
  if (own && own !== ICAL.Timezone.localTimezone) return clockAt(time.toUnixTime() * 1000, zone);
  if (named === "") return floating;
  if (isZone(named)) return clockAt(instantOf(dayOfTime(time), seconds, named), zone);
  said.add(`Nobody knows the time zone “${named.slice(0, 60)}”: its times are taken as they stand.`);
  return floating;
}

function push(days: DayEntry[], one: DayEntry | null, from: Day, to: Day): void {
  if (one && one.day <= writeDay(to) && (one.last ?? one.day) >= writeDay(from)) days.push(one);
}
