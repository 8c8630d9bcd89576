import { z } from "zod";
import { LIMITS } from "../../schema/index.ts";
import { count, cuts, gap, place, size } from "../../schema/parts.ts";

/** The ticket of "copies of one photo". */
export const copiesTicket = z.strictObject({
  kind: z.literal("copies"),
  of: z.enum(["one", "each"]).describe("Of one photo, or of each photo of the job"),
  copies: z
    .union([count(LIMITS.copies, "How many pieces"), z.literal("fit")])
    .describe("How many pieces of a photo; “fit” for as many as fit on one sheet"),
  size: size(LIMITS.piece, "Finished size of a piece"),
  gap,
  place,
  turnPieces: z
    .enum(["never", "all", "each"])
    .describe("Whether pieces may lie on their side where more fit so: all of them, or each by itself"),
  cuts,
});
