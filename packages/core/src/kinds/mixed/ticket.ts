import { z } from "zod";
import { LIMITS } from "../../schema/index.ts";
import { count, cuts, gap, length, paper, photoId, place, shotNumber } from "../../schema/parts.ts";
import { packing } from "../packed/packing.ts";

/** Pieces of one size: a line of the list. */
export const mixedPiece = z.strictObject({
  shot: shotNumber.describe("How its photo sits: the shot of this number, of this line alone"),
  width: length(LIMITS.piece, "Finished width"),
  height: length(LIMITS.piece, "Finished height")
    .nullable()
    .describe("Finished height; null for the photo’s own proportion"),
  quantity: count(LIMITS.quantity, "How many of them"),
  mayTurn: z.boolean().describe("Whether they may lie on their side"),
  photo: photoId.nullable().describe("The photo; null for the one at its place among those of the job"),
  order: count({ least: 1, most: LIMITS.lines }, "That place, from 1"),
});

/** The ticket of "mixed sizes". */
export const mixedTicket = z.strictObject({
  kind: z.literal("mixed"),
  pieces: z
    .array(mixedPiece)
    .max(LIMITS.lines, `must be at most ${LIMITS.lines} lines`)
    .refine(
      (pieces) => pieces.reduce((sum, { quantity }) => sum + quantity, 0) <= LIMITS.pieces,
      `must be at most ${LIMITS.pieces} pieces in all; print the rest in another job`,
    ),
  papers: z
    .array(paper)
    .max(LIMITS.papers, `must be at most ${LIMITS.papers} papers`)
    .describe("Papers that may be used besides the sheet’s own"),
  gap,
  place,
  cuts,
  aim: z.enum(["sheets", "price"]).describe("What comes first: few sheets or a low price"),
  packing: packing.nullable(),
});
