import { z } from "zod";
import { FITS } from "../../base/geometry/index.ts";
import { printerSchema } from "../../catalogue/printer/schema.ts";
import { sheetSchema } from "../../job/schema.ts";
import { fault } from "../../schema/fault.ts";
import { LIMITS, type JobFault } from "../../schema/index.ts";
import { count, length, name, paper, photoId } from "../../schema/parts.ts";

const more = count({ least: 0, most: 20_000 }, "Pixels more at that side");

/** Another printer, paper and page that a pattern is made for. */
export const madeForSchema = z.strictObject({
  name,
  printer: printerSchema.extend({
    bleed: length(LIMITS.bleed, "How far what touches the finished page’s edge runs on past it"),
  }),
  page: z
    .strictObject({ paper, lie: sheetSchema.shape.lie, trim: sheetSchema.shape.trim })
    .describe("The page there"),
  onPaper: paper
    .nullable()
    .describe("What the printer takes, where several pages are cut from one; null for as it is"),
  fit: z
    .enum(FITS)
    .describe("How the page with all on it comes to that one: covering it, seen whole, or stretched to it"),
  most: z
    .number()
    .min(0, "must be at least 0 %")
    .max(100, "must be at most 100 %")
    .describe("How far stretching may change its proportion, in percent; beyond that it covers"),
  widened: z
    .strictObject({
      of: photoId.describe("The artwork that it was made of: another one is not widened by it"),
      file: photoId,
      left: more,
      top: more,
      right: more,
      bottom: more,
    })
    .nullable()
    .describe("The artwork with its outermost pixels repeated, so that seen whole it fills the page"),
});

export type Widened = NonNullable<MadeFor["widened"]>;
export type MadeFor = z.infer<typeof madeForSchema>;

export type MadeForReading = { ok: true; madeFor: MadeFor } | { ok: false; faults: JobFault[] };

/** Checks that a value read from outside is something to make a pattern for. */
export function readMadeFor(value: unknown): MadeForReading {
  const parsed = madeForSchema.safeParse(value);
  return parsed.success
    ? { ok: true, madeFor: parsed.data }
    : { ok: false, faults: parsed.error.issues.map(fault) };
}
