import { z } from "zod";
import { civilDay, civilMonth } from "../../../calendar/schema.ts";
import { colour } from "../../../schema/parts.ts";
import { fontId } from "../../words/fonts.ts";
import { blockPlace } from "../place.ts";

/** Ways to set the days of a month. */
export const DAY_STYLES = ["large", "write", "column", "line", "quiet", "people", "small"] as const;

/** Months of one block at most: three years of small ones. */
export const MOST_MONTHS = 36;

/** How days are set; what a style does not say, a hand may. */
export const designSchema = z.strictObject({
  title: fontId.describe("Of the month’s name"),
  figures: fontId,
  words: fontId.describe("Of the weekdays, and of what days mean"),
  ink: colour,
  off: colour.describe("Figures of days off"),
  quiet: colour.describe("Weekdays, numbers of weeks, days of other months"),
  line: colour,
  tint: colour.nullable().describe("What weekends stand on; null for nothing"),
  ground: z
    .strictObject({ colour, opacity: z.number().min(0).max(1) })
    .nullable()
    .describe("What the whole block stands on"),
  size: z.number().min(0.4).max(1.5).describe("How large figures are against what the style has"),
  heading: z.boolean().describe("Whether the month is named above its days"),
  weekNumbers: z.boolean(),
  others: z
    .boolean()
    .describe("Whether the days of the months before and after fill the first and the last week"),
  texts: z.boolean().describe("Whether what a day means is written in it"),
  marks: z.boolean(),
  near: z.boolean().describe("Whether the months before and after stand small beside the heading"),
});

/** What a block of days shows. */
export const daysOfSchema = z.discriminatedUnion("span", [
  z.strictObject({ span: z.literal("month"), month: civilMonth }),
  z.strictObject({ span: z.literal("months"), first: civilMonth, count: z.int().min(2).max(MOST_MONTHS) }),
  z.strictObject({ span: z.literal("week"), first: civilDay }),
]);

/** A month, several or a week, drawn from the job’s calendar. */
export const daysBlockSchema = z.strictObject({
  kind: z.literal("days"),
  of: daysOfSchema,
  style: z.enum(DAY_STYLES),
  own: designSchema.partial().describe("What a hand set otherwise than the style has it"),
  ...blockPlace,
});

export type DayStyle = (typeof DAY_STYLES)[number];
export type Design = z.infer<typeof designSchema>;
export type DaysOf = z.infer<typeof daysOfSchema>;
export type DaysBlock = z.infer<typeof daysBlockSchema>;
