import { z } from "zod";
import { LIMITS } from "../../schema/index.ts";
import { colour, length, sheetName, size } from "../../schema/parts.ts";
import { fontId } from "./fonts.ts";

/** What is written, with fields in square brackets: “[name] · [shutter]”. */
export const template = z.string().max(2000, "must be at most 2000 characters").describe("Text with fields");

/** How words are set. */
export const typeSchema = z.strictObject({
  font: fontId,
  size: length(LIMITS.letter, "Height of the font"),
  least: length(LIMITS.letter, "The height that it may shrink to before words are cut off"),
  colour,
  align: z.enum(["left", "middle", "right"]),
});

/** Words that belong to a cell. */
export const captionSchema = z.strictObject({
  text: template,
  type: typeSchema,
  place: z
    .enum(["under", "lower border", "foot", "middle", "top"])
    .describe("Outside the trim under the cell, in its lower border or mat, or over the photo"),
  lines: z.int().min(1).max(12).describe("Lines at most"),
});

/** A box of words on the sheet. */
export const textBoxSchema = z.strictObject({
  text: template,
  type: typeSchema,
  x: length(LIMITS.away, "From the paper’s left edge"),
  y: length(LIMITS.away, "From the paper’s upper edge"),
  ...size(LIMITS.piece, "The box").shape,
  turn: z.number().min(-180).max(180).describe("Degrees clockwise about its middle"),
  sheet: sheetName.nullable().describe("The sheet it stands on; null for every sheet"),
});

export type Type = z.infer<typeof typeSchema>;
export type CaptionStyle = z.infer<typeof captionSchema>;
export type TextBox = z.infer<typeof textBoxSchema>;
