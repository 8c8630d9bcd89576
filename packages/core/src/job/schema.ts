import { z } from "zod";
import { LIES } from "../base/geometry/index.ts";
import { UNITS } from "../base/length/index.ts";
import { calendarSchema } from "../calendar/schema.ts";
import { aboutSchema } from "../catalogue/press/schema.ts";
import { blockSchema } from "../finish/blocks/schema.ts";
import { graphicSchema } from "../finish/graphics/schema.ts";
import { marksSchema } from "../finish/marks/schema.ts";
import { shapeSchema } from "../finish/shapes/schema.ts";
import { styleChangeSchema, styleSchema, wornSchema } from "../finish/style/schema.ts";
import { textBoxSchema } from "../finish/words/schema.ts";
import { ticketSchema } from "../kinds/tickets.ts";
import { backdropSchema, fillSchema } from "../photo/backdrop/schema.ts";
import { shotSchema } from "../photo/crop/schema.ts";
import { faceSchema } from "../photo/portrait/face.ts";
import { LIMITS } from "../schema/index.ts";
import {
  cellName,
  colour,
  edges,
  itemName,
  length,
  name,
  paper,
  photoId,
  sheetName,
  shotName,
  size,
} from "../schema/parts.ts";
import { imposeSchema } from "../solve/slots/index.ts";
import { photoRefSchema, pickSchema } from "./stash/schema.ts";
import { makingSchema } from "./making.ts";
import { targetSchema } from "./target.ts";

/** Version of the job file that this program writes. Raise it together with a step in `migrate.ts`. */
export const JOB_VERSION = 17;

/** What every kind of job says about its sheets. */
export const sheetSchema = z.strictObject({
  paper,
  lie: z.enum(LIES).describe("How the paper lies; “most” for whichever fits more"),
  trim: size(LIMITS.trim, "Finished sheet as it lies")
    .nullable()
    .describe("A finished sheet smaller than its paper, in the middle of it; null for the paper itself"),
  margins: edges("Margin of the finished sheet as it lies"),
  safe: length(LIMITS.margin, "Inside the finished sheet’s edge, where nothing important belongs"),
  facing: z
    .enum(["left", "right"])
    .nullable()
    .describe("Where the first of pages that face each other in pairs lies; null where they do not"),
});

/** Lines that are printed to cut by. */
export const finishSchema = z.strictObject({
  marks: marksSchema,
  outline: z
    .strictObject({ width: length(LIMITS.line, "Line width of the outline"), colour })
    .nullable()
    .describe("A thin line centred on the finished edge"),
  slack: length(LIMITS.slack, "How far the image runs on past the finished edge"),
});

/** Where a cell was put by hand. */
export const placeSchema = z.strictObject({
  sheet: sheetName,
  x: length(LIMITS.away, "From the paper’s left edge"),
  y: length(LIMITS.away, "From the paper’s upper edge"),
  width: length(LIMITS.piece, "Finished width as it lies"),
  height: length(LIMITS.piece, "Finished height as it lies"),
  angle: z.number().min(-180).max(180).describe("Tilt about its middle, degrees clockwise"),
  order: z.int().min(-9999).max(9999).describe("Cells of a higher number lie over others"),
  locked: z.boolean().describe("Whether it is held against being moved"),
  proportion: z.boolean().describe("Whether its proportion is kept when it is resized"),
});

export const cellSchema = z.strictObject({
  shot: shotName.optional().describe("Whose photo it shows, where that is another than it was computed with"),
  place: placeSchema.optional(),
  gone: z
    .literal(true)
    .optional()
    .describe("A computed cell that was taken out; of a photo that comes by itself, that it does not"),
  asks: z
    .literal(true)
    .optional()
    .describe("Added by hand for the photo of its shot’s number, until one is put in"),
  style: styleChangeSchema.optional().describe("What it wears by hand, whatever the others wear"),
  kept: z
    .literal(true)
    .optional()
    .describe("Came from the layout of another kind when the job became Free, and stays with Free"),
});

/** What a job was made at: a set of an event, whose words can name it. */
export const occasionSchema = z.strictObject({
  event: name,
  set: z.int().min(1).max(LIMITS.sets).describe("Which of the event’s sets it is, from 1"),
  person: z.string().max(200).describe("Who it is for; empty where nobody said"),
  at: z
    .string()
    .regex(/^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d$/, "must be a day and a time, such as 2026-10-03T14:05:00")
    .nullable()
    .describe("When, by the clock on the wall; null for when its first photo was taken"),
});

const shotsSchema = z.record(shotName as unknown as z.ZodString, shotSchema);
const cellsSchema = z.record(cellName, cellSchema);
const sheetsSchema = z.strictObject({
  order: z.array(sheetName).max(LIMITS.sheets),
  gone: z
    .array(sheetName)
    .max(LIMITS.sheets)
    .describe("Computed ones that were taken out, where sheets do not follow the photos"),
});

