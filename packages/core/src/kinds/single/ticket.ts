import { z } from "zod";
import { LIMITS } from "../../schema/index.ts";
import { gap, length, size } from "../../schema/parts.ts";

/** The ticket of "one per sheet". */
export const singleTicket = z.strictObject({
  kind: z.literal("single"),
  way: z
    .enum(["border", "whole", "size"])
    .describe("A cell with an even white border, the whole photo inside it, or a cell of one size"),
  border: length(LIMITS.margin, "White border inside the margins"),
  size: size(LIMITS.piece, "Finished size for “size”, as an upright photo has it"),
  gap,
});
