import { inside, quarterTurned, type Rect, type Size } from "../base/geometry/index.ts";
import type { Job } from "../job/index.ts";

/**
 * Where the printer can print, on the paper as it lies. A printer's edges are measured on upright paper; a sheet
 * that lies on its side is the upright one turned a quarter clockwise.
 */
export function printableArea({ target }: Job, stock: Size, paper: Size): Rect {
  const isUpright = paper.width === stock.width && paper.height === stock.height;
  const { unprintable } = target.printer;
  return inside(paper, isUpright ? unprintable : quarterTurned(unprintable));
}
