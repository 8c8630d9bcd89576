import { area } from "../base/geometry/index.ts";
import type { Job, SheetSetup } from "./schema.ts";

const UM2_PER_M2 = 1e12;

/** What one sheet of a paper costs: its own price, or the printer's, a part for each sheet and a part for its area. */
export function paperPrice({ target }: Pick<Job, "target">, paper: SheetSetup["paper"]): number {
  const { perSheet, perSquareMetre } = target.printer.price;
  return paper.price ?? perSheet + (perSquareMetre * area(paper)) / UM2_PER_M2;
}
