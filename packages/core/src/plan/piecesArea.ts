import { area } from "../geometry/index.ts";
import type { SheetPlan } from "./types.ts";

/** The area of all finished pieces of some sheets, in square micrometres. */
export const piecesArea = (sheets: readonly Pick<SheetPlan, "cells">[]): number =>
  sheets.reduce((sum, { cells }) => sum + cells.reduce((all, { finished }) => all + area(finished), 0), 0);
