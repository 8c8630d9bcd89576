import { z } from "zod";
import { readDay, readMonth, YEARS } from "../base/day/index.ts";
import { colour, itemName, name, photoId } from "../schema/parts.ts";

/** What a calendar may hold. */
export const CALENDAR_LIMITS = {
  sources: 24,
  /** Days of one source: a year of three a day, or five years of one. */
  days: 2000,
  /** Letters of what a day is. */
  text: 200,
  months: { least: 1, most: 60 },
  /** Years that a calendar begins in: its months, and those after, are of years of four digits too. */
  years: { least: YEARS.least, most: 9990 },
} as const;

export const civilDay = z
  .string()
  .refine((text) => readDay(text) !== null, "must be a day such as 2027-03-28, of the years 1583 to 9999");

/** A month that something begins with. */
export const civilMonth = z
  .string()
  .refine(
    (text) => readMonth(text) !== null && Number(text.slice(0, 4)) <= CALENDAR_LIMITS.years.most,
    `must be a month such as 2027-03, of the years ${YEARS.least} to ${CALENDAR_LIMITS.years.most}`,
  );

const word = z.string().min(1).max(60);
const weekday = z.union([1, 2, 3, 4, 5, 6, 7].map((day) => z.literal(day as 1 | 2 | 3 | 4 | 5 | 6 | 7)));

/** What a language calls days and months, taken from the platform when the calendar was made. */
export const languageSchema = z.strictObject({
  tag: z.string().min(2).max(60).describe("BCP 47"),
  months: z.array(word).length(12).describe("As they stand alone, January first"),
  shortMonths: z.array(word).length(12),
  days: z.array(word).length(7).describe("Monday first"),
  shortDays: z.array(word).length(7),
  narrowDays: z.array(word).length(7),
  year: z.string().max(20).includes("[year]").describe("How a year stands alone, [year] for its digits"),
  yearFirst: z.boolean().describe("Whether the year is named before the month"),
  digits: z.string().min(10).max(20).nullable().describe("Its digits from 0; null for 0123456789"),
  leftwards: z.boolean().describe("Whether it is written from right to left"),
});

export const weekSchema = z.strictObject({
  first: weekday.describe("The day that weeks begin with, Monday 1 … Sunday 7"),
  least: z
    .union([z.literal(1), z.literal(4), z.literal(7)])
    .describe("How many of its days a year’s first week has at least"),
  weekend: z.array(weekday).max(3),
});

export const MARKS = ["none", "dot", "ring", "tint", "bar"] as const;
export const MOONS = ["new", "first quarter", "full", "last quarter"] as const;

/** A day that means something, or several in a row. */
export const dayEntrySchema = z
  .strictObject({
    day: civilDay,
    last: civilDay.optional().describe("The last of several days; left out for one"),
    text: z.string().max(CALENDAR_LIMITS.text, `must be at most ${CALENDAR_LIMITS.text} letters`),
    yearly: z
      .literal(true)
      .optional()
      .describe("Whether it comes again every year; 29 February on the 28th in other years"),
    counts: z.literal(true).optional().describe("Whether the years since are counted after the text"),
    moon: z.enum(MOONS).optional(),
    photo: photoId.optional().describe("A small photo in the day"),
  })
  .refine(({ day, last }) => last === undefined || last >= day, {
    message: "must not be before the first day",
    path: ["last"],
  });

/** Where days come from, so that they can be renewed for another year. */
export const daysFromSchema = z.discriminatedUnion("kind", [
  z.strictObject({ kind: z.literal("typed") }),
  z.strictObject({
    kind: z.literal("holidays"),
    country: z.string().regex(/^[A-Z]{2}$/),
    state: z.string().max(20).nullable(),
    region: z.string().max(20).nullable(),
    language: z.string().max(20),
    all: z.boolean().describe("Whether observances and school days come too, and not public holidays alone"),
  }),
  z.strictObject({
    kind: z.literal("file"),
    file: photoId.describe("The .ics file, by the hash of its bytes"),
    zone: z.string().max(60).describe("The time zone that its days are told in"),
  }),
  z.strictObject({ kind: z.literal("moon"), zone: z.string().max(60) }),
  z.strictObject({
    kind: z.literal("sun"),
    latitude: z.number().min(-90).max(90),
    longitude: z.number().min(-180).max(180),
    zone: z.string().max(60),
  }),
  z.strictObject({
    kind: z.literal("dates"),
    calendar: z
      .string()
      .max(30)
      .describe("A calendar as the Unicode registry names it: hebrew, islamic-umalqura …"),
    language: z.string().max(60),
  }),
]);

export const daySourceSchema = z.strictObject({
  name,
  from: daysFromSchema,
  colour,
  words: z.boolean().describe("Whether its texts are shown"),
  mark: z.enum(MARKS),
  off: z.boolean().describe("Whether its days are days off, their figures in that colour"),
  shown: z.boolean(),
  worked: z
    .strictObject({ from: civilDay, to: civilDay })
    .optional()
    .describe("The days that it was worked out for; left out for what was typed"),
  days: z
    .array(dayEntrySchema)
    .max(CALENDAR_LIMITS.days, `must not be more than ${CALENDAR_LIMITS.days} days`),
});

/** What the calendar blocks of a job are drawn from. */
export const calendarSchema = z
  .strictObject({
    languages: z.array(languageSchema).min(1).max(2),
    week: weekSchema,
    sources: z
      .record(itemName, daySourceSchema)
      .refine(
        (sources) => Object.keys(sources).length <= CALENDAR_LIMITS.sources,
        `must not be more than ${CALENDAR_LIMITS.sources}`,
      )
      .describe("By name: holidays, birthdays, tides"),
  })
  .describe("Names, weeks and days of the job’s calendar, as they were when it was made");

export type Language = z.infer<typeof languageSchema>;
export type DayEntry = z.infer<typeof dayEntrySchema>;
export type DaysFrom = z.infer<typeof daysFromSchema>;
export type DaySource = z.infer<typeof daySourceSchema>;
export type Calendar = z.infer<typeof calendarSchema>;
