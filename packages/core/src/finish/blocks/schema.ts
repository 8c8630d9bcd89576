import { z } from "zod";
import { LIMITS } from "../../schema/index.ts";
import { colour, length, sheetName, size } from "../../schema/parts.ts";
import { template, typeSchema } from "../words/schema.ts";

/** What a block may have at most. */
export const BLOCK_LIMITS = { columns: 8, rows: 100 } as const;

const column = z.strictObject({
  heading: template.describe("Words at its head; empty for none"),
  share: z.number().min(0.5).max(20).describe("Its part of the width, against the other columns"),
  align: typeSchema.shape.align,
});

/**
 * Words with fields laid out in columns: an order form or a price list under a contact sheet, a title block. Drawn for any
 * size and never cropped: made smaller, its rows and letters are laid out anew.
 */
export const blockSchema = z.strictObject({
  kind: z.literal("table"),
  title: template.describe("A line over all columns; empty for none"),
  columns: z.array(column).min(1).max(BLOCK_LIMITS.columns),
  rows: z
    .array(z.array(template).max(BLOCK_LIMITS.columns))
    .max(BLOCK_LIMITS.rows)
    .describe("Row by row, the words of each column"),
  blank: z.int().min(0).max(BLOCK_LIMITS.rows).describe("Empty rows below them, to write in"),
  type: typeSchema,
  line: z
    .strictObject({ width: length(LIMITS.line, "Width of the lines between rows and columns"), colour })
    .nullable(),
  head: colour.nullable().describe("What headings stand on; null for bare paper"),
  stands: z
    .enum(["hand", "foot"])
    .describe("Where a hand put it, or across the foot of pages whose kind makes room for it"),
  x: length(LIMITS.away, "From the paper’s left edge"),
  y: length(LIMITS.away, "From the paper’s upper edge"),
  ...size(LIMITS.piece, "The block").shape,
  sheet: sheetName.nullable().describe("The page it stands on; null for every page"),
});

export type Block = z.infer<typeof blockSchema>;