export const jobSchema = z
  .strictObject({
    format: z.literal("wide-quilt-job"),
    version: z.literal(JOB_VERSION),
    name,
    unit: z.enum(UNITS).describe("The unit that its lengths are shown in"),
    ticket: ticketSchema,
    sheet: sheetSchema,
    impose: imposeSchema.describe("How pages come onto the sheets that the printer takes"),
    finish: finishSchema,
    target: targetSchema.describe("Where it is made, and how the sheets leave the program"),
    about: aboutSchema.describe("What stands in the files about themselves"),
    occasion: occasionSchema.nullable().describe("What it was made at; null where nobody said"),
    stash: z
      .array(photoRefSchema)
      .max(LIMITS.stash)
      .refine(
        (stash) => new Set(stash.map(({ number }) => number)).size === stash.length,
        "must give every photo a number of its own",
      )
      .describe("The photos of the job, in their order"),
    numbered: z.int().min(0).max(999_999).describe("The last number that was given to a photo"),
    pick: pickSchema.describe("Which photos of the stash are shown, and in which order"),
    list: z
      .record(photoId, z.record(z.string().min(1).max(80), z.string().max(1000)))
      .describe("By photo: what a list says of it, by the list’s headings"),
    style: styleSchema.describe("What all cells wear"),
    worn: wornSchema.nullable().describe("A kept style that is tried on over it"),
    ground: fillSchema.nullable().describe("The colour of the sheet behind everything; null for bare paper"),
    graphics: z
      .record(itemName, graphicSchema)
      .describe("By name: stamps, overlays, backings and watermarks"),
    blocks: z
      .record(itemName, blockSchema)
      .describe("By name: words laid out in columns, such as an order form, and months"),
    calendar: calendarSchema.nullable().describe("What months are drawn from; null where there are none"),
    shapes: z
      .record(itemName, shapeSchema)
      .refine(
        (all) => Object.keys(all).length <= LIMITS.shapes,
        `must not be more than ${LIMITS.shapes} shapes`,
      )
      .describe("By name: drawn shapes, and windows that are cut into those in front of the photos"),
    texts: z.record(itemName, textBoxSchema).describe("By name: boxes of words on the sheet"),
    shots: shotsSchema.describe(
      "By shot: cells of one shot always show the same photo in the same way. p7 is photo 7 wherever it comes by itself",
    ),
    heads: z
      .record(photoId, z.array(faceSchema).max(LIMITS.heads))
      .describe(
        "By photo: where heads are in it, in a job that was taken along, to a file or a run; on the table the photos themselves are asked",
      ),
    crop: z
      .enum(["heads", "middle"])
      .describe(
        "Where photos that fill their cell lie, nothing being set by hand: so that heads are kept in, or around their middle",
      ),
    backdrops: z.record(photoId, backdropSchema).describe("By photo: what stands behind the person instead"),
    cells: cellsSchema.describe(
      "By cell: what was set by hand against the computed layout, and cells added by hand",
    ),
    sheets: sheetsSchema.describe(
      "Sheets by hand: added ones (a1 …) and a changed order; computed ones that were removed",
    ),
    guides: z
      .strictObject({
        x: z.array(length(LIMITS.away, "From the paper’s left edge")).max(LIMITS.guides),
        y: z.array(length(LIMITS.away, "From the paper’s upper edge")).max(LIMITS.guides),
      })
      .describe("Lines to place cells by, which never print"),
    making: makingSchema.describe("How far its sheets are, and which of them are made"),
    aside: z
      .partialRecord(
        z.enum(ticketSchema.options.map(({ shape }) => shape.kind.value)),
        z.strictObject({
          ticket: ticketSchema,
          cells: cellsSchema,
          shots: shotsSchema,
          sheets: sheetsSchema,
        }),
      )
      .describe("By kind of job: what was set for it before the job became another kind"),
  })
  .refine(({ stash, numbered }) => stash.every(({ number }) => number <= numbered), {
    message: "must not be less than the number of a photo",
    path: ["numbered"],
  })
  .describe("A Wide Quilt job: what the person wants. Lengths are whole micrometres.");

export type Place = z.infer<typeof placeSchema>;
export type CellByHand = z.infer<typeof cellSchema>;
export type SheetSetup = z.infer<typeof sheetSchema>;
export type Finish = z.infer<typeof finishSchema>;
export type Occasion = z.infer<typeof occasionSchema>;
export type Job = z.infer<typeof jobSchema>;
/** What a job that is of another kind now keeps of a kind. */
export type Aside = NonNullable<Job["aside"][keyof Job["aside"]]>;
