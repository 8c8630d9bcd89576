import { z } from "zod";
import type { Um } from "../length/index.ts";
import { LIMITS, type LengthRange } from "./limits.ts";

// Compiled checks need eval, which the pages' content security policy rightly forbids.
z.config({ jitless: true });

/** Version of the job file that this program writes. Raise it together with a step in `migrate.ts`. */
export const JOB_VERSION = 1;

const millimetres = (length: Um) => `${length / 1000} mm`;

/** A length in whole micrometres inside a range. */
const length = ({ least, most }: LengthRange, about: string) =>
  z
    .int("must be a whole number of micrometres")
    .min(least, `must be at least ${millimetres(least)}`)
    .max(most, `must be at most ${millimetres(most)}`)
    .describe(`${about}, in µm`) as unknown as z.ZodType<Um, Um>;

const size = (range: LengthRange, about: string) =>
  z.strictObject({ width: length(range, `${about}: width`), height: length(range, `${about}: height`) });

const edges = (about: string) =>
  z.strictObject({
    top: length(LIMITS.margin, `${about}, top`),
    right: length(LIMITS.margin, `${about}, right`),
    bottom: length(LIMITS.margin, `${about}, bottom`),
    left: length(LIMITS.margin, `${about}, left`),
  });

const name = z.string().trim().min(1, "must not be empty").max(200, "must be at most 200 characters");
const colour = z
  .string()
  .regex(/^#[0-9a-f]{6}$/, "must be a colour such as #808080")
  .describe("sRGB colour, #rrggbb");
const photoId = z
  .string()
  .min(1)
  .max(128)
  .describe("SHA-512/256 of the photo file in hexadecimal, or any name unique in this file");
const copies = z
  .int("must be a whole number")
  .min(LIMITS.copies.least, "must be at least 1")
  .max(LIMITS.copies.most, `must be at most ${LIMITS.copies.most}`);

/** The ticket of "copies of one photo". */
export const copiesTicketSchema = z.strictObject({
  kind: z.literal("copies"),
  copies: z
    .union([copies, z.literal("fit")])
    .describe("How many pieces; “fit” for as many as fit on one sheet"),
  size: size(LIMITS.piece, "Finished size of a piece"),
  gap: length(LIMITS.gap, "Distance between finished pieces"),
  place: z
    .enum(["centred", "top left", "top"])
    .describe("Where the block of pieces lies between the margins"),
  turnPieces: z.boolean().describe("Whether pieces may lie on their side where more fit so"),
});

/** What every kind of job says about its sheets. */
export const sheetSchema = z.strictObject({
  paper: z
    .strictObject({
      name,
      width: length(LIMITS.paper, "Paper width, upright"),
      height: length(LIMITS.paper, "Paper height, upright"),
    })
    .describe("The paper, upright"),
  lie: z
    .enum(["most", "portrait", "landscape"])
    .describe("How the paper lies; “most” for whichever fits more"),
  margins: edges("Margin of the sheet as it lies"),
  ppi: z
    .number()
    .min(LIMITS.ppi.least, `must be at least ${LIMITS.ppi.least} ppi`)
    .max(LIMITS.ppi.most, `must be at most ${LIMITS.ppi.most} ppi`)
    .describe("Pixels per inch of the written file"),
  printer: z.strictObject({
    id: z.string().max(80),
    name,
    unprintable: edges("Edge the printer cannot print on, paper upright"),
    mayLose: length(LIMITS.margin, "What may be lost at each edge"),
    price: z.strictObject({
      perSheet: z.number().min(0).max(1e6),
      perSquareMetre: z.number().min(0).max(1e6),
    }),
  }),
});

/** Lines that are printed to cut by. */
export const finishSchema = z.strictObject({
  marks: z.strictObject({
    kind: z.enum(["corner ticks", "crosses", "full lines", "none"]),
    length: length(LIMITS.markLength, "Length of a tick or of the arm of a cross"),
    width: length(LIMITS.line, "Line width of the marks"),
    colour,
  }),
  outline: z
    .strictObject({ width: length(LIMITS.line, "Line width of the outline"), colour })
    .nullable()
    .describe("A thin line centred on the finished edge"),
  slack: length(LIMITS.slack, "How far the image runs on past the finished edge"),
});

/** How a photo sits in the cells of one shot. */
export const shotSchema = z.strictObject({
  photo: photoId.nullable(),
  fit: z.enum(["fill", "whole", "free"]),
  scale: z
    .number()
    .min(LIMITS.scale.least)
    .max(LIMITS.scale.most)
    .describe("1 covers the cell exactly; ignored for a whole photo"),
  centre: z
    .strictObject({ x: z.number().min(-5).max(6), y: z.number().min(-5).max(6) })
    .describe("The point of the photo that lies at the middle of the cell, 0…1 from left and top"),
  turn: z
    .union([z.literal("suit"), z.literal(0), z.literal(90), z.literal(180), z.literal(270)])
    .describe("Degrees clockwise, or “suit” to lie on its side where that shows more of the photo"),
});

export const jobSchema = z
  .strictObject({
    format: z.literal("wide-quilt-job"),
    version: z.literal(JOB_VERSION),
    name,
    ticket: copiesTicketSchema,
    sheet: sheetSchema,
    finish: finishSchema,
    stash: z
      .array(z.strictObject({ id: photoId, name: z.string().min(1).max(255) }))
      .max(LIMITS.stash)
      .describe("The photos of the job, in their order"),
    shots: z
      .record(z.string().regex(/^[1-9]\d{0,3}$/), shotSchema)
      .describe("By shot number: cells of one number always show the same photo in the same way"),
    cells: z
      .record(z.string().max(40), z.strictObject({ shot: z.int().min(1).max(9999) }))
      .describe("By cell: what was set by hand against the computed layout"),
  })
  .describe("A Wide Quilt job: what the person wants. Lengths are whole micrometres.");

export type CopiesTicket = z.infer<typeof copiesTicketSchema>;
export type SheetSetup = z.infer<typeof sheetSchema>;
export type Finish = z.infer<typeof finishSchema>;
export type MarkKind = Finish["marks"]["kind"];
export type Shot = z.infer<typeof shotSchema>;
export type Turn = Shot["turn"];
export type Job = z.infer<typeof jobSchema>;
export type PhotoRef = Job["stash"][number];
export type PhotoId = string;
