import { z } from "zod";
import { LIMITS } from "../../../schema/index.ts";
import { colour, length } from "../../../schema/parts.ts";
import { template, typeSchema } from "../../words/schema.ts";
import { blockPlace } from "../place.ts";

/** What a table may have at most. */
export const TABLE_LIMITS = { columns: 8, rows: 100 } as const;

const column = z.strictObject({
  heading: template.describe("Words at its head; empty for none"),
  share: z.number().min(0.5).max(20).describe("Its part of the width, against the other columns"),
  align: typeSchema.shape.align,
});

/**
 * Words with fields laid out in columns: an order form or a price list under a contact sheet, a title block. Drawn for any
 * size and never cropped: made smaller, its rows and letters are laid out anew.
 */
export const tableSchema = z.strictObject({
  kind: z.literal("table"),
  title: template.describe("A line over all columns; empty for none"),
  columns: z.array(column).min(1).max(TABLE_LIMITS.columns),
  rows: z
    .array(z.array(template).max(TABLE_LIMITS.columns))
    .max(TABLE_LIMITS.rows)
    .describe("Row by row, the words of each column"),
  blank: z.int().min(0).max(TABLE_LIMITS.rows).describe("Empty rows below them, to write in"),
  type: typeSchema,
  line: z
    .strictObject({ width: length(LIMITS.line, "Width of the lines between rows and columns"), colour })
    .nullable(),
  head: colour.nullable().describe("What headings stand on; null for bare paper"),
  ...blockPlace,
});

export type TableBlock = z.infer<typeof tableSchema>;
