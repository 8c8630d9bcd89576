import { area } from "../base/geometry/index.ts";
import type { SheetPlan } from "./types.ts";

/**
 * The area of all finished pieces of some sheets, in square micrometres: pages that are cut apart, what is seen of a page
 * that is spread, or cells.
 */
export const piecesArea = (sheets: readonly Pick<SheetPlan, "cells" | "freed" | "parts">[]): number =>
  sheets.reduce((sum, { cells, freed, parts }) => {
    // A page in small on a map is no piece: nobody cuts it out.
    const shown = parts.filter(({ scale }) => scale === 1).map(({ shows }) => shows);
    const pieces = shown.length > 0 ? shown : (freed ?? cells.map(({ finished }) => finished));
    return sum + pieces.reduce((all, piece) => all + area(piece), 0);
  }, 0);
