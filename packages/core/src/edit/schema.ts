import { z } from "zod";
import { aboutSchema } from "../catalogue/press/schema.ts";
import { printerSchema } from "../catalogue/printer/schema.ts";
import { daySourceSchema } from "../calendar/schema.ts";
import { blockSchema } from "../finish/blocks/schema.ts";
import { graphicSchema } from "../finish/graphics/schema.ts";
import { shapeSchema } from "../finish/shapes/schema.ts";
import { STYLE_PARTS, styleChangeSchema, wornSchema } from "../finish/style/schema.ts";
import { textBoxSchema } from "../finish/words/schema.ts";
import { cellSchema, finishSchema, jobSchema, placeSchema, sheetSchema } from "../job/schema.ts";
import { DONE, makingSchema } from "../job/making.ts";
import { newPhotoSchema, photoMarksSchema, photoRefSchema, pickSchema } from "../job/stash/schema.ts";
import { targetSchema } from "../job/target.ts";
import { ticketChangeSchema, ticketSchema } from "../kinds/tickets.ts";
import { backdropSchema } from "../photo/backdrop/schema.ts";
import { shotSchema } from "../photo/crop/schema.ts";
import { LIMITS } from "../schema/index.ts";
import { cellName, itemName, sheetName, shotName, shotNumber } from "../schema/parts.ts";
import { imposeSchema } from "../solve/slots/index.ts";

const photoRef = newPhotoSchema;
const photo = photoRef.shape.id;
const photoNumber = photoRefSchema.shape.number;
const photoIds = z.array(photo).min(1).max(LIMITS.stash);
const cell = cellName;
const cells = z.array(cell).min(1).max(LIMITS.copies.most);
const kind = z.enum(ticketSchema.options.map(({ shape }) => shape.kind.value));

const stands = z.strictObject({
  cell,
  place: placeSchema,
  shot: shotName,
  photo: photo.nullable(),
  sits: shotSchema.omit({ photo: true }),
});

/** Things of a job that were set by hand, by their names. */
export const lostSchema = z.strictObject({
  shots: z.array(shotName).max(LIMITS.copies.most),
  cells: z.array(cell).max(LIMITS.copies.most),
  items: z.array(itemName).max(LIMITS.graphics + 2 * LIMITS.texts + LIMITS.shapes),
});

/**
 * One change of a job. Plain data, so that it can be named, kept, sent and proposed as a mend.
 * Every change of the interface goes through `applyEdit`; there is no second way.
 */
