import { z } from "zod";
import type { Um } from "../base/length/index.ts";
import { LIMITS, type LengthRange } from "./limits.ts";
import { NAME_PATTERNS, type SheetName, type ShotName } from "./names.ts";

// Compiled checks need eval, which the pages' content security policy rightly forbids.
z.config({ jitless: true });

const millimetres = (length: number) => `${length / 1000} mm`;

/** A length in whole micrometres inside a range. */
export const length = ({ least, most }: LengthRange, about: string) =>
  z
    .int("must be a whole number of micrometres")
    .min(least, `must be at least ${millimetres(least)}`)
    .max(most, `must be at most ${millimetres(most)}`)
    .describe(`${about}, in µm`) as unknown as z.ZodType<Um, Um>;

export const size = (range: LengthRange, about: string) =>
  z.strictObject({ width: length(range, `${about}: width`), height: length(range, `${about}: height`) });

export const edges = (about: string) =>
  z.strictObject({
    top: length(LIMITS.margin, `${about}, top`),
    right: length(LIMITS.margin, `${about}, right`),
    bottom: length(LIMITS.margin, `${about}, bottom`),
    left: length(LIMITS.margin, `${about}, left`),
  });

/** A whole number inside a range. */
export const count = ({ least, most }: { least: number; most: number }, about: string) =>
  z
    .int("must be a whole number")
    .min(least, `must be at least ${least}`)
    .max(most, `must be at most ${most}`)
    .describe(about);

export const name = z
  .string()
  // Half a letter of UTF-16 cannot be written in any file.
  .overwrite((text) => text.toWellFormed())
  .trim()
  .min(1, "must not be empty")
  .max(200, "must be at most 200 characters");

export const colour = z
  .string()
  .regex(/^#[0-9a-f]{6}$/, "must be a colour such as #808080")
  .describe("sRGB colour, #rrggbb");

export const photoId = z
  .string()
  .min(1)
  .max(128)
  .describe("BLAKE3 of the photo file in hexadecimal, or any name unique in this file");

export type PhotoId = string;

export const paper = z
  .strictObject({
    name,
    width: length(LIMITS.paper, "Paper width, upright"),
    height: length(LIMITS.paper, "Paper height, upright"),
    price: z
      .number()
      .min(0, "must be at least 0")
      .max(1e6)
      .optional()
      .describe("What a sheet of it costs; by the printer’s price where it is left out"),
  })
  .describe("A paper, upright");

export const shotNumber = count({ least: 1, most: 9999 }, "Shot number");

export const gap = length(LIMITS.gap, "Distance between finished pieces");

/** Where a block of pieces lies between the margins. */
export const place = z
  .enum(["centred", "top left", "top"])
  .describe("Where the block of pieces lies between the margins");

export const cuts = z
  .enum(["straight", "any"])
  .describe("“straight” when a trimmer has to free every piece by edge-to-edge cuts");

/** Names of sheets, cells and shots; see `names.ts`. */
export const sheetName = z
  .string()
  .regex(NAME_PATTERNS.sheet, "must be a sheet such as 1, a1 or p7") as unknown as z.ZodType<
  SheetName,
  SheetName
>;
export const cellName = z.string().regex(NAME_PATTERNS.cell, "must be a cell such as 1, 2.5, p7 or o3");
export const shotName = z
  .string()
  .regex(NAME_PATTERNS.shot, "must be a shot such as 1 or p7") as unknown as z.ZodType<ShotName, ShotName>;

/** The name of a graphic, a box of words or a block inside its job. */
export const itemName = z.string().regex(/^[a-z]\d{1,4}$/, "must be a letter and a number");
