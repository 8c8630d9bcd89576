import { lieOver } from "./tilt.ts";
import type { CellPlan, SheetPlan } from "./types.ts";

/**
 * The cells of a sheet in layers to be painted one after the other, photos and then frames, outlines and words of each.
 * No two cells of a layer lie over one another, so a painter may take its photos in any order; there are as few layers
 * as the order of the cells allows. Only cells that were put by hand can lie over others.
 */
export function layers({ cells }: Pick<SheetPlan, "cells">): CellPlan[][] {
  const found: CellPlan[][] = [];
  let layer: CellPlan[] = [];
  // Of the layer so far: what a cell as it was laid can still lie over.
  let byHand: CellPlan[] = [];
  for (const cell of cells) {
    const under = cell.placed ? layer : byHand;
    if (under.some((other) => lieOver(cell, other))) {
      found.push(layer);
      [layer, byHand] = [[], []];
    }
    layer.push(cell);
    if (cell.placed) byHand.push(cell);
  }
  return layer.length > 0 || found.length === 0 ? [...found, layer] : found;
}

/**
 * The cells that lie over no other: their photos may be painted before all else. Only cells that were put by hand lie
 * over others, or have others over them.
 */
export function lowest({ cells }: Pick<SheetPlan, "cells">): CellPlan[] {
  const byHand: CellPlan[] = [];
  return cells.filter((cell, i) => {
    const under = cell.placed ? cells.slice(0, i) : byHand;
    const isLowest = !under.some((other) => lieOver(cell, other));
    if (cell.placed) byHand.push(cell);
    return isLowest;
  });
}
