import { lieOver } from "./tilt.ts";
import type { CellPlan, SheetPlan } from "./types.ts";

/**
 * The cells of a sheet in layers to be painted one after the other, photos and then outlines of each. Cells that lie
 * over no other are all one layer, in which a painter may take photos in any order.
 */
export function layers({ cells }: Pick<SheetPlan, "cells">): CellPlan[][] {
  const byHand = cells.filter(({ placed }) => placed);
  const over = byHand.some((one) => cells.some((other) => other !== one && lieOver(one, other)));
  return over ? cells.map((cell) => [cell]) : [cells];
}
