import { z } from "zod";
import { copiesTicketSchema, finishSchema, jobSchema, sheetSchema, shotSchema } from "./schema.ts";

const photoRef = jobSchema.shape.stash.element;
const photo = photoRef.shape.id;
const cell = z.string().min(1).max(40);

/**
 * One change of a job. Plain data, so that it can be named, kept, sent and proposed as a mend.
 * Every change of the interface goes through `applyEdit`; there is no second way.
 */
export const jobEditSchema = z.discriminatedUnion("do", [
  z.strictObject({ do: z.literal("rename"), name: jobSchema.shape.name }),
  z.strictObject({ do: z.literal("ticket"), change: copiesTicketSchema.partial() }),
  z.strictObject({ do: z.literal("sheet"), change: sheetSchema.partial() }),
  z.strictObject({ do: z.literal("finish"), change: finishSchema.partial() }),
  z.strictObject({ do: z.literal("add photos"), photos: z.array(photoRef).max(5000) }),
  z.strictObject({ do: z.literal("remove photo"), photo }),
  /** Another file for a photo whose own is missing or was corrected; everything set by hand stays. */
  z.strictObject({ do: z.literal("relink photo"), photo, to: photoRef }),
  /** Sets how the cells of one shot show their photo. */
  z.strictObject({ do: z.literal("shot"), shot: z.int().min(1).max(9999), change: shotSchema.partial() }),
  /** Puts one photo in every cell and forgets what single cells had of their own. */
  z.strictObject({ do: z.literal("put in all"), photo }),
  /** Puts a photo in one cell only, which gets a shot number of its own. */
  z.strictObject({ do: z.literal("put in one"), cell, photo }),
  /** Gives one cell back to the photo that the layout would put there. */
  z.strictObject({ do: z.literal("back to computed"), cell }),
]);

export type JobEdit = z.infer<typeof jobEditSchema>;

/** What an edit changes, in a word or two: what “Undo” is followed by. */
export function sayEdit(edit: JobEdit): string {
  switch (edit.do) {
    case "rename":
      return "name";
    case "ticket":
    case "sheet":
    case "finish":
      return Object.keys(edit.change)
        .map((part) => WORDS[part] ?? part)
        .join(" and ");
    case "add photos":
      return edit.photos.length === 1 ? "adding a photo" : "adding photos";
    case "remove photo":
      return "removing a photo";
    case "relink photo":
      return "replacing a photo";
    case "shot":
      return "how the photo sits";
    case "put in all":
      return "photo in all cells";
    case "put in one":
      return "photo in one cell";
    case "back to computed":
      return "back to computed";
  }
}

const WORDS: Record<string, string> = {
  turnPieces: "turning pieces",
  lie: "how the paper lies",
  marks: "cut marks",
  place: "place on the sheet",
};
