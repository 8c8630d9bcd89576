import { z } from "zod";
import { LIMITS } from "../../schema/index.ts";

/** An arrangement that was searched for, kept with what it was an answer to. */
export const packing = z.strictObject({
  of: z.string().max(40).describe("What it is an answer to; for anything else it is not used"),
  sheets: z
    .array(
      z.strictObject({
        paper: z.int().min(0).max(100),
        places: z
          .array(
            z
              .tuple([z.int().min(0), z.int().min(0), z.int().min(0), z.boolean()])
              .describe("Piece, x, y, whether it is turned"),
          )
          .max(LIMITS.pieces),
      }),
    )
    .max(LIMITS.pieces),
});

export type KeptPacking = z.infer<typeof packing>;
