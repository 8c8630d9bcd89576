import { execFileSync } from "node:child_process";
import { describe, expect, it } from "vitest";
import {
  dateOf,
  dayOf,
  daysOfMonth,
  easter,
  isDate,
  ISO_WEEKS,
  julianEaster,
  monthOf,
  readDay,
  readMonth,
  weekdayOf,
  weekOf,
  weekStart,
  writeDay,
  writeMonth,
} from "./index.ts";

/** Asks the Python that ships with Debian, whose calendar is a work of its own. */
const python = (script: string): string[] =>
  execFileSync("/usr/bin/python3", ["-c", script], { encoding: "utf8", maxBuffer: 64 * 2 ** 20 })
    .trimEnd()
    .split("\n");

describe("civil days", () => {
  it("are those of Python’s calendar, with their ISO weeks, for every day from 1583 to 2600", () => {
    const lines = python(`
import datetime
first, last = datetime.date(1583, 1, 1).toordinal(), datetime.date(2600, 12, 31).toordinal()
days = [datetime.date.fromordinal(n) for n in range(first, last + 1)]
print("\\n".join(f"{d} {d.isoweekday()} {d.isocalendar()[0]} {d.isocalendar()[1]}" for d in days))`);
    const first = dayOf(1583, 1, 1);
    const ours = lines.map((_, i) => {
      const { year, week } = weekOf(first + i, ISO_WEEKS);
      return `${writeDay(first + i)} ${weekdayOf(first + i)} ${year} ${week}`;
    });
    // 1018 years of 365 days, and 255 − 8 leap days.
    expect(lines.length).toBe(371_817);
    expect(ours.findIndex((own, i) => own !== lines[i])).toBe(-1);
    for (let day = first; day < first + lines.length; day += 97) {
      const { year, month, day: number } = dateOf(day);
      expect(dayOf(year, month, number)).toBe(day);
    }
  });

  it("count from 1 January 1970, a Thursday, as ISO 8601 and POSIX have it", () => {
    expect(dayOf(1970, 1, 1)).toBe(0);
    expect(weekdayOf(0)).toBe(4);
    // 20 years of 365 days and five leap days.
    expect(dayOf(1990, 1, 1)).toBe(7305);
    expect(writeDay(dayOf(9999, 12, 31))).toBe("9999-12-31");
  });

  it("have months of 28 to 31 days, also in the years that are no leap years by the century", () => {
    const february = (year: number) => daysOfMonth(monthOf(year, 2)).count;
    expect([1600, 1700, 1800, 1900, 2000, 2100, 2027, 2028].map(february)).toEqual([
      29, 28, 28, 28, 29, 28, 28, 29,
    ]);
    expect(writeMonth(monthOf(2027, 12) + 1)).toBe("2028-01");
  });

  it("are read from what is one of them alone", () => {
    expect(readDay("2027-03-28")).toBe(dayOf(2027, 3, 28));
    for (const text of [
      "2027-02-29",
      "1582-12-31",
      "2027-13-01",
      "2027-3-28",
      "28.3.2027",
      "10000-01-01",
      "",
    ])
      expect(readDay(text), text).toBeNull();
    expect(readMonth("2027-03")).toBe(monthOf(2027, 3));
    for (const text of ["2027-00", "2027-13", "1582-12", "2027"]) expect(readMonth(text), text).toBeNull();
    expect(isDate(2028, 2, 29)).toBe(true);
  });
});

describe("weeks that begin otherwise", () => {
  it("begin with the day that is asked for", () => {
    const day = dayOf(2027, 3, 28);
    expect(writeDay(weekStart(day, 1))).toBe("2027-03-22");
    expect(writeDay(weekStart(day, 7))).toBe("2027-03-28");
    expect(writeDay(weekStart(day, 6))).toBe("2027-03-27");
  });

  it("are numbered as strftime’s %U of Debian’s Python numbers full weeks from Sunday", () => {
    // %U: the first week is the one with the first Sunday; the days before it are in week 0, here the last of the year before.
    const lines = python(`
import datetime
day = datetime.date(2020, 1, 1)
while day.year < 2035:
    print(day.strftime("%U"))
    day += datetime.timedelta(days=1)`);
    const first = dayOf(2020, 1, 1);
    const ours = lines.map((_, i) => {
      const { year, week } = weekOf(first + i, { first: 7, least: 7 });
      return year === dateOf(first + i).year ? week : 0;
    });
    expect(ours).toEqual(lines.map(Number));
  });

  it("have 1 January in the first of them where one day is enough", () => {
    for (let year = 2020; year < 2040; year++)
      expect(weekOf(dayOf(year, 1, 1), { first: 7, least: 1 })).toEqual({ year, week: 1 });
  });
});

describe("Easter", () => {
  it("is on the Sunday after the paschal full moon of the table for 1900 to 2199 in the Book of Common Prayer", () => {
    // By the golden number from 1: days after 21 March.
    const moons = [24, 13, 2, 21, 10, 28, 18, 7, 26, 15, 4, 23, 12, 1, 20, 9, 27, 17, 6];
    for (let year = 1900; year <= 2199; year++) {
      const moon = dayOf(year, 3, 21 + moons[year % 19]!);
      expect(writeDay(easter(year)), String(year)).toBe(writeDay(weekStart(moon, 7) + 7));
    }
  });

  it("is where dateutil has it from 1583 to 4099, by both calendars", () => {
    const lines = python(`
from dateutil.easter import easter
for year in range(1583, 4100):
    print(easter(year, 3), easter(year, 2))`);
    const ours = lines.map((_, i) => `${writeDay(easter(1583 + i))} ${writeDay(julianEaster(1583 + i))}`);
    expect(ours).toEqual(lines);
  });
});
