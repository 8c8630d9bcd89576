import { ENGLISH, type Calendar, type DayEntry, type DaySource, type DaysFrom } from "@wide-quilt/core";

/** What happens at Marram Spit in 2027, as its warden keeps it: an .ics file of made-up events. */
const EVENTS: readonly [uid: string, ...lines: string[]][] = [
  ["counts", "DTSTART;VALUE=DATE:20270117", "RRULE:FREQ=MONTHLY;BYDAY=3SU", "SUMMARY:Wetland count"],
  ["ringing-spring", "DTSTART;VALUE=DATE:20270313", "DTEND;VALUE=DATE:20270316", "SUMMARY:Spring ringing"],
  ["equinox", "DTSTART:20270320T093000Z", "DTEND:20270320T110000Z", "SUMMARY:Equinox tide walk"],
  ["terns", "DTSTART;VALUE=DATE:20270424", "SUMMARY:First terns"],
  ["work", "DTSTART;VALUE=DATE:20270508", "RRULE:FREQ=MONTHLY;COUNT=5;BYDAY=2SA", "SUMMARY:Work party"],
  ["wardens", "DTSTART;VALUE=DATE:20270605", "DTEND;VALUE=DATE:20270608", "SUMMARY:Wardens’ weekend"],
  ["swifts", "DTSTART;VALUE=DATE:20270718", "SUMMARY:Swifts gather"],
  ["curlews", "DTSTART;VALUE=DATE:20270821", "SUMMARY:Curlews are back"],
  ["ringing-autumn", "DTSTART;VALUE=DATE:20270911", "DTEND;VALUE=DATE:20270919", "SUMMARY:Autumn ringing"],
  ["open-day", "DTSTART;VALUE=DATE:20271002", "SUMMARY:Open day"],
  ["geese", "DTSTART;VALUE=DATE:20271023", "SUMMARY:Brent geese"],
  ["lamp", "DTSTART;VALUE=DATE:20271211", "SUMMARY:Lamp evening at the hide"],
];

export const TIDES_ICS: string = [
  "BEGIN:VCALENDAR",
  "VERSION:2.0",
  "PRODID:-//Marram Spit//Diary//EN",
  "X-WR-CALNAME:The spit’s diary",
  ...EVENTS.flatMap(([uid, ...lines]) => [
    "BEGIN:VEVENT",
    `UID:${uid}@marram-spit.example`,
    "DTSTAMP:20261101T120000Z",
    ...lines,
    "END:VEVENT",
  ]),
  "END:VCALENDAR",
  "",
].join("\r\n");

const BIRTHDAYS: DayEntry[] = [
  { day: "1994-02-11", text: "Linnea", yearly: true, counts: true },
  { day: "1988-05-23", text: "Tobias", yearly: true, counts: true },
  { day: "1971-07-07", text: "Edmund", yearly: true, counts: true },
  { day: "2001-11-19", text: "Amara", yearly: true, counts: true },
];

/** Where the calendar’s days come from, and how they are shown. */
export const DEMO_SOURCES: readonly {
  name: string;
  from: DaysFrom | "diary";
  shows: Omit<DaySource, "name" | "from" | "days">;
  days?: DayEntry[];
}[] = [
  {
    name: "Holidays of England",
    from: { kind: "holidays", country: "GB", state: "ENG", region: null, language: "en", all: false },
    shows: { colour: "#a8322a", mark: "none", off: true, words: true, shown: true },
  },
  {
    name: "The spit’s diary",
    from: "diary",
    shows: { colour: "#34409c", mark: "dot", off: false, words: true, shown: true },
  },
  {
    name: "Birthdays",
    from: { kind: "typed" },
    shows: { colour: "#8a4f00", mark: "ring", off: false, words: true, shown: true },
    days: BIRTHDAYS,
  },
  {
    name: "Moon",
    from: { kind: "moon", zone: "Europe/London" },
    shows: { colour: "#646b77", mark: "none", off: false, words: false, shown: true },
  },
];

/** The calendar of the demo, once the days of its sources were worked out, in their order. */
export const demoCalendar = (sources: readonly DaySource[]): Calendar => ({
  ...ENGLISH,
  sources: Object.fromEntries(sources.map((source, i) => [`s${i + 1}`, source])),
});
