import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { daysOfMonth, monthOf, writeDay } from "../../../base/day/index.ts";
import { contains, type Rect } from "../../../base/geometry/index.ts";
import { mm, um } from "../../../base/length/index.ts";
import { freshCalendar, type Calendar, type DaySource } from "../../../calendar/index.ts";
import { textWidth } from "../../words/index.ts";
import { DAY_STYLES, drawDays, type DayStyle, type Design } from "../index.ts";
import { weekTitle } from "./week.ts";

const LOCALES = ["en-GB", "de-DE", "ar-EG", "ja-JP", "en-US"] as const;
const calendars = new Map(LOCALES.map((locale) => [locale, freshCalendar(locale)]));

const source = (days: DaySource["days"], more: Partial<DaySource> = {}): DaySource => ({
  name: "Days",
  from: { kind: "typed" },
  colour: "#34409c",
  words: true,
  mark: "dot",
  off: false,
  shown: true,
  days,
  ...more,
});

const box = (width: number, height: number): Rect => ({
  x: mm(7),
  y: mm(11),
  width: mm(width),
  height: mm(height),
});

const draw = (calendar: Calendar, style: DayStyle, at: Rect, own: Partial<Design> = {}, month = "2027-03") =>
  drawDays({ of: { span: "month", month }, style, own, ...at }, calendar, () => null);

const textsOf = (inks: ReturnType<typeof draw>["inks"]) =>
  inks.flatMap((ink) => (ink.kind === "text" ? [ink.text] : []));

const figuresOf = (inks: ReturnType<typeof draw>["inks"], digits: string | null) => {
  const plain = (text: string) =>
    [...text].map((sign) => (digits === null ? sign : String([...digits].indexOf(sign)))).join("");
  return textsOf(inks)
    .flatMap(({ lines }) => lines.map(({ text }) => plain(text)))
    .filter((text) => /^\d{1,2}$/.test(text))
    .map(Number);
};

/** The columns and rows that figures stand in, by their day. */
const placesOf = (drawn: ReturnType<typeof draw>) =>
  new Map(drawn.days.map(({ day, box: at }) => [writeDay(day), at]));

describe("a month", () => {
  it("stands under its weekdays: 1 March 2027 is a Monday, 31 March a Wednesday in the fifth week", () => {
    const at = placesOf(draw(freshCalendar("en-GB"), "write", box(70, 100)));
    const [first, tenth, last] = ["2027-03-01", "2027-03-10", "2027-03-31"].map((day) => at.get(day)!);
    expect(first!.x).toBe(mm(7));
    expect(first!.width).toBe(mm(10));
    expect(tenth!.x).toBe(mm(27));
    expect(last!.x).toBe(mm(27));
    // 82 % of 100 mm for five weeks.
    expect(last!.y + last!.height).toBe(mm(111));
    expect(last!.height).toBe(um(16_400));
    // Weeks from Sunday: the Monday stands second.
    expect(placesOf(draw(freshCalendar("en-US"), "write", box(70, 100))).get("2027-03-01")!.x).toBe(mm(17));
  });

  it("stands the other way round in languages that are written from right to left", () => {
    // Weeks from Saturday in Egypt: Monday is the third day, the fifth column from the left.
    const at = placesOf(draw(freshCalendar("ar-EG"), "write", box(70, 100))).get("2027-03-01")!;
    expect(at.x).toBe(mm(7 + 70 - 3 * 10));
  });

  it("has figures of one size in every month, where six weeks have room", () => {
    const sizes = Array.from({ length: 12 }, (_, i) => {
      const month = `2027-${String(i + 1).padStart(2, "0")}`;
      const one = textsOf(draw(freshCalendar("en-GB"), "large", box(120, 90), {}, month).inks).find(
        ({ lines }) => lines[0]!.text === "12",
      );
      return one!.size;
    });
    expect(new Set(sizes).size).toBe(1);
  });

  it("has its days in their order, in every style and language", () => {
    for (const [locale, calendar] of calendars)
      for (const style of DAY_STYLES)
        for (let month = 1; month <= 12; month++) {
          const { inks, days } = draw(
            calendar,
            style,
            box(90, 120),
            {},
            `2027-${String(month).padStart(2, "0")}`,
          );
          const { first, count } = daysOfMonth(monthOf(2027, month));
          const all = Array.from({ length: count }, (_, i) => i + 1);
          expect(figuresOf(inks, calendar.languages[0]!.digits), `${locale} ${style} ${month}`).toEqual(all);
          expect(days.map(({ day }) => day)).toEqual(all.map((number) => first + number - 1));
        }
  });

  it("has the days of other months, the numbers of weeks and the months beside it where they are wanted", () => {
    const { inks } = draw(freshCalendar("en-GB"), "write", box(100, 100), {
      weekNumbers: true,
      others: true,
    });
    // By hand: weeks 9 to 13 of 2027 before their days, and 1 to 4 April at the end.
    expect(figuresOf(inks, null)).toEqual([
      ...[9, 1, 2, 3, 4, 5, 6, 7],
      ...[10, 8, 9, 10, 11, 12, 13, 14],
      ...[11, 15, 16, 17, 18, 19, 20, 21],
      ...[12, 22, 23, 24, 25, 26, 27, 28],
      ...[13, 29, 30, 31, 1, 2, 3, 4],
    ]);
    const near = draw(freshCalendar("en-GB"), "write", box(100, 100), { near: true });
    expect(figuresOf(near.inks, null)).toHaveLength(31 + 28 + 30);
    expect(textsOf(near.inks).map(({ lines }) => lines[0]!.text)).toEqual(
      expect.arrayContaining(["February 2027", "April 2027"]),
    );
  });
});

