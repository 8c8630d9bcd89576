import { z } from "zod";
import { LIES } from "../../base/geometry/index.ts";
import { LIMITS } from "../../schema/index.ts";
import { count, gap, length, paper } from "../../schema/parts.ts";
import { panelsSchema } from "../panels/schema.ts";
import { tilesSchema } from "../tiles/schema.ts";

/** How pages come onto the sheets that the printer takes. */
export const imposeSchema = z.strictObject({
  way: z
    .enum(["one", "several", "spreads", "tent", "tiles"])
    .describe(
      "A page is a sheet; several pages are cut from one; two that face each other lie on one; two back to back are folded to a tent; one page is spread over several sheets",
    ),
  paper: paper.describe("What the printer takes, where a page is not a sheet"),
  lie: z.enum(LIES).describe("How that lies; “most” for whichever holds more"),
  grid: z
    .strictObject({ columns: count(LIMITS.strips, "Pages across"), rows: count(LIMITS.strips, "Pages down") })
    .nullable()
    .describe("So many across and down; null for as many as fit"),
  mayTurn: z.boolean().describe("Whether pages may lie on their side where more fit so"),
  gap: gap.describe("Between finished pages that are cut apart, in µm"),
  margin: length(
    LIMITS.margin,
    "Kept free at every edge of the paper, at least what the printer leaves bare",
  ),
  order: z
    .enum(["repeat", "in order", "stack"])
    .describe(
      "One page again and again on its sheet, one after the other, or so that cut stacks lie in order",
    ),
  backs: z
    .enum(["upright", "turned"])
    .describe(
      "Whether every second page is turned by half, for both sides of a page to a sheet: so that it hangs upright where the printer turns paper over the other edge than the one it hangs by",
    ),
  pdf: z.enum(["sheets", "pages"]).describe("What a PDF holds: the sheets as they are printed, or the pages"),
  marks: z.enum(["corner ticks", "crosses", "full lines", "none"]).describe("Marks to cut pages apart by"),
  tiles: tilesSchema,
  panels: panelsSchema.nullable().describe("The pieces that a page which is spread hangs in; null for one"),
  roll: z
    .boolean()
    .describe(
      "Whether the paper of pages that are spread is a roll: as wide as the paper, cut off as needed and no longer than it",
    ),
  map: z.boolean().describe("Whether a sheet of its own says how sheets of a page are put together"),
});

export type Impose = z.infer<typeof imposeSchema>;
