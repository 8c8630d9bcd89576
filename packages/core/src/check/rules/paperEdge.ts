import {
  bottom,
  contains,
  grown,
  quarterTurned,
  right,
  type Edges,
  type Rect,
} from "../../geometry/index.ts";
import { applyEdit, type Job, type JobEdit } from "../../job/index.ts";
import { kindOf } from "../../kinds/index.ts";
import { um, writeLength } from "../../length/index.ts";
import type { SheetPlan } from "../../plan/index.ts";
import type { Finding, Inspection, Rule } from "../finding.ts";
import { keysOf } from "../shots.ts";

/** Cells where the printer cannot print, and cells that a borderless or lab print may lose some of. */
export const paperEdge: Rule = (inspection) =>
  // All sheets of a job share one grid, so the first, which is the fullest, speaks for all.
  inspection.sheets
    .slice(0, 1)
    .flatMap((sheet) => unprintable(sheet, inspection) ?? lost(sheet, inspection) ?? []);

function unprintable(sheet: SheetPlan, { job, words }: Inspection): Finding | null {
  const out = sheet.cells.filter(({ finished }) => !contains(sheet.printable, finished));
  if (out.length === 0) return null;
  const deepest = um(Math.max(...out.map(({ finished }) => overhang(sheet.printable, finished))));
  return {
    rule: "outside-printable",
    level: "wrong",
    sentence: `${job.sheet.printer.name} cannot print the outer edge: ${cellsReach(out.length)} up to ${writeLength(deepest, { ...words, ppi: sheet.ppi })} into it and would be cut off.`,
    cells: keysOf(out),
    mend: { label: "Keep inside what prints", edit: insideWhatPrints(job, sheet) },
  };
}

function lost(sheet: SheetPlan, { job, words }: Inspection): Finding | null {
  const { mayLose, name } = job.sheet.printer;
  if (mayLose === 0) return null;
  const whole: Rect = { x: um(0), y: um(0), ...sheet.paper };
  const safe = grown(whole, -mayLose);
  const near = sheet.cells.filter(({ finished }) => !contains(safe, finished));
  const writing = { ...words, ppi: sheet.ppi };
  if (near.length === 0) return null;
  const closest = um(
    Math.max(0, mayLose - Math.max(...near.map(({ finished }) => overhang(safe, finished)))),
  );
  const { margins } = job.sheet;
  const wider = (margin: Edges["top"]) => um(Math.max(margin, mayLose));
  return {
    rule: "may-be-lost",
    level: "look",
    sentence: `${name} prints can lose up to ${writeLength(mayLose, writing)} at each edge. ${cellsReach(near.length, "come")} as near as ${writeLength(closest, writing)}.`,
    cells: keysOf(near),
    mend: {
      label: `Keep ${writeLength(mayLose, writing)} away`,
      edit: {
        do: "sheet",
        change: {
          margins: {
            top: wider(margins.top),
            right: wider(margins.right),
            bottom: wider(margins.bottom),
            left: wider(margins.left),
          },
        },
      },
    },
  };
}

/** How far a rectangle sticks out of another at its worst side. */
const overhang = (outer: Rect, rect: Rect): number =>
  Math.max(outer.x - rect.x, outer.y - rect.y, right(rect) - right(outer), bottom(rect) - bottom(outer));

/** Margins as wide as the printer's edges, with the paper lying so that more fits; as it lies now where that is equal. */
function insideWhatPrints(job: Job, sheet: SheetPlan): JobEdit {
  const { unprintable } = job.sheet.printer;
  const portrait: JobEdit = { do: "sheet", change: { lie: "portrait", margins: unprintable } };
  const landscape: JobEdit = {
    do: "sheet",
    change: { lie: "landscape", margins: quarterTurned(unprintable) },
  };
  const ways = sheet.paper.width > sheet.paper.height ? [landscape, portrait] : [portrait, landscape];
  const fitting = (edit: JobEdit) => kindOf(job).sums(applyEdit(job, edit)).mostPerSheet;
  return ways.reduce((best, way) => (fitting(way) > fitting(best) ? way : best));
}

const cellsReach = (count: number, verb = "reach") =>
  count === 1 ? `one cell ${verb}${verb === "reach" ? "es" : "s"}` : `${count} cells ${verb}`;
