import { describe, expect, it } from "vitest";
import { dayOf, writeDay, type Weekday } from "../base/day/index.ts";
import {
  freshCalendar,
  languageOf,
  notesIn,
  weeksOf,
  writeCount,
  writeYear,
  type Calendar,
  type DayEntry,
} from "./index.ts";
import { calendarSchema } from "./schema.ts";

const LOCALES =
  "en-GB en-US de-DE fr-FR es-ES pt-PT pt-BR it-IT nl-NL sv-SE nb-NO da-DK fi-FI is-IS pl-PL cs-CZ hu-HU ro-RO bg-BG el-GR ru-RU uk-UA tr-TR he-IL ar-EG ar-SA ar-AE fa-IR fa-AF hi-IN bn-BD th-TH vi-VN id-ID ja-JP ko-KR zh-CN zh-TW dv-MV en-ZA";

describe("weeks", () => {
  it.each(LOCALES.split(" "))("of %s are as ICU has them", (locale) => {
    const icu = new Intl.Locale(locale) as Intl.Locale & {
      weekInfo: { firstDay: Weekday; minimalDays: number; weekend: Weekday[] };
    };
    const { firstDay, minimalDays, weekend } = icu.weekInfo;
    expect(weeksOf(locale)).toEqual({ first: firstDay, least: minimalDays, weekend });
  });
});

describe("names", () => {
  it("stand alone as a language has them, and are kept", () => {
    const polish = languageOf("pl-PL");
    expect(polish.months[2]).toBe("marzec");
    expect(polish.days[0]).toBe("poniedziałek");
    expect(languageOf("ja-JP")).toMatchObject({
      year: "[year]年",
      yearFirst: true,
      digits: null,
      leftwards: false,
    });
    expect(polish.yearFirst).toBe(false);
    const arabic = languageOf("ar-EG");
    expect(arabic).toMatchObject({ digits: "٠١٢٣٤٥٦٧٨٩", leftwards: true });
    expect(writeCount(28, arabic)).toBe("٢٨");
    expect(writeYear(2027, languageOf("ja-JP"))).toBe("2027年");
    expect(writeYear(2027, languageOf("en-GB"))).toBe("2027");
    // Years are of the Gregorian calendar, also where another one is the usual.
    expect(writeYear(2027, languageOf("th-TH"))).toContain("2027");
    expect(writeYear(2027, languageOf("fa-IR"))).toBe("۲۰۲۷");
  });

  it("are a calendar that the job file takes, in every one of these languages", () => {
    for (const locale of LOCALES.split(" ")) {
      const fresh = freshCalendar(locale);
      expect(calendarSchema.parse(JSON.parse(JSON.stringify(fresh))), locale).toEqual(fresh);
    }
  });
});

const withDays = (...days: DayEntry[]): Calendar => ({
  ...freshCalendar("en-GB"),
  sources: {
    s1: {
      name: "Days",
      from: { kind: "typed" },
      colour: "#34409c",
      words: true,
      mark: "dot",
      off: false,
      shown: true,
      days,
    },
  },
});

const said = (calendar: Calendar, from: string, to: string) => {
  const day = (text: string) => dayOf(...(text.split("-").map(Number) as [number, number, number]));
  return notesIn(calendar, day(from), day(to)).all.map(({ first, last, text }) =>
    [writeDay(first), ...(last > first ? [writeDay(last)] : []), text].join(" "),
  );
};

describe("days that mean something", () => {
  it("are on their day once, or in every year since, counted where that is wanted", () => {
    const calendar = withDays(
      { day: "2027-03-14", text: "Work party" },
      { day: "1990-06-02", text: "Wren", yearly: true, counts: true },
      { day: "2000-12-24", text: "Eve", yearly: true },
      { day: "2029-01-05", text: "Later", yearly: true, counts: true },
    );
    expect(said(calendar, "2027-01-01", "2028-12-31")).toEqual([
      "2027-03-14 Work party",
      "2027-06-02 Wren 37",
      "2028-06-02 Wren 38",
      "2027-12-24 Eve",
      "2028-12-24 Eve",
    ]);
  });

  it("of 29 February are on the 28th in years without one", () => {
    const leap = withDays({ day: "2000-02-29", text: "Finn", yearly: true, counts: true });
    expect(said(leap, "2027-01-01", "2028-12-31")).toEqual(["2027-02-28 Finn 27", "2028-02-29 Finn 28"]);
  });

  it("in a row reach into the span from before it and beyond it", () => {
    const calendar = withDays(
      { day: "2026-12-28", last: "2027-01-03", text: "Away" },
      { day: "2000-12-30", last: "2001-01-02", text: "Turn of the year", yearly: true },
    );
    expect(said(calendar, "2027-01-01", "2027-01-31")).toEqual([
      "2026-12-28 2027-01-03 Away",
      "2026-12-30 2027-01-02 Turn of the year",
    ]);
    const notes = notesIn(calendar, dayOf(2027, 1, 1), dayOf(2027, 1, 31));
    expect(notes.on(dayOf(2027, 1, 2)).map(({ text }) => text)).toEqual(["Away", "Turn of the year"]);
    expect(notes.on(dayOf(2027, 1, 4))).toEqual([]);
  });

  it("are days off on Sundays, and by their source", () => {
    const calendar = withDays({ day: "2027-03-26", text: "Holiday" });
    calendar.sources.s1!.off = true;
    const { isOff } = notesIn(calendar, dayOf(2027, 3, 1), dayOf(2027, 3, 31));
    const off = Array.from({ length: 31 }, (_, i) => i + 1).filter((day) => isOff(dayOf(2027, 3, day)));
    expect(off).toEqual([7, 14, 21, 26, 28]);
  });

  it("are refused where they are no days", () => {
    const parse = (entry: object) => calendarSchema.safeParse(withDays(entry as DayEntry)).success;
    expect(parse({ day: "1582-10-10", text: "" })).toBe(false);
    expect(parse({ day: "2027-02-30", text: "" })).toBe(false);
    expect(parse({ day: "2027-03-02", last: "2027-03-01", text: "" })).toBe(false);
    expect(parse({ day: "2027-03-02", last: "2027-03-05", text: "Tide" })).toBe(true);
  });
});
