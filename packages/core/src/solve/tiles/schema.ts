import { z } from "zod";
import { LIMITS } from "../../schema/index.ts";
import { length } from "../../schema/parts.ts";

/** How a page that is larger than any sheet is spread over several. */
export const tilesSchema = z.strictObject({
  joint: z
    .enum(["glue", "butt"])
    .describe("The next sheet covers a strip of the one before; or both are trimmed and lie edge to edge"),
  overlap: length(
    LIMITS.overlap,
    "What runs on past a seam, at the right and below, to be glued under; on both sides to be trimmed off",
  ),
  under: z
    .enum(["full", "pale", "bare"])
    .describe("How what is covered or trimmed off is printed: as the picture, pale, or not at all"),
  share: z
    .enum(["rest", "evenly"])
    .describe("The last sheet of a row takes what is left, or all of a row show as much as each other"),
  shift: z
    .strictObject({
      across: length(LIMITS.away, "How far all upright seams are moved to the left"),
      down: length(LIMITS.away, "How far all level seams are moved up"),
    })
    .describe("How far seams are moved from where they fall, as far as sheets allow"),
  letters: z.boolean().describe("Whether sheets say where they belong, where that is covered or cut off"),
});

export type Tiles = z.infer<typeof tilesSchema>;
