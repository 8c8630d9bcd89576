import { area } from "../geometry/index.ts";
import type { Job } from "../job/index.ts";
import type { SheetPlan } from "../plan/index.ts";

/** What sheets cost, in the unit that the printer's price was given in; not rounded. */
export interface Price {
  perSheet: number;
  /** 0 when there is no piece. */
  perPiece: number;
  total: number;
}

const UM2_PER_M2 = 1e12;

/** The price of a job's sheets: a part for each sheet and a part for its paper's area. */
export function price({ sheet }: Job, sheets: readonly SheetPlan[]): Price {
  const { perSheet: fixed, perSquareMetre } = sheet.printer.price;
  const perSheet = fixed + (perSquareMetre * area(sheet.paper)) / UM2_PER_M2;
  const pieces = sheets.reduce((sum, { cells }) => sum + cells.length, 0);
  const total = perSheet * sheets.length;
  return { perSheet, perPiece: pieces === 0 ? 0 : total / pieces, total };
}
