import { area } from "../base/geometry/index.ts";
import type { SheetPlan } from "./types.ts";

/**
 * The area of all finished pieces of some sheets, in square micrometres: pages that are cut apart, what is seen of a page
 * that is spread, or cells.
 */
export const piecesArea = (sheets: readonly Pick<SheetPlan, "cells" | "freed" | "part">[]): number =>
  sheets.reduce((sum, { cells, freed, part }) => {
    const pieces = part ? [part.shows] : (freed ?? cells.map(({ finished }) => finished));
    return sum + pieces.reduce((all, piece) => all + area(piece), 0);
  }, 0);
