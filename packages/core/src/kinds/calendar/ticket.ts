import { z } from "zod";
import { CALENDAR_LIMITS, civilMonth } from "../../calendar/schema.ts";
import { DAY_STYLES, designSchema } from "../../finish/blocks/days/schema.ts";
import { ANCHORS } from "../../finish/graphics/schema.ts";
import { template } from "../../finish/words/schema.ts";
import { LIMITS } from "../../schema/index.ts";
import { count, gap, length } from "../../schema/parts.ts";

/** What a page of a calendar shows. */
export const SPANS = ["week", "month", "two months", "quarter", "half year", "year"] as const;

/** Where the photos of a page stand against its days. */
export const PHOTO_SIDES = ["above", "below", "left", "right", "behind", "facing", "none"] as const;

/** What photos may take of a page that days share. */
export const PHOTO_SHARE = { least: 0.1, most: 0.92 } as const;

/** The ticket of "calendar". */
export const calendarTicket = z.strictObject({
  kind: z.literal("calendar"),
  first: civilMonth.describe("The month that it begins with"),
  months: count(CALENDAR_LIMITS.months, "Months"),
  span: z.enum(SPANS).describe("What a page shows"),
  photo: z
    .enum(PHOTO_SIDES)
    .describe("Where photos stand against the days; “facing” on a page of their own before each"),
  share: z
    .number()
    .min(PHOTO_SHARE.least)
    .max(PHOTO_SHARE.most)
    .describe("What photos take of the page; behind the days, what those leave free"),
  photos: z.int().min(1).max(9).describe("Photos of a page"),
  corner: z.enum(ANCHORS).describe("Where the days stand over the photo, where it is behind them"),
  by: z
    .enum(["order", "date"])
    .describe("Whether photos come to the pages in their order, or to the month that they were taken in"),
  gap,
  border: length(LIMITS.margin, "White border around photos and days"),
  inset: length(LIMITS.margin, "Kept free around the days"),
  style: z.enum(DAY_STYLES),
  own: designSchema.partial().describe("What a hand set otherwise than the style has it"),
  cover: z
    .enum(["none", "again", "own", "all"])
    .describe("No cover; with the first photo again, with one of its own, or with all photos small"),
  title: template.describe("What stands on the cover"),
  year: z.boolean().describe("Whether a page shows all its months at a glance"),
  last: z.boolean().describe("Whether a last page shows the twelve months after"),
  binding: z
    .strictObject({
      side: z.enum(["top", "left"]),
      zone: length(LIMITS.margin, "Kept free for the holes"),
    })
    .nullable()
    .describe("Where sheets are bound or hung; null for nowhere"),
});
