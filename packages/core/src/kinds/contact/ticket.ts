import { z } from "zod";
import { template } from "../../finish/words/schema.ts";
import { LIMITS } from "../../schema/index.ts";
import { count, gap, size } from "../../schema/parts.ts";

/** The ticket of "contact sheet". */
export const contactTicket = z.strictObject({
  kind: z.literal("contact"),
  by: z.enum(["grid", "size"]).describe("So many columns and rows on a sheet, or thumbnails of a size"),
  columns: count(LIMITS.strips, "Columns"),
  rows: count(LIMITS.strips, "Rows"),
  size: size(LIMITS.piece, "Room of a thumbnail for “size”, words not counted"),
  gap,
  breaks: z.enum(["none", "day", "folder"]).describe("What begins a section of its own"),
  head: template.describe("Headline of every sheet; empty for none"),
  foot: template.describe("Foot line of every sheet; empty for none"),
});
