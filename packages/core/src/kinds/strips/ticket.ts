import { z } from "zod";
import { typeSchema, template } from "../../finish/words/schema.ts";
import { LIMITS } from "../../schema/index.ts";
import { count, gap, length, size } from "../../schema/parts.ts";

const box = z.strictObject({
  x: length(LIMITS.away, "From the page’s left edge"),
  y: length(LIMITS.away, "From the page’s upper edge"),
  ...size(LIMITS.piece, "There").shape,
});

/** What a strip may have at most. */
export const STRIP_LIMITS = {
  lines: { least: 1, most: 12 },
  share: { least: 0.25, most: 8 },
  angle: { least: -30, most: 30 },
  size: { least: 0.5, most: 2 },
} as const;

/** The ticket of "strips": a page is a strip or a card, its sizes solved from the page, the gaps and the room for words. */
export const stripsTicket = z.strictObject({
  kind: z.literal("strips"),
  along: z.enum(["rows", "columns"]).describe("Rows from the top down, or columns from the left"),
  lines: z
    .array(
      z.strictObject({
        cells: count(STRIP_LIMITS.lines, "Shots of a row or column"),
        share: z
          .number()
          .min(STRIP_LIMITS.share.least)
          .max(STRIP_LIMITS.share.most)
          .describe("How thick it is against the others"),
      }),
    )
    .min(1, "must be at least one row")
    .max(STRIP_LIMITS.lines.most),
  gap,
  border: length(LIMITS.margin, "Border around the shots and the words"),
  room: length(LIMITS.margin, "Room for words; 0 for none"),
  roomAt: z.enum(["foot", "head", "left", "right"]).describe("On which side of the shots the words stand"),
  words: z.strictObject({ text: template, type: typeSchema }).describe("What stands in the room for words"),
  tilts: z
    .array(
      z.strictObject({
        shot: count(STRIP_LIMITS.lines, "The shot’s place, from 1"),
        angle: z
          .number()
          .min(STRIP_LIMITS.angle.least)
          .max(STRIP_LIMITS.angle.most)
          .describe("Degrees clockwise"),
        size: z
          .number()
          .min(STRIP_LIMITS.size.least)
          .max(STRIP_LIMITS.size.most)
          .describe("Against the size that was solved: above 1 it lies over its neighbours"),
      }),
    )
    .max(STRIP_LIMITS.lines.most)
    .describe("Shots that lie askew over the others"),
  stand: z
    .strictObject({
      shots: z
        .array(box.extend({ angle: z.number().min(-180).max(180), order: z.int().min(0).max(1) }))
        .min(1)
        .max(STRIP_LIMITS.lines.most * STRIP_LIMITS.lines.most),
      words: box.nullable(),
    })
    .nullable()
    .describe("Where shots and words stand that were brought from another page; null where they are solved"),
});
