import { z } from "zod";
import { name, photoId } from "../schema/parts.ts";

/** Bounds of what an operator sets. */
export const EVENT_LIMITS = {
  patterns: 12,
  shots: 60,
  copies: { least: 1, most: 20 },
  most: { least: 1, most: 50 },
  roll: { least: 1, most: 5000 },
  printers: 8,
} as const;

/** Where prints go that are written as files. */
export const FOLDER_LANE = "folder";

const id = z.string().min(1).max(64);

/** What an event takes and does. The pictures of its patterns are kept beside it, as they were when it began. */
export const eventSetupSchema = z.strictObject({
  name,
  patterns: z
    .array(
      z.strictObject({
        id,
        name,
        shots: z.int().min(1).max(EVENT_LIMITS.shots).describe("How many photos make a set"),
      }),
    )
    .min(1, "must be at least one pattern")
    .max(EVENT_LIMITS.patterns)
    .describe("What a set can be, the usual one first"),
  copies: z
    .int()
    .min(EVENT_LIMITS.copies.least)
    .max(EVENT_LIMITS.copies.most)
    .describe("Prints of a set that nobody asked more of"),
  most: z
    .int()
    .min(EVENT_LIMITS.most.least)
    .max(EVENT_LIMITS.most.most)
    .describe("Prints of one set that guests may have in all"),
  review: z.boolean().describe("Whether a set is looked at before it prints"),
  printers: z
    .array(id)
    .min(1, "must be at least one printer, or the folder")
    .max(EVENT_LIMITS.printers)
    .describe("Places to print at, by turns; “folder” writes files instead"),
  roll: z
    .int()
    .min(EVENT_LIMITS.roll.least)
    .max(EVENT_LIMITS.roll.most)
    .nullable()
    .describe("Prints on a full roll or ribbon; null where nobody counts"),
  until: z
    .string()
    .regex(/^\d{4}-\d\d-\d\dT\d\d:\d\d$/, "must be a day and a time, such as 2026-10-03T17:00")
    .nullable()
    .describe("When it ends by itself, by the clock on the wall; null for when somebody ends it"),
  folder: z.string().max(1000).nullable().describe("A folder that a camera writes to; null for none"),
  camera: z.boolean().describe("Whether the guests’ page takes photos with its camera"),
  behind: photoId
    .nullable()
    .default(null)
    .describe("A picture that is put behind people; null to leave what is there"),
  telephones: z.boolean().describe("Whether guests may send photos from their telephones"),
});

export type EventSetup = z.infer<typeof eventSetupSchema>;
