import { z } from "zod";
import { shotSchema } from "../photo/crop/schema.ts";
import { photoId } from "../schema/parts.ts";
import { EVENT_LIMITS, eventSetupSchema } from "./setup.ts";

const set = z.int().min(1).describe("The set’s number");
const place = z.int().min(1).max(EVENT_LIMITS.shots).describe("The shot’s place in its set, from 1");
const print = z.int().min(1).describe("The print’s number");
const printer = z.string().min(1).max(64);
const party = z.string().min(1).max(64).describe("Who fills a set of their own: the booth, or a telephone");

/** Everything that can happen at an event, in the order in which it did: what it is now follows from these alone. */
export const eventEntrySchema = z.discriminatedUnion("do", [
  z.strictObject({ do: z.literal("setup"), setup: eventSetupSchema }),
  z.strictObject({
    do: z.literal("shot"),
    photo: photoId,
    /** The photo as it was taken, where something was put behind who is in it. */
    of: photoId.optional(),
    name: z.string().max(300),
    party,
  }),
  /** Which pattern the party’s next set has; the one that is begun, while it has no shot. */
  z.strictObject({ do: z.literal("choose"), party, pattern: z.string().min(1).max(64) }),
  /** A shot is put aside and its place waits for another. */
  z.strictObject({ do: z.literal("retake"), set, place }),
  /** The set is right, and printed so many times. */
  z.strictObject({ do: z.literal("accept"), set, copies: z.int().min(1).max(EVENT_LIMITS.most.most) }),
  /** The set is left as it is: nobody waits for it. */
  z.strictObject({ do: z.literal("leave"), set }),
  z.strictObject({ do: z.literal("again"), set, copies: z.int().min(1).max(EVENT_LIMITS.most.most) }),
  /** How a shot sits, by hand, before its set prints. */
  z.strictObject({ do: z.literal("crop"), set, place, sits: shotSchema.omit({ photo: true }) }),
  z.strictObject({ do: z.literal("hold") }),
  z.strictObject({ do: z.literal("go on") }),
  z.strictObject({ do: z.literal("end") }),
  /** What became of a print. */
  z.strictObject({ do: z.literal("printed"), print }),
  z.strictObject({ do: z.literal("doubt"), print }),
  z.strictObject({ do: z.literal("answer"), print, cameOut: z.boolean() }),
  z.strictObject({ do: z.literal("failed"), print, why: z.string().max(1000) }),
  z.strictObject({ do: z.literal("try again"), print }),
  /** Whether a printer takes prints: why it does not, in a sentence. */
  z.strictObject({ do: z.literal("printer"), printer, why: z.string().max(1000).nullable() }),
  /** How many prints are left on a printer’s roll: a new one, or counted. */
  z.strictObject({ do: z.literal("roll"), printer, left: z.int().min(0).max(EVENT_LIMITS.roll.most) }),
]);

export type EventEntry = z.infer<typeof eventEntrySchema>;
