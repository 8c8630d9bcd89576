import { paperPrice, type Job } from "../../job/index.ts";
import type { SheetPlan } from "../../plan/index.ts";

/** What sheets cost, in the unit that the printer's price was given in; not rounded. */
export interface Price {
  /** On an average, where sheets are of different papers. */
  perSheet: number;
  /** 0 when there is no piece. */
  perPiece: number;
  total: number;
}

/** The price of a job's sheets. */
export function price(job: Job, sheets: readonly SheetPlan[]): Price {
  const pieces = sheets.reduce((sum, { cells, freed }) => sum + (freed ?? cells).length, 0);
  const total = sheets.reduce((sum, { stock }) => sum + paperPrice(job, stock), 0);
  return {
    perSheet: sheets.length === 0 ? paperPrice(job, job.sheet.paper) : total / sheets.length,
    perPiece: pieces === 0 ? 0 : total / pieces,
    total,
  };
}
