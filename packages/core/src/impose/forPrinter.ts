import type { Job } from "../job/index.ts";
import { kindOf } from "../kinds/registry.ts";
import type { SheetPlan } from "../plan/index.ts";
import { corrected } from "./correct.ts";

/** A job’s sheets as they have to be written to come out true: a sheet that measures the printer is left as it is. */
export function forPrinter(job: Job, sheets: readonly SheetPlan[]): SheetPlan[] {
  if (kindOf(job).measuresPrinter) return [...sheets];
  return sheets.map((sheet) => corrected(sheet, job.target.printer.scale));
}