export const jobEditSchema = z.discriminatedUnion("do", [
  z.strictObject({ do: z.literal("rename"), name: jobSchema.shape.name }),
  z.strictObject({ do: z.literal("unit"), unit: jobSchema.shape.unit }),
  z.strictObject({ do: z.literal("ticket"), change: ticketChangeSchema }),
  /**
   * Another kind of job with the same photos and paper; what was set by hand for the old one comes back with it.
   * `stands` says where cells stand, for Free, which keeps them there.
   */
  z.strictObject({ do: z.literal("become"), kind, stands: z.array(stands).max(LIMITS.standing).optional() }),
  /** Lines to place cells by, which never print. */
  z.strictObject({ do: z.literal("guides"), guides: jobSchema.shape.guides }),
  z.strictObject({ do: z.literal("sheet"), change: sheetSchema.partial() }),
  /** Where it is made: edges, price, resolution, enlargement, bleed and colours are that printer’s. */
  z.strictObject({ do: z.literal("printer"), printer: printerSchema }),
  /** How pages come onto sheets. */
  z.strictObject({ do: z.literal("impose"), change: imposeSchema.partial() }),
  z.strictObject({ do: z.literal("finish"), change: finishSchema.partial() }),
  /** How the sheets leave the program, and what the printer does to them. */
  z.strictObject({ do: z.literal("target"), change: targetSchema.partial() }),
  /** Which sheets are printed and written; `done` by sheet, null for one of which nothing is said any more. */
  z.strictObject({
    do: z.literal("making"),
    only: makingSchema.shape.only.optional(),
    done: z.record(z.string().min(1).max(40), z.enum(DONE).nullable()).optional(),
  }),
  /** What stands in the files about themselves. */
  z.strictObject({ do: z.literal("about"), change: aboutSchema.partial() }),
  /** Changes what all cells wear: the style that is tried on, where there is one, otherwise the job’s own. */
  z.strictObject({ do: z.literal("style"), change: styleChangeSchema }),
  /** What single cells wear whatever the others do. */
  z.strictObject({ do: z.literal("style cells"), cells, change: styleChangeSchema }),
  /** Gives parts of what cells wear back to what all cells wear. */
  z.strictObject({ do: z.literal("unstyle"), cells, parts: z.array(z.enum(STYLE_PARTS)).min(1) }),
  /** Tries a kept style on; null takes it off, and everything is as before. */
  z.strictObject({ do: z.literal("wear"), worn: wornSchema.nullable() }),
  /** The style that is tried on becomes the job’s own. */
  z.strictObject({ do: z.literal("keep worn") }),
  z.strictObject({ do: z.literal("ground"), ground: jobSchema.shape.ground }),
  /** Sets graphics, shapes and boxes of words by their names; null takes one out. */
  z.strictObject({ do: z.literal("graphics"), graphics: z.record(itemName, graphicSchema.nullable()) }),
  z.strictObject({ do: z.literal("blocks"), blocks: z.record(itemName, blockSchema.nullable()) }),
  /** Names and weeks of the job’s calendar, and all its days. */
  z.strictObject({ do: z.literal("calendar"), calendar: jobSchema.shape.calendar }),
  /** Sets where days come from by their names; null takes them out. */
  z.strictObject({ do: z.literal("days"), sources: z.record(itemName, daySourceSchema.nullable()) }),
  z.strictObject({ do: z.literal("shapes"), shapes: z.record(itemName, shapeSchema.nullable()) }),
  z.strictObject({ do: z.literal("texts"), texts: z.record(itemName, textBoxSchema.nullable()) }),
  z.strictObject({ do: z.literal("pick"), change: pickSchema.partial() }),
  /** Ratings, tags and folders of photos. */
  z.strictObject({ do: z.literal("mark photos"), photos: photoIds, change: photoMarksSchema.partial() }),
  /** Adds a tag to photos, or takes it away. */
  z.strictObject({
    do: z.literal("tag photos"),
    photos: photoIds,
    tag: photoMarksSchema.shape.tags.element,
    on: z.boolean(),
  }),
  /** What a list says of photos; null forgets it. */
  z.strictObject({
    do: z.literal("list"),
    photos: z.record(photo, jobSchema.shape.list.valueType.nullable()),
  }),
  z.strictObject({ do: z.literal("remove photos"), photos: photoIds }),
  /** A photo that was just taken of somebody: what was there of them before makes room. */
  z.strictObject({ do: z.literal("take photo"), photo: photoRef, person: shotNumber }),
  z.strictObject({ do: z.literal("add photos"), photos: z.array(photoRef).max(LIMITS.stash) }),
  z.strictObject({ do: z.literal("remove photo"), photo }),
  /** A photo to another place in the order. */
  z.strictObject({ do: z.literal("move photo"), photo, to: z.int().min(0).max(LIMITS.stash) }),
  /** Another file for a photo whose own is missing or was corrected; everything set by hand stays. */
  z.strictObject({ do: z.literal("relink photo"), photo, to: photoRef }),
  /** Sets how the cells of one shot show their photo. */
  z.strictObject({ do: z.literal("shot"), shot: shotName, change: shotSchema.partial() }),
  /** Sets how the cells of several shots show the photos they have. */
  z.strictObject({
    do: z.literal("shots"),
    shots: z.array(shotName).min(1).max(LIMITS.stash),
    change: shotSchema.omit({ photo: true }).partial(),
  }),
  /** Puts one photo in every cell and forgets what single cells had of their own. */
  z.strictObject({ do: z.literal("put in all"), photo }),
  z.strictObject({ do: z.literal("put in one"), cell, photo }),
  /** Cells that from now on share a photo. */
  z.strictObject({ do: z.literal("share shot"), cells, shot: shotName }),
  /** Lets every photo lie on its side where that shows more of it. */
  z.strictObject({ do: z.literal("turn to suit") }),
  /** Gives the photo of one cell, and how it sits, back to what the layout would put there. */
  z.strictObject({ do: z.literal("back to computed"), cell }),
  /** Whether crops that nobody set by hand keep heads in, or the middle of photos. */
  z.strictObject({ do: z.literal("crop"), crop: jobSchema.shape.crop }),
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
  /** Gives what was set by hand for a photo that is no longer here to another one. */
  z.strictObject({ do: z.literal("hand on"), from: photoNumber, to: photoNumber }),
  /** Takes away what was set by hand for things that are no longer here: photos, places, sheets. */
  z.strictObject({ do: z.literal("forget lost"), ...lostSchema.shape }),
  /** Brings every computed cell and sheet back that was taken out. */
  z.strictObject({ do: z.literal("bring back") }),
  z.strictObject({ do: z.literal("add sheet"), after: sheetName.nullable(), sheets: z.array(sheetName) }),
  /** `on`: the cells that lie on it, where that depends on the photos’ records. */
  z.strictObject({ do: z.literal("remove sheet"), sheet: sheetName, on: cells.optional() }),
  /** The sheets in another order. */
  z.strictObject({ do: z.literal("order sheets"), sheets: z.array(sheetName).max(LIMITS.sheets) }),
]);

export type JobEdit = z.infer<typeof jobEditSchema>;
