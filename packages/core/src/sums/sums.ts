import { area, bottom, right, type Edges } from "../geometry/index.ts";
import type { Job } from "../job/index.ts";
import { kindOf, type LayoutSums } from "../kinds/index.ts";
import { um } from "../length/index.ts";
import type { SheetPlan } from "../plan/index.ts";
import { price, type Price } from "../price/index.ts";

/** The results under the ticket. */
export interface Sums {
  layout: LayoutSums;
  sheets: number;
  /** Share of all paper that becomes finished pieces, 0…1. */
  used: number;
  /** Bare paper between the outermost pieces and the edges of the fullest sheet. */
  leftOver: Edges;
  /** The written file of one sheet. */
  pixels: { width: number; height: number };
  /** Cuts of a trimmer that free the pieces of the fullest sheet, equal strips stacked. */
  cuts: number;
  price: Price;
}

/** Everything that a practitioner would otherwise work out on paper. */
export function sums(job: Job, sheets: readonly SheetPlan[]): Sums {
  const first = sheets[0];
  const finished = sheets.reduce((sum, s) => sum + s.cells.reduce((all, c) => all + area(c.finished), 0), 0);
  const paper = sheets.reduce((sum, s) => sum + area(s.paper), 0);
  return {
    layout: kindOf(job).sums(job),
    sheets: sheets.length,
    used: paper === 0 ? 0 : finished / paper,
    leftOver: first ? leftOver(first) : { top: um(0), right: um(0), bottom: um(0), left: um(0) },
    pixels: first?.pixels ?? { width: 0, height: 0 },
    cuts: first ? gridCuts(first) : 0,
    price: price(job, sheets),
  };
}

function leftOver({ paper, cells }: SheetPlan): Edges {
  const finished = cells.map((cell) => cell.finished);
  return {
    left: um(Math.min(...finished.map(({ x }) => x))),
    top: um(Math.min(...finished.map(({ y }) => y))),
    right: um(paper.width - Math.max(...finished.map(right))),
    bottom: um(paper.height - Math.max(...finished.map(bottom))),
  };
}

/**
 * Straight cuts of a plain grid: one along every distinct finished edge that is not the paper's own. The sheet is cut
 * into strips, the strips are stacked and cut across.
 *
 *     4 columns with gaps: 8 cuts across, 2 rows with gaps: 4 along, 12 in all; without gaps 5 + 3 = 8
 */
function gridCuts({ paper, cells }: SheetPlan): number {
  const along = new Set(cells.flatMap(({ finished }) => [finished.y, bottom(finished)]));
  const across = new Set(cells.flatMap(({ finished }) => [finished.x, right(finished)]));
  for (const edge of [um(0), paper.height]) along.delete(edge);
  for (const edge of [um(0), paper.width]) across.delete(edge);
  return along.size + across.size;
}
