import { createHash } from "node:crypto";
import { serialize } from "node:v8";
import {
  arrange,
  check,
  coarse,
  cutsApart,
  forPrinter,
  isDrawing,
  kindOf,
  LIMITS,
  outputFiles,
  price,
  sums,
  toWrite,
  type SheetPlan,
} from "@wide-quilt/core";
import { JPEG_SIDE } from "@wide-quilt/painters";
import type { JobCardView } from "../contract.ts";
import { Problem } from "../safety/problem.ts";
import type { LookPlan, Planned, PlanLook, PlanRun, RunPlan } from "./task.ts";

/** The longest side of the picture that a soft proof is made of, in pixels. */
const SOFT_PROOF_SIDE = 1400;

/**
 * Plans a job's sheets as its printer has to be sent them for them to come out in their true size. Throws a Problem with
 * a sentence for what cannot be written.
 */
export const sheetsToWrite = (planned: Planned): SheetPlan[] => forPrinter(planned.job, trueSheets(planned));

/** The same in the size that they come out in. */
function trueSheets({ job, records }: Planned): SheetPlan[] {
  const { format } = job.target.file;
  const pages = arrange(job, records);
  const sheets = toWrite(job, pages);
  if (sheets.length === 0) {
    const why = check(job, records, pages)[0]?.sentence ?? "There is nothing on the sheet.";
    throw new Problem(422, "no-sheet", "Nothing to write", why);
  }
  const { width, height } = sheets[0]!.pixels;
  if (!isDrawing(format) && width * height > LIMITS.sheetPixels) {
    throw new Problem(
      422,
      "too-many-pixels",
      "Too many pixels",
      `The file would have ${width} × ${height} px; the most is ${LIMITS.sheetPixels / 1e6} million. Lower the ppi or write a PDF.`,
    );
  }
  if (format === "jpeg" && Math.max(width, height) > JPEG_SIDE) {
    throw new Problem(
      422,
      "too-long-for-jpeg",
      "Too long for a JPEG",
      `A JPEG can be ${JPEG_SIDE} px long at most, this sheet is ${Math.max(width, height)} px. Write a PNG or a PDF.`,
    );
  }
  return sheets;
}

/** How the files of a run are divided and what they are asked to be called. */
export function planRun({ job, records, naming: { rule, start, each } }: PlanRun): RunPlan {
  const own = trueSheets({ job, records });
  const sheets = forPrinter(job, own);
  const pages = job.target.file.format === "pdf";
  return {
    papers: sheets.map(({ stock }) => stock),
    apart: own.map(cutsApart),
    files: outputFiles(job, records, sheets, { pages, each, rule, start }),
    price: price(job, sheets).total,
  };
}

/** One sheet to look at. */
export function planLook({ sheet, wide, ...planned }: PlanLook): LookPlan {
  const { job } = planned;
  const sheets = sheetsToWrite(planned);
  const asked = sheets[sheet - 1];
  if (!asked) throw Problem.notFound("sheet", `There is no sheet ${sheet}; this job has ${sheets.length}.`);
  const plan = wide ? coarse(asked, SOFT_PROOF_SIDE) : asked;
  // What the printer is asked and what it costs change nothing of what it is sent.
  const { print: _print, printer: _printer, ...written } = job.target;
  const id = createHash("sha256")
    .update(JSON.stringify([plan, job.name, job.about, written]))
    .digest("hex")
    .slice(0, 32);
  return { plan: serialize(plan), pixels: plan.pixels, id };
}

/** What a job’s card shows, as JSON: a sheet of thousands of cells is not read and written again on its way. */
export function planCard({ job, records }: Planned): string {
  const sheets = arrange(job, records);
  const total = sums(job, records, sheets);
  const card: JobCardView = {
    sheet: sheets[0] ?? null,
    sheets: total.sheets,
    pieces: total.layout.pieces,
    paper: job.sheet.paper.name,
    ppi: job.target.ppi,
    size: kindOf(job).pieceSize(job),
  };
  return JSON.stringify(card);
}
