import { area } from "../base/geometry/index.ts";
import type { SheetPlan } from "./types.ts";

/** The area of all finished pieces of some sheets, pages that are cut apart or cells, in square micrometres. */
export const piecesArea = (sheets: readonly Pick<SheetPlan, "cells" | "freed">[]): number =>
  sheets.reduce(
    (sum, { cells, freed }) =>
      sum + (freed ?? cells.map(({ finished }) => finished)).reduce((all, piece) => all + area(piece), 0),
    0,
  );
