import { area, type Size } from "../../base/geometry/index.ts";
import { piecesArea, type SheetPlan } from "../../plan/index.ts";

/** What printing with ink costs. */
export interface InkPrice {
  /** A square metre covered fully with one ink. */
  ink: number;
}

const UM2_PER_M2 = 1e12;

/**
 * What the ink of a sheet costs, about. `coverage` is how much of the sheet each ink covers, added up: 0 for bare paper,
 * 1 for black all over, up to 4 where every ink covers everything.
 */
export const inkOfSheet = ({ ink }: InkPrice, paper: Size, coverage: number): number =>
  (ink * coverage * area(paper)) / UM2_PER_M2;

/**
 * How much ink a finished piece takes for its area, as one sheet’s coverage tells: what is printed beside the pieces is
 * counted as theirs. 0 for a sheet without pieces.
 */
export function inkOnPieces(sheet: SheetPlan, coverage: number): number {
  const pieces = piecesArea([sheet]);
  return pieces === 0 ? 0 : (coverage * area(sheet.paper)) / pieces;
}

/** What the ink of all pieces on some sheets costs, about: the same pieces take the same ink on any paper. */
export const inkOfPieces = ({ ink }: InkPrice, sheets: readonly SheetPlan[], onPieces: number): number =>
  (ink * onPieces * piecesArea(sheets)) / UM2_PER_M2;
