import { z } from "zod";
import { LIMITS } from "../../schema/index.ts";
import { colour, length, name, photoId, sheetName } from "../../schema/parts.ts";
import { fontId } from "../words/fonts.ts";
import { template } from "../words/schema.ts";

export const graphicFile = z.strictObject({
  kind: z.literal("file"),
  file: photoId.describe("The graphic’s file, by the hash of its bytes"),
  name,
  proportion: z.number().min(0.001).max(1000).describe("Width over height"),
});

/** Where a graphic lies in the box that it is placed in. */
export const ANCHORS = [
  "top left",
  "top",
  "top right",
  "left",
  "middle",
  "right",
  "bottom left",
  "bottom",
  "bottom right",
] as const;

/** A graphic of the job and what it is used for. */
export const graphicSchema = z.strictObject({
  role: z
    .enum(["stamp", "overlay", "backing", "watermark"])
    .describe("Once on the sheet, over every photo, behind all cells, or across every photo"),
  of: z.discriminatedUnion("kind", [
    graphicFile,
    z.strictObject({
      kind: z.literal("photo"),
      photo: photoId.nullable().describe("The photo; null for the one at its place among those of the job"),
      order: z.int().min(1).max(LIMITS.stash).describe("That place, from 1"),
    }),
    z.strictObject({ kind: z.literal("words"), text: template, font: fontId, colour }),
  ]),
  width: length(LIMITS.graphic, "Width on paper of a stamp or a watermark"),
  at: z.enum(ANCHORS),
  away: length(LIMITS.margin, "From the edges that it is placed at"),
  turn: z.number().min(-180).max(180).describe("Degrees clockwise about its middle"),
  tiled: z.boolean().describe("Whether a watermark is repeated all over the photo"),
  apart: length(LIMITS.margin, "Between repeats"),
  fit: z
    .enum(["stretch", "whole", "fill"])
    .describe("How an overlay or a backing takes the size of its cell or sheet"),
  opacity: z.number().min(0).max(1),
  blend: z.enum(["normal", "multiply"]),
  sheet: sheetName.nullable().describe("The sheet a stamp or a backing is on; null for every sheet"),
});

export type Graphic = z.infer<typeof graphicSchema>;
export type GraphicRole = Graphic["role"];
export type GraphicSource = Graphic["of"];
export type Anchor = Graphic["at"];
