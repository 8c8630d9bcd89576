import { z } from "zod";
import { LIMITS } from "../../schema/index.ts";
import { length, sheetName, size } from "../../schema/parts.ts";

/** Where a block stands. */
export const blockPlace = {
  stands: z
    .enum(["hand", "foot"])
    .describe("Where a hand put it, or across the foot of pages whose kind makes room for it"),
  x: length(LIMITS.away, "From the paper’s left edge"),
  y: length(LIMITS.away, "From the paper’s upper edge"),
  ...size(LIMITS.piece, "The block").shape,
  sheet: sheetName.nullable().describe("The page it stands on; null for every page"),
};
