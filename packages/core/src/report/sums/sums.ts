import { area, around, bottom, right, type Edges } from "../../base/geometry/index.ts";
import { um } from "../../base/length/index.ts";
import { imposed } from "../../impose/index.ts";
import type { Job } from "../../job/index.ts";
import { layOut, type Layout, type LayoutSums } from "../../kinds/index.ts";
import type { Photos } from "../../photo/record/index.ts";
import { piecesArea, type SheetPlan } from "../../plan/index.ts";
import { price, type Price } from "../price/index.ts";

/** The results under the ticket. */
export interface Sums {
  layout: LayoutSums;
  sheets: number;
  /** Pages that someone will hold; as many as sheets where a page is one. */
  pages: number;
  /** Pieces that really stand on them, without those taken out by hand and with those added. */
  pieces: number;
  /** Share of all paper that becomes finished pieces, 0…1. */
  used: number;
  /** Bare paper between the outermost pieces and the edges of the fullest sheet. */
  leftOver: Edges;
  /** The written file of one sheet. */
  pixels: { width: number; height: number };
  price: Price;
}

/** Everything that a practitioner would otherwise work out on paper. */
export function sums(
  job: Job,
  photos: Photos,
  pages: readonly SheetPlan[],
  layout: Layout = layOut(job, photos),
  sheets: readonly SheetPlan[] = imposed(job, pages),
): Sums {
  const first = fullest(sheets);
  const paper = sheets.reduce((sum, s) => sum + area(s.paper), 0);
  return {
    layout: layout.sums,
    sheets: sheets.length,
    pages: pages.length,
    pieces: sheets.reduce((sum, { cells, freed }) => sum + (freed ?? cells).length, 0),
    used: paper === 0 ? 0 : piecesArea(sheets) / paper,
    leftOver: first ? leftOver(first) : { top: um(0), right: um(0), bottom: um(0), left: um(0) },
    pixels: first?.pixels ?? { width: 0, height: 0 },
    price: price(job, sheets),
  };
}

/** The sheet with the most pieces, the first of equals. */
const fullest = (sheets: readonly SheetPlan[]): SheetPlan | undefined =>
  sheets.reduce<SheetPlan | undefined>(
    (best, s) => (best && best.cells.length >= s.cells.length ? best : s),
    undefined,
  );

function leftOver({ paper, cells, freed }: SheetPlan): Edges {
  if (cells.length === 0 && !freed)
    return { top: paper.height, right: paper.width, bottom: paper.height, left: paper.width };
  const finished = freed ?? cells.map(around);
  return {
    left: um(Math.min(...finished.map(({ x }) => x))),
    top: um(Math.min(...finished.map(({ y }) => y))),
    right: um(paper.width - Math.max(...finished.map(right))),
    bottom: um(paper.height - Math.max(...finished.map(bottom))),
  };
}
