import { z } from "zod";
import { backdropSchema } from "../backdrop/schema.ts";
import { faceSchema } from "../portrait/face.ts";
import { ticketChangeSchema, ticketSchema } from "../kinds/tickets.ts";
import {
  cellSchema,
  finishSchema,
  jobSchema,
  placeSchema,
  sheetId,
  sheetSchema,
  shotSchema,
} from "../job/schema.ts";
import { LIMITS } from "../job/limits.ts";

const photoRef = jobSchema.shape.stash.element;
const photo = photoRef.shape.id;
const cell = z.string().min(1).max(40);
const cells = z.array(cell).min(1).max(LIMITS.pieces);
const kind = z.enum(ticketSchema.options.map(({ shape }) => shape.kind.value));

/**
 * One change of a job. Plain data, so that it can be named, kept, sent and proposed as a mend.
 * Every change of the interface goes through `applyEdit`; there is no second way.
 */
export const jobEditSchema = z.discriminatedUnion("do", [
  z.strictObject({ do: z.literal("rename"), name: jobSchema.shape.name }),
  z.strictObject({ do: z.literal("ticket"), change: ticketChangeSchema }),
  /** Another kind of job with the same photos and paper; what was set by hand on cells of the old one goes. */
  z.strictObject({ do: z.literal("become"), kind }),
  z.strictObject({ do: z.literal("sheet"), change: sheetSchema.partial() }),
  z.strictObject({ do: z.literal("finish"), change: finishSchema.partial() }),
  z.strictObject({ do: z.literal("add photos"), photos: z.array(photoRef).max(LIMITS.stash) }),
  z.strictObject({ do: z.literal("remove photo"), photo }),
  /** A photo to another place in the order. */
  z.strictObject({ do: z.literal("move photo"), photo, to: z.int().min(0).max(LIMITS.stash) }),
  /** Another file for a photo whose own is missing or was corrected; everything set by hand stays. */
  z.strictObject({ do: z.literal("relink photo"), photo, to: photoRef }),
  /** Sets how the cells of one shot show their photo. */
  z.strictObject({ do: z.literal("shot"), shot: z.int().min(1).max(9999), change: shotSchema.partial() }),
  /** Puts one photo in every cell and forgets what single cells had of their own. */
  z.strictObject({ do: z.literal("put in all"), photo }),
  z.strictObject({ do: z.literal("put in one"), cell, photo }),
  /** Cells that from now on share a photo. */
  z.strictObject({ do: z.literal("share shot"), cells, shot: z.int().min(1).max(9999) }),
  /** Lets every photo lie on its side where that shows more of it. */
  z.strictObject({ do: z.literal("turn to suit") }),
  /** Gives the photo of one cell, and how it sits, back to what the layout would put there. */
  z.strictObject({ do: z.literal("back to computed"), cell }),
  /** Says where the heads are in photos; null forgets it. */
  z.strictObject({ do: z.literal("faces"), faces: z.record(photo, faceSchema.nullable()) }),
  /** Puts something else behind people; null gives the photo its own background back. */
  z.strictObject({ do: z.literal("backdrops"), backdrops: z.record(photo, backdropSchema.nullable()) }),
  /** Puts cells where a hand has them; a computed cell stays there through later changes of the ticket. */
  z.strictObject({
    do: z.literal("place"),
    cells: z.record(cell, z.strictObject({ place: placeSchema, shot: cellSchema.shape.shot })),
  }),
  /** Gives the place of cells back to the layout. */
  z.strictObject({ do: z.literal("unplace"), cells }),
  z.strictObject({
    do: z.literal("add cells"),
    cells: z
      .array(z.strictObject({ place: placeSchema, photo: photo.nullable(), like: cell.optional() }))
      .min(1)
      .max(LIMITS.pieces),
  }),
  z.strictObject({ do: z.literal("remove cells"), cells }),
  /** Brings every computed cell and sheet back that was taken out. */
  z.strictObject({ do: z.literal("bring back") }),
  z.strictObject({ do: z.literal("add sheet"), after: sheetId.nullable(), sheets: z.array(sheetId) }),
  z.strictObject({ do: z.literal("remove sheet"), sheet: sheetId }),
  /** The sheets in another order. */
  z.strictObject({ do: z.literal("order sheets"), sheets: z.array(sheetId).max(LIMITS.sheets) }),
]);

export type JobEdit = z.infer<typeof jobEditSchema>;
