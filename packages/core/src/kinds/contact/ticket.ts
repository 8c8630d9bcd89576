import { z } from "zod";
import { LIMITS } from "../../job/limits.ts";
import { count, gap, size } from "../../job/parts.ts";
import { template } from "../../words/schema.ts";

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
