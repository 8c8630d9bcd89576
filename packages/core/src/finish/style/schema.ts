import { z } from "zod";
import { STRENGTHS } from "../../catalogue/press/sharpen.ts";
import { lookSchema } from "../../photo/look/schema.ts";
import { LIMITS } from "../../schema/index.ts";
import { colour, edges, length, name } from "../../schema/parts.ts";
import { captionSchema } from "../words/schema.ts";

/** A border of a cell, even or not. */
export const borderSchema = z.strictObject({
  place: z
    .enum(["inside", "centred", "outside"])
    .describe("Inside the finished edge, half to each side of it, or outside it"),
  width: edges("Width of the border"),
  colour,
  corner: length(LIMITS.margin, "Radius of the rounded corners; 0 for square ones"),
});

/** A mat of one or two layers: boards with an opening, the upper one first. */
export const matSchema = z.strictObject({
  layers: z
    .array(z.strictObject({ reveal: edges("How much of the board is seen"), colour }))
    .min(1)
    .max(2),
  bevel: z
    .strictObject({ width: length(LIMITS.line, "Width of the bevel"), colour })
    .nullable()
    .describe("The cut edge of each board, seen around its opening"),
  optical: z.boolean().describe("Whether the opening sits a little higher than the middle"),
});

/** What cells wear: border, mat, words, look and sharpening; null for none of it. */
export const styleSchema = z.strictObject({
  border: borderSchema.nullable(),
  mat: matSchema.nullable(),
  caption: captionSchema.nullable(),
  look: lookSchema.nullable(),
  sharpening: z
    .enum(STRENGTHS)
    .nullable()
    .describe("How strongly the photo is sharpened for its size on paper; null for not at all"),
});

/** Some parts of a style; a part that is left out is left as it is. */
export const styleChangeSchema = styleSchema.partial();

/** A kept style as it is tried on. */
export const wornSchema = z.strictObject({ name, style: styleChangeSchema });

export type Border = z.infer<typeof borderSchema>;
export type Mat = z.infer<typeof matSchema>;
export type Style = z.infer<typeof styleSchema>;
export type StyleChange = z.infer<typeof styleChangeSchema>;
export type StylePart = keyof Style;
export type Worn = z.infer<typeof wornSchema>;

/** Cells that wear nothing. */
export const BARE: Style = { border: null, mat: null, caption: null, look: null, sharpening: null };

export const STYLE_PARTS: readonly StylePart[] = ["border", "mat", "caption", "look", "sharpening"];
