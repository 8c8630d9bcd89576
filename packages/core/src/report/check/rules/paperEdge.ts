import {
  around,
  bottom,
  contains,
  inside,
  quarterTurned,
  right,
  type Edges,
  type Rect,
} from "../../../base/geometry/index.ts";
import { um, writeLength, writeMeasure } from "../../../base/length/index.ts";
import { applyEdit, type JobEdit } from "../../../edit/index.ts";
import type { Job } from "../../../job/index.ts";
import { layOut } from "../../../kinds/index.ts";
import type { CellPlan, SheetPlan } from "../../../plan/index.ts";
import type { Finding, Inspection, Rule } from "../finding.ts";
import { keysOf } from "../shots.ts";

/** Cells where the printer cannot print, and cells that a borderless or lab print may lose some of. */
export const paperEdge: Rule = (inspection) => {
  const out = reaching(inspection, ({ printable }) => printable);
  return out.length > 0 ? [unprintable(out, inspection)] : lost(inspection);
};

/** A cell that reaches out of some area of its sheet, and how far. */
interface Reaching {
  cell: CellPlan;
  sheet: SheetPlan;
  by: number;
}

function reaching({ sheets }: Inspection, areaOf: (sheet: SheetPlan) => Rect): Reaching[] {
  return sheets.flatMap((sheet) => {
    const area = areaOf(sheet);
    return sheet.cells
      .filter((cell) => !contains(area, around(cell)))
      .map((cell) => ({ cell, sheet, by: overhang(area, around(cell)) }));
  });
}

function unprintable(out: readonly Reaching[], { job, words }: Inspection): Finding {
  const deepest = writeMeasure(um(Math.max(...out.map(({ by }) => by))), { ...words, ppi: job.target.ppi });
  const { printable, paper } = out[0]!.sheet;
  const wholePaper = printable.width === paper.width && printable.height === paper.height;
  const computed = out.find(({ cell }) => !cell.placed);
  return {
    rule: "outside-printable",
    level: "wrong",
    sentence: wholePaper
      ? `${sentenceCase(cellsReach(out.length))} up to ${deepest} over the paper’s edge and would be cut off.`
      : `${job.target.printer.name} cannot print the outer edge: ${cellsReach(out.length)} up to ${deepest} into it and would be cut off.`,
    cells: keysOf(out.map(({ cell }) => cell)),
    mend: computed && { label: "Keep inside what prints", edit: insideWhatPrints(job, computed.sheet) },
  };
}

function lost(inspection: Inspection): Finding[] {
  const { job, words } = inspection;
  const near = reaching(inspection, ({ paper, mayLose }) => inside(paper, mayLose));
  const first = near[0];
  if (!first) return [];
  const writing = { ...words, ppi: job.target.ppi };
  const { mayLose } = first.sheet;
  const most = um(Math.max(mayLose.top, mayLose.right));
  const closest = um(Math.max(0, most - Math.max(...near.map(({ by }) => by))));
  const away = keepAway(job, first);
  return [
    {
      rule: "may-be-lost",
      level: "look",
      sentence: `${job.target.printer.name} prints can lose up to ${writeLength(most, writing)} at each edge. ${sentenceCase(cellsReach(near.length, "come"))} as near as ${writeMeasure(closest, writing)}.`,
      cells: keysOf(near.map(({ cell }) => cell)),
      mend: away && { label: `Keep ${writeLength(most, writing)} away`, edit: away },
    },
  ];
}

/** Margins as wide as what may be lost; left out for a cell that no margin moves. */
export function keepAway(
  { sheet }: Job,
  { cell, sheet: { mayLose } }: Pick<Reaching, "cell" | "sheet">,
): JobEdit | undefined {
  if (cell.placed || sheet.trim !== null) return undefined;
  const { margins } = sheet;
  const wider = (side: keyof Edges) => um(Math.max(margins[side], mayLose[side]));
  return {
    do: "sheet",
    change: {
      margins: { top: wider("top"), right: wider("right"), bottom: wider("bottom"), left: wider("left") },
    },
  };
}

/** How far a rectangle sticks out of another at its worst side. */
const overhang = (outer: Rect, rect: Rect): number =>
  Math.max(outer.x - rect.x, outer.y - rect.y, right(rect) - right(outer), bottom(rect) - bottom(outer));

/** Margins as wide as the printer's edges, with the paper lying so that more fits; as it lies now where that is equal. */
function insideWhatPrints(job: Job, sheet: SheetPlan): JobEdit {
  const { unprintable } = job.target.printer;
  const portrait: JobEdit = { do: "sheet", change: { lie: "portrait", margins: unprintable } };
  const landscape: JobEdit = {
    do: "sheet",
    change: { lie: "landscape", margins: quarterTurned(unprintable) },
  };
  const ways = sheet.paper.width > sheet.paper.height ? [landscape, portrait] : [portrait, landscape];
  const fitting = (edit: JobEdit) => layOut(applyEdit(job, edit), {}).sums.mostPerSheet;
  return ways.reduce((best, way) => (fitting(way) > fitting(best) ? way : best));
}

const cellsReach = (count: number, verb = "reach") =>
  count === 1 ? `one cell ${verb}${verb === "reach" ? "es" : "s"}` : `${count} cells ${verb}`;

const sentenceCase = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);
