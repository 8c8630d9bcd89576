import { lieOver } from "../base/geometry/index.ts";
import type { CellPlan, SheetPlan } from "./types.ts";

/** Whether a cell may lie over others: one that was put by hand, a tilted one, one behind a window that is cut back to a shape. */
const mayLieOver = ({ placed, angle, within }: CellPlan): boolean => placed || angle !== 0 || within !== null;

/**
 * The cells of a sheet in layers to be painted one after the other, photos and then frames, outlines and words of each.
 * No two cells of a layer lie over one another, so a painter may take its photos in any order; there are as few layers
 * as the order of the cells allows.
 */
export function layers({ cells }: Pick<SheetPlan, "cells">): CellPlan[][] {
  const found: CellPlan[][] = [];
  let layer: CellPlan[] = [];
  // Of the layer so far: what a cell of a grid can still lie over.
  let free: CellPlan[] = [];
  for (const cell of cells) {
    const under = mayLieOver(cell) ? layer : free;
    if (under.some((other) => lieOver(cell, other))) {
      found.push(layer);
      [layer, free] = [[], []];
    }
    layer.push(cell);
    if (mayLieOver(cell)) free.push(cell);
  }
  return layer.length > 0 || found.length === 0 ? [...found, layer] : found;
}

/**
 * The cells that lie over no other: their photos may be painted before all else. The cells of a grid lie over no
 * other.
 */
export function lowest({ cells }: Pick<SheetPlan, "cells">): CellPlan[] {
  const free: CellPlan[] = [];
  return cells.filter((cell, i) => {
    const under = mayLieOver(cell) ? cells.slice(0, i) : free;
    const isLowest = !under.some((other) => lieOver(cell, other));
    if (mayLieOver(cell)) free.push(cell);
    return isLowest;
  });
}
