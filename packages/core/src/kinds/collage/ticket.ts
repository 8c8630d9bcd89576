import { z } from "zod";
import { LIMITS } from "../../schema/index.ts";
import { count, gap, length, photoId } from "../../schema/parts.ts";

/** The ticket of "collage". */
export const collageTicket = z.strictObject({
  kind: z.literal("collage"),
  way: z
    .enum(["whole", "lines", "counts", "grid"])
    .describe("Nothing cropped; rows filled by the photos; counts for each row; an equal grid"),
  along: z.enum(["rows", "columns"]),
  lines: count(LIMITS.strips, "Rows or columns to fill")
    .nullable()
    .describe("Rows or columns to fill; null for as many as crop least"),
  counts: z
    .array(count(LIMITS.strips, "Cells of a row or column"))
    .min(1, "must be at least one row")
    .max(LIMITS.strips.most),
  columns: count(LIMITS.strips, "Columns of the grid"),
  rows: count(LIMITS.strips, "Rows of the grid"),
  gap,
  border: length(LIMITS.margin, "White border around the cells"),
  sheets: z.enum(["one", "all"]).describe("One sheet, or as many as the photos fill (counts and grid)"),
  weights: z
    .record(photoId, z.number().min(0.25).max(8))
    .describe("How large a photo is to be against the others; 1 where left out"),
  proposal: z.int().min(0).max(9999).describe("Which of the proposals"),
  arrangement: z
    .string()
    .max(4000)
    .regex(/^[xy0-9 ]+$/, "must be an arrangement such as “x 0 y 1 2”")
    .nullable()
    .describe("How the area is divided, kept through changes of gap and border; null to look for it"),
});
