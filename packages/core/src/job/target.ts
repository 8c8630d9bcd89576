import { z } from "zod";
import { pressSchema } from "../catalogue/press/schema.ts";
import { printerSetupSchema } from "../catalogue/printer/schema.ts";
import { LIMITS } from "../schema/limits.ts";
import { length } from "../schema/parts.ts";

/**
 * Where the pages of a job are made: the printer, how it is sent them and what it loses of them. What is made knows
 * nothing of it, so that another target leaves everything that was set by hand where it is.
 */
export const targetSchema = pressSchema.extend({
  printer: printerSetupSchema,
  ppi: z
    .number()
    .min(LIMITS.ppi.least, `must be at least ${LIMITS.ppi.least} ppi`)
    .max(LIMITS.ppi.most, `must be at most ${LIMITS.ppi.most} ppi`)
    .describe("Pixels per inch of the written file"),
  enlarged: z
    .number()
    .min(0, "must be at least 0 %")
    .max(20, "must be at most 20 %")
    .describe("By how many percent the printer enlarges a page to print it without a border; 0 for never"),
  bleed: length(LIMITS.bleed, "How far what touches the finished sheet’s edge runs on past it"),
});

export type Target = z.infer<typeof targetSchema>;
