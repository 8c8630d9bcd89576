import { z } from "zod";
import { LIMITS } from "../../schema/index.ts";
import { count, gap, length } from "../../schema/parts.ts";

/** The ticket of one picture over many sheets. */
export const muralTicket = z.strictObject({
  kind: z.literal("mural"),
  by: z
    .enum(["width", "height", "size", "sheets"])
    .describe(
      "What its size comes from: a side and the photo’s proportion, both sides, or how many sheets are full",
    ),
  width: length(LIMITS.mural, "Finished width, by width and by size"),
  height: length(LIMITS.mural, "Finished height, by height and by size"),
  columns: count(LIMITS.strips, "Sheets across, by sheets"),
  rows: count(LIMITS.strips, "Sheets down, by sheets"),
  distance: length(LIMITS.sight, "From how far it is looked at"),
  gap,
});
