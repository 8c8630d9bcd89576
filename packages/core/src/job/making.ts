import { z } from "zod";
import { LIMITS } from "../schema/index.ts";

/** What becomes of a sheet, one after the other; “wrong” for one that has to be printed again. */
export const DONE = ["printed", "cut", "glued", "wrong"] as const;

export type Done = (typeof DONE)[number];

const called = z.string().min(1).max(40).describe("A sheet as it is called: “C1”, “2 B1”, “3”");

/** How far sheets are over days, and which of them are printed and written. */
export const makingSchema = z.strictObject({
  only: z
    .array(called)
    .min(1)
    .max(LIMITS.sheets)
    .nullable()
    .describe("The sheets that are printed and written; null for all"),
  done: z.record(called, z.enum(DONE)).describe("By sheet: how far it is; left out where nothing was said"),
});

/** Nothing was said of any sheet, and all are made. */
export const NOT_BEGUN: z.infer<typeof makingSchema> = { only: null, done: {} };

export type Making = z.infer<typeof makingSchema>;