describe("what days mean", () => {
  const busy: Calendar = {
    ...freshCalendar("en-GB"),
    sources: {
      s1: source([
        { day: "2027-03-05", text: "A talk about the waders of the northern shore" },
        { day: "2027-03-12", text: "Donaudampfschifffahrtsgesellschaft" },
        ...Array.from({ length: 60 }, (_, i) => ({ day: "2027-03-17", text: `Group ${i + 1}` })),
      ]),
      s2: source(
        [
          { day: "2027-02-26", last: "2027-04-02", text: "Long ringing" },
          { day: "2027-03-20", last: "2027-03-23", text: "Equinox" },
        ],
        {
          mark: "bar",
          colour: "#1f6f54",
        },
      ),
      s3: source([{ day: "2027-03-26", text: "Good Friday" }], {
        off: true,
        mark: "none",
        colour: "#a8322a",
      }),
    },
  };

  it("is cut off with an ellipsis and a count where there is no room, and that is told", () => {
    const { inks } = draw(busy, "write", box(140, 100));
    const cut = textsOf(inks).filter((text) => text.cut);
    expect(cut.length).toBeGreaterThan(0);
    const shown = textsOf(inks).filter(({ lines }) => /^Group/.test(lines[0]!.text));
    const last = shown.at(-1)!;
    expect(last.cut).toBe(true);
    expect(last.lines.at(-1)!.text).toMatch(new RegExp(`\\+${60 - shown.length}|…`));
  });

  it("colours days off", () => {
    const { inks } = draw(busy, "write", box(140, 100));
    const colourOf = (day: string) => textsOf(inks).find(({ lines }) => lines[0]!.text === day)!.colour;
    expect(colourOf("26")).toBe("#a8322a");
    expect(colourOf("28")).toBe("#a8322a");
    expect(colourOf("25")).toBe("#20242c");
  });

  it("never leaves its day, in any size and style", () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...DAY_STYLES),
        fc.integer({ min: 30, max: 840 }),
        fc.double({ min: 0.35, max: 2.8, noNaN: true }),
        fc.boolean(),
        fc.boolean(),
        fc.double({ min: 0.4, max: 1.5, noNaN: true }),
        (style, width, shape, weekNumbers, near, size) => {
          const at = box(width, Math.max(30, Math.round(width / shape)));
          const { inks, days } = draw(busy, style, at, { weekNumbers, near, size, texts: true });
          // A bar’s words lie over the days of the bar, so a text lies in its day, or in the row of its days.
          for (const text of textsOf(inks)) {
            const figure = days.find(({ box: own }) => contains(own, text.box));
            if (!figure) continue;
            for (const { text: line, x } of text.lines) {
              const wide = textWidth(line, text.font, text.size);
              const left = x - { left: 0, middle: 0.5, right: 1 }[text.align] * wide;
              expect(left).toBeGreaterThanOrEqual(figure.box.x - 2);
              expect(left + wide).toBeLessThanOrEqual(figure.box.x + figure.box.width + 2);
            }
            const top = text.lines[0]!.y - 0.975 * text.size;
            const foot = text.lines.at(-1)!.y + 0.275 * text.size;
            expect(top).toBeGreaterThanOrEqual(figure.box.y - 2);
            expect(foot).toBeLessThanOrEqual(figure.box.y + figure.box.height + 2);
          }
          for (const { box: own } of days) expect(contains(at, own)).toBe(true);
        },
      ),
      { numRuns: 150 },
    );
  });

  it("takes one column for everyone who has days, days off aside", () => {
    const { inks } = draw(busy, "people", box(120, 160));
    const names = textsOf(inks).filter(({ lines }) => lines[0]!.text === "Days");
    expect(names).toHaveLength(2);
  });
});

describe("other spans", () => {
  it("stand beside or below each other as it suits the room, twelve columns on a wide poster", () => {
    const of = { span: "months", first: "2027-01", count: 12 } as const;
    const poster = drawDays(
      { of, style: "column", own: {}, ...box(560, 390) },
      freshCalendar("en-GB"),
      () => null,
    );
    const left = new Set(poster.days.map(({ box: at }) => at.x));
    expect(left.size).toBe(12);
    expect(poster.days).toHaveLength(365);
    const card = drawDays(
      { of, style: "small", own: {}, ...box(77, 47) },
      freshCalendar("en-GB"),
      () => null,
    );
    expect(card.days).toHaveLength(365);
    expect(figuresOf(card.inks, null)).toHaveLength(365);
  });

  it("name a week by its first and last day", () => {
    const calendar = freshCalendar("en-GB");
    expect(weekTitle(daysOfMonth(monthOf(2027, 3)).first + 21, calendar)).toBe("22 – 28 March 2027");
    expect(weekTitle(daysOfMonth(monthOf(2027, 3)).first + 28, calendar)).toBe("29 March – 4 April 2027");
    const { days } = drawDays(
      { of: { span: "week", first: "2027-03-22" }, style: "write", own: {}, ...box(100, 140) },
      calendar,
      () => null,
    );
    expect(days.map(({ day }) => writeDay(day))).toEqual(
      [22, 23, 24, 25, 26, 27, 28].map((day) => `2027-03-${day}`),
    );
  });
});
