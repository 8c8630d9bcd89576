import { z } from "zod";
import type { Rect } from "../../base/geometry/index.ts";
import { mm } from "../../base/length/index.ts";
import { LIMITS, type LengthRange } from "../../schema/index.ts";
import { colour, count, length, sheetName } from "../../schema/parts.ts";
import { graphicFile } from "../graphics/schema.ts";

/** What can be drawn. */
export const FORMS = ["rectangle", "rounded", "ellipse", "line", "polygon", "star", "ribbon"] as const;
export type Form = (typeof FORMS)[number];

const side: LengthRange = { least: LIMITS.line.least, most: LIMITS.piece.most };

/** What a shape is filled with. */
export const shapeFillSchema = z.discriminatedUnion("kind", [
  z.strictObject({ kind: z.literal("flat"), colour }),
  z.strictObject({
    kind: z.literal("gradient"),
    from: colour,
    to: colour,
    angle: z.number().min(-180).max(180).describe("Where it goes, degrees clockwise from downwards"),
  }),
  z.strictObject({ kind: z.literal("picture"), of: graphicFile }),
]);

/** A drawn shape of a page, or a window that is cut into those in front of the photos. */
export const shapeSchema = z.strictObject({
  form: z.enum(FORMS),
  x: length(LIMITS.away, "From the paper’s left edge"),
  y: length(LIMITS.away, "From the paper’s upper edge"),
  width: length(side, "The shape: width"),
  height: length(side, "The shape: height"),
  turn: z.number().min(-180).max(180).describe("Degrees clockwise about its middle"),
  corner: length(LIMITS.margin, "Radius of a rounded rectangle’s corners"),
  points: count({ least: 3, most: 36 }, "Corners of a polygon, tips of a star"),
  depth: z
    .number()
    .min(0.05)
    .max(0.95)
    .describe(
      "How deep a star is cut between its tips, of its radius; the notches of a ribbon, of its height",
    ),
  fill: shapeFillSchema.nullable(),
  stroke: z.strictObject({ width: length(LIMITS.line, "Width of the line around it"), colour }).nullable(),
  shadow: z
    .strictObject({
      right: length(LIMITS.away, "How far it falls to the right"),
      down: length(LIMITS.away, "How far it falls down"),
      blur: length(LIMITS.slack, "How soft its edge is"),
      colour,
      opacity: z.number().min(0).max(1),
    })
    .nullable(),
  opacity: z.number().min(0).max(1),
  is: z
    .enum(["front", "behind", "window"])
    .describe("In front of the photos, behind them, or a window cut into what is in front"),
  order: z
    .int()
    .min(-9999)
    .max(9999)
    .describe("Those of a higher number lie over others; windows: which photo comes first"),
  sheet: sheetName.nullable().describe("The page it is on; null for every page"),
});

export type Shape = z.infer<typeof shapeSchema>;
export type ShapeFill = z.infer<typeof shapeFillSchema>;

/** A rectangle in front of the photos with nothing to be seen of it yet. */
export const BARE_SHAPE: Omit<Shape, keyof Rect> = {
  form: "rectangle",
  turn: 0,
  corner: mm(3),
  points: 5,
  depth: 0.5,
  fill: null,
  stroke: null,
  shadow: null,
  opacity: 1,
  is: "front",
  order: 0,
  sheet: null,
};
