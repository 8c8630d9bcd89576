import { execFileSync } from "node:child_process";
import { mkdirSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { applyEdit, dayOf, freshJob, readDay, type DaysFrom, type Job, type JobEdit } from "@wide-quilt/core";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { readIcs } from "../src/calendar/sources/ics.ts";
import { moonDays, sunDays } from "../src/calendar/sources/sky.ts";
import type { CalendarFileView, DaysView, HolidayPlace, JobView, NextYearView } from "../src/contract.ts";
import { Server } from "../testing/server.ts";
import { Client, testFolder } from "./client.ts";

const folder = testFolder();
let server: Server;
let client: Client;
beforeAll(async () => {
  server = await Server.start(folder);
  client = new Client(server);
});
afterAll(() => server.kill());

const event = (...lines: string[]) => [
  "BEGIN:VEVENT",
  `UID:${lines.join().length}-${lines[0]}@x`,
  "DTSTAMP:20260101T000000Z",
  ...lines,
  "SUMMARY:E",
  "END:VEVENT",
];
const file = (...events: string[][]) =>
  ["BEGIN:VCALENDAR", "VERSION:2.0", "PRODID:-//x//EN", ...events.flat(), "END:VCALENDAR", ""].join("\r\n");

const NEW_YORK = [
  ...["BEGIN:VTIMEZONE", "TZID:America/New_York", "BEGIN:DAYLIGHT", "DTSTART:20070311T020000"],
  ...[
    "RRULE:FREQ=YEARLY;BYMONTH=3;BYDAY=2SU",
    "TZOFFSETFROM:-0500",
    "TZOFFSETTO:-0400",
    "TZNAME:EDT",
    "END:DAYLIGHT",
  ],
  ...["BEGIN:STANDARD", "DTSTART:20071104T020000", "RRULE:FREQ=YEARLY;BYMONTH=11;BYDAY=1SU"],
  ...["TZOFFSETFROM:-0400", "TZOFFSETTO:-0500", "TZNAME:EST", "END:STANDARD", "END:VTIMEZONE"],
];

/** Rules of RFC 5545, 3.8.5.3 (its examples, their years moved), and some of our own; whole days where a time says nothing. */
const RULES: string[][] = [
  ["DTSTART;VALUE=DATE:20270902", "RRULE:FREQ=DAILY;COUNT=10"],
  ["DTSTART;VALUE=DATE:20270902", "RRULE:FREQ=DAILY;UNTIL=20271224"],
  ["DTSTART;VALUE=DATE:20270902", "RRULE:FREQ=DAILY;INTERVAL=2"],
  ["DTSTART;VALUE=DATE:20270902", "RRULE:FREQ=DAILY;INTERVAL=10;COUNT=5"],
  ["DTSTART;VALUE=DATE:20270101", "RRULE:FREQ=YEARLY;UNTIL=20300131;BYMONTH=1;BYDAY=SU,MO,TU,WE,TH,FR,SA"],
  ["DTSTART;VALUE=DATE:20270902", "RRULE:FREQ=WEEKLY;COUNT=10"],
  ["DTSTART;VALUE=DATE:20270902", "RRULE:FREQ=WEEKLY;INTERVAL=2;WKST=SU"],
  ["DTSTART;VALUE=DATE:20270902", "RRULE:FREQ=WEEKLY;COUNT=10;WKST=SU;BYDAY=TU,TH"],
  ["DTSTART;VALUE=DATE:20270903", "RRULE:FREQ=MONTHLY;COUNT=10;BYDAY=1FR"],
  ["DTSTART;VALUE=DATE:20270905", "RRULE:FREQ=MONTHLY;INTERVAL=2;COUNT=10;BYDAY=1SU,-1SU"],
  ["DTSTART;VALUE=DATE:20270920", "RRULE:FREQ=MONTHLY;COUNT=6;BYDAY=-2MO"],
  ["DTSTART;VALUE=DATE:20270928", "RRULE:FREQ=MONTHLY;BYMONTHDAY=-3"],
  ["DTSTART;VALUE=DATE:20270902", "RRULE:FREQ=MONTHLY;COUNT=10;BYMONTHDAY=2,15"],
  ["DTSTART;VALUE=DATE:20270930", "RRULE:FREQ=MONTHLY;COUNT=10;BYMONTHDAY=1,-1"],
  ["DTSTART;VALUE=DATE:20270610", "RRULE:FREQ=YEARLY;COUNT=10;BYMONTH=6,7"],
  ["DTSTART;VALUE=DATE:20270101", "RRULE:FREQ=YEARLY;INTERVAL=3;COUNT=10;BYYEARDAY=1,100,200"],
  ["DTSTART;VALUE=DATE:20270517", "RRULE:FREQ=YEARLY;BYDAY=20MO"],
  ["DTSTART;VALUE=DATE:20270517", "RRULE:FREQ=YEARLY;BYWEEKNO=20;BYDAY=MO"],
  ["DTSTART;VALUE=DATE:20270304", "RRULE:FREQ=YEARLY;BYMONTH=3;BYDAY=TH"],
  ["DTSTART;VALUE=DATE:20270813", "RRULE:FREQ=MONTHLY;BYDAY=FR;BYMONTHDAY=13"],
  ["DTSTART;VALUE=DATE:20270913", "RRULE:FREQ=MONTHLY;BYDAY=SA;BYMONTHDAY=7,8,9,10,11,12,13"],
  [
    "DTSTART;VALUE=DATE:20281107",
    "RRULE:FREQ=YEARLY;INTERVAL=4;BYMONTH=11;BYDAY=TU;BYMONTHDAY=2,3,4,5,6,7,8",
  ],
  ["DTSTART;VALUE=DATE:20270907", "RRULE:FREQ=MONTHLY;COUNT=3;BYDAY=TU,WE,TH;BYSETPOS=3"],
  ["DTSTART;VALUE=DATE:20270929", "RRULE:FREQ=MONTHLY;BYDAY=MO,TU,WE,TH,FR;BYSETPOS=-2"],
  ["DTSTART;VALUE=DATE:20270902", "RRULE:FREQ=WEEKLY;BYDAY=TH", "EXDATE;VALUE=DATE:20270909,20270923"],
  ["DTSTART;VALUE=DATE:20270115", "RDATE;VALUE=DATE:20270220,20270330"],
  ["DTSTART;VALUE=DATE:20280229", "RRULE:FREQ=YEARLY"],
  ["DTSTART;TZID=America/New_York:20270313T230000", "RRULE:FREQ=DAILY;COUNT=4"],
  ["DTSTART:20270301T233000Z", "RRULE:FREQ=WEEKLY;COUNT=6"],
  ["DTSTART;VALUE=DATE:20270131", "RRULE:FREQ=MONTHLY;COUNT=5"],
];

const days = (reading: { days: { day: string }[] }) => reading.days.map(({ day }) => day);
const [FROM, TO] = [dayOf(2027, 1, 1), dayOf(2030, 12, 31)];

describe("files of events", () => {
  it("have the days that python3-icalendar and dateutil find, for thirty rules", () => {
    mkdirSync(join(folder, "rules"), { recursive: true });
    const paths = RULES.map((rule, i) => {
      const path = join(folder, "rules", `${i}.ics`);
      writeFileSync(path, file(NEW_YORK, event(...rule)));
      return path;
    });
    const script = `
import sys, json, datetime, re
from icalendar import Calendar
from dateutil import rrule, tz
zone = tz.gettz("Europe/London")
found = []
for path in sys.argv[1:]:
    calendar = Calendar.from_ical(open(path, "rb").read())
    event = calendar.walk("VEVENT")[0]
    start = event.decoded("DTSTART")
    whole = not isinstance(start, datetime.datetime)
    begin = datetime.datetime(start.year, start.month, start.day) if whole else start
    rules = rrule.rruleset()
    # Of weekdays further than the ninth of a year icalendar reads nothing: the rule as it stands in the file.
    rule = re.search(r"BEGIN:VEVENT.*?^RRULE:(.*?)\\r?$", open(path, newline="").read(), re.S | re.M)
    if rule:
        text = rule.group(1)
        rules.rrule(rrule.rrulestr("RRULE:" + text, dtstart=begin))
    else:
        rules.rdate(begin)
    def dates(name, add):
        value = event.get(name)
        if value is None: return
        for part in (value if isinstance(value, list) else [value]):
            for one in part.dts: add(datetime.datetime(one.dt.year, one.dt.month, one.dt.day))
    dates("RDATE", rules.rdate)
    dates("EXDATE", rules.exdate)
    last = datetime.datetime(2031, 1, 2, tzinfo=begin.tzinfo)
    out = []
    for one in rules:
        if one > last: break
        day = one if whole else one.astimezone(zone)
        if datetime.date(2027, 1, 1) <= day.date() <= datetime.date(2030, 12, 31): out.append(day.date().isoformat())
    found.append(sorted(set(out))[:2000])
print(json.dumps(found))`;
    const theirs = JSON.parse(
      execFileSync("/usr/bin/python3", ["-c", script, ...paths], { encoding: "utf8" }),
    ) as string[][];
    RULES.forEach((rule, i) => {
      const ours = readIcs(file(NEW_YORK, event(...rule)), FROM, TO, "Europe/London");
      expect(ours.said, rule.join(" ")).toEqual([]);
      expect([...new Set(days(ours))], rule.join(" ")).toEqual(theirs[i]);
    });
  });

  it("tell times in the zone that is asked for, and several days as one", () => {
    const one = (...lines: string[]) =>
      readIcs(file(NEW_YORK, event(...lines)), FROM, TO, "Europe/Berlin").days;
    expect(one("DTSTART:20270314T100000Z", "DTEND:20270314T120000Z")).toEqual([
      { day: "2027-03-14", text: "11:00 E" },
    ]);
    // 23:00 in New York, before and after its clocks went forward on 14 March 2027, is five and four hours behind UTC.
    expect(one("DTSTART;TZID=America/New_York:20270313T230000")).toEqual([
      { day: "2027-03-14", text: "05:00 E" },
    ]);
    expect(one("DTSTART;TZID=America/New_York:20270314T230000")).toEqual([
      { day: "2027-03-15", text: "04:00 E" },
    ]);
    expect(one("DTSTART;VALUE=DATE:20270313", "DTEND;VALUE=DATE:20270316")).toEqual([
      { day: "2027-03-13", last: "2027-03-15", text: "E" },
    ]);
    expect(one("DTSTART;VALUE=DATE:20270313", "STATUS:CANCELLED")).toEqual([]);
  });

  it("keep what is good beside what is broken, and say the rest", () => {
    const good = event("DTSTART;VALUE=DATE:20270313");
    const mixed = readIcs(
      file(
        good,
        [
          "BEGIN:VEVENT",
          "UID:1",
          "DTSTART;VALUE=DATE:2027",
          "RRULE:FREQ=SOMETIMES",
          "SUMMARY:X",
          "END:VEVENT",
        ],
        ["BEGIN:VEVENT", "SUMMARY:no day", "UID:2", "END:VEVENT"],
        event("DTSTART;TZID=Spit/Marram:20270314T093000"),
      ),
      FROM,
      TO,
      "Europe/London",
    );
    expect(mixed.days).toEqual([
      { day: "2027-03-13", text: "E" },
      { day: "2027-03-14", text: "09:30 E" },
    ]);
    expect(mixed.said.join(" ")).toMatch(/time zone “Spit\/Marram”/);
    expect(mixed.said.join(" ")).toMatch(/2 events could not be read/);
    expect(readIcs("hello", FROM, TO, "UTC").said[0]).toMatch(/no calendar file/);
    const endless = readIcs(file(event("DTSTART:19000101T000000Z", "RRULE:FREQ=SECONDLY")), FROM, TO, "UTC");
    expect(endless.said[0]).toMatch(/comes so often/);
  });

  it("of 5 MB are read in seconds", () => {
    const many = file(
      ...Array.from({ length: 32_000 }, (_, i) => [
        "BEGIN:VEVENT",
        `UID:${i}@x`,
        `DTSTART;VALUE=DATE:2027${String(1 + (i % 12)).padStart(2, "0")}10`,
        `SUMMARY:Event ${i} with a title that takes some room in the file`,
        "DTSTAMP:20260101T000000Z",
        "END:VEVENT",
      ]),
    );
    expect(many.length).toBeGreaterThan(5_000_000);
    const since = performance.now();
    const read = readIcs(many, FROM, TO, "UTC");
    expect(read.days).toHaveLength(2000);
    expect(read.said.join()).toMatch(/32000 days/);
    expect(performance.now() - since).toBeLessThan(20_000);
  }, 40_000);
});

describe("the sky", () => {
  it("has a new moon at eclipses of the sun and a full one at those of the moon (NASA’s canons of eclipses)", () => {
    const moons = moonDays(dayOf(2026, 1, 1), dayOf(2028, 12, 31), "UTC");
    const on = (moon: string) => moons.filter((one) => one.moon === moon).map(({ day }) => day);
    expect(on("new")).toEqual(
      expect.arrayContaining(["2026-08-12", "2027-02-06", "2027-08-02", "2028-01-26", "2028-07-22"]),
    );
    expect(on("full")).toEqual(expect.arrayContaining(["2026-08-28", "2028-12-31"]));
  });

  it("has the sun up for about twelve hours at the equinox, and not at all in a polar night", () => {
    const [equinox] = sunDays(dayOf(2027, 3, 20), dayOf(2027, 3, 20), {
      latitude: 51.48,
      longitude: 0,
      zone: "UTC",
    });
    const [up, down] = equinox!.text
      .split("–")
      .map((time) => Number(time.slice(0, 2)) * 60 + Number(time.slice(3)));
    expect(Math.abs(down! - up! - 12 * 60)).toBeLessThan(15);
    expect(
      sunDays(dayOf(2027, 12, 21), dayOf(2027, 12, 21), { latitude: 80, longitude: 0, zone: "UTC" }),
    ).toEqual([]);
  });
});

const told = async <T>(...question: Parameters<Client["ask"]>): Promise<T> =>
  (await client.ask<T>(...question)).body;
const ask = (source: DaysFrom, from = "2027-01-01", to = "2027-12-31") =>
  told<DaysView>("POST", "/calendar/days", { from, to, source });

describe("over HTTP", () => {
  it("gives the holidays of a country and of a part of it", async () => {
    const places = await told<HolidayPlace[]>("GET", "/calendar/places?language=en");
    expect(places.length).toBeGreaterThan(100);
    const england = {
      kind: "holidays",
      country: "GB",
      state: "ENG",
      region: null,
      language: "en",
      all: false,
    } as const;
    const { days: found } = await ask(england);
    // Bank holidays of 2027 as gov.uk has them: Easter is on 28 March; Christmas Day is a Saturday.
    const bank = [
      "2027-01-01",
      "2027-03-26",
      "2027-03-29",
      "2027-05-03",
      "2027-05-31",
      "2027-08-30",
      "2027-12-27",
      "2027-12-28",
    ];
    expect(found.map(({ day }) => day)).toEqual(expect.arrayContaining(bank));
  });

  it("keeps a file of events and gives its days again for another year", async () => {
    const form = new FormData();
    form.append(
      "calendar",
      new Blob([file(event("DTSTART;VALUE=DATE:20270313", "RRULE:FREQ=YEARLY"))]),
      "diary.ics",
    );
    const kept = (await (
      await fetch(`${server.address}/api/calendar/files`, { method: "POST", body: form })
    ).json()) as CalendarFileView;
    expect(kept.name).toBe("diary");
    const source = { kind: "file", file: kept.file, zone: "Europe/London" } as const;
    expect((await ask(source)).days).toEqual([{ day: "2027-03-13", text: "E" }]);
    expect((await ask(source, "2028-01-01", "2028-12-31")).days).toEqual([{ day: "2028-03-13", text: "E" }]);
    const bad = new FormData();
    bad.append("calendar", new Blob(["hello"]), "x.ics");
    const refused = await fetch(`${server.address}/api/calendar/files`, { method: "POST", body: bad });
    expect(refused.status).toBe(422);
    expect(((await refused.json()) as { detail: string }).detail).toMatch(/no calendar file/);
  });

  it("refuses what is no source, in a sentence", async () => {
    const refused = async (body: object) => {
      const answer = await fetch(`${server.address}/api/calendar/days`, {
        method: "POST",
        headers: { "Content-Type": "application/json" },
        body: JSON.stringify(body),
      });
      return { status: answer.status, ...((await answer.json()) as { detail?: string }) };
    };
    const moon = { kind: "moon", zone: "Mars/Olympus" };
    expect(await refused({ from: "2027-01-01", to: "2027-02-01", source: moon })).toMatchObject({
      status: 422,
      detail: /Mars/ as never,
    });
    expect((await refused({ from: "1500-01-01", to: "1500-02-01", source: { kind: "typed" } })).status).toBe(
      422,
    );
    expect((await refused({ from: "2027-01-01", to: "2077-02-01", source: { kind: "typed" } })).status).toBe(
      422,
    );
    expect(
      (
        await refused({
          from: "2027-01-01",
          to: "2027-02-01",
          source: { kind: "file", file: "../../x", zone: "UTC" },
        })
      ).status,
    ).toBe(404);
    expect((await refused({ from: "x", to: "2027-02-01", source: {} })).status).toBe(400);
  });

  it("makes next year’s calendar, its days renewed", async () => {
    const from = {
      kind: "holidays",
      country: "DE",
      state: "BY",
      region: null,
      language: "de",
      all: false,
    } as const;
    const worked = { from: "2026-12-01", to: "2028-01-31" };
    const { days: found } = await ask(from, worked.from, worked.to);
    const shows = { colour: "#a8322a", words: true, mark: "none", off: true, shown: true } as const;
    const job: Job = [
      { do: "days", sources: { s1: { name: "Feiertage", from, ...shows, worked, days: found } } },
    ].reduce(
      (one, edit) => applyEdit(one, edit as JobEdit),
      freshJob("calendar", "Kalender 2027", "de-DE", undefined, 2027),
    );
    const { id } = await told<JobView>("POST", "/jobs/import", job);
    const next = await told<NextYearView>("POST", `/jobs/${id}/next-year`);
    const view = await told<JobView>("GET", `/jobs/${next.id}`);
    expect(next.said).toEqual([]);
    expect(view.job).toMatchObject({ name: "Kalender 2028", ticket: { first: "2028-01" } });
    // Easter Monday is on 29 March 2027 and 17 April 2028.
    const easter = view.job
      .calendar!.sources.s1!.days.filter(({ text }) => text === "Ostermontag")
      .map(({ day }) => day);
    expect(easter).toEqual(["2028-04-17"]);
    const ics = await (await fetch(`${server.address}/api/jobs/${next.id}/calendar.ics`)).text();
    expect(ics).toContain("DTSTART;VALUE=DATE:20280417");
    expect(readIcs(ics, readDay("2028-01-01")!, readDay("2028-12-31")!, "UTC").days.length).toBeGreaterThan(
      8,
    );
  });

  it("gives one month by itself, and says where there is none", async () => {
    const job = freshJob("calendar", "Tides", "en-GB", undefined, 2027);
    const { id } = await told<JobView>("POST", "/jobs/import", job);
    const march = await told<JobView>("POST", `/jobs/${id}/month`, { page: "2027-03" });
    expect(march.job).toMatchObject({ name: "Tides, March", ticket: { first: "2027-03", months: 1 } });
    const refused = await fetch(`${server.address}/api/jobs/${id}/month`, {
      method: "POST",
      headers: { "Content-Type": "application/json" },
      body: JSON.stringify({ page: "2031-03" }),
    });
    expect(refused.status).toBe(422);
    expect(await refused.text()).toContain("no page “2031-03”");
  });
});
