import type { Rect, Size } from "../../base/geometry/index.ts";
import type { Um } from "../../base/length/index.ts";
import type { Cuts } from "../fit/index.ts";

/** Pieces of one size. */
export interface PackPiece extends Size {
  quantity: number;
  /** Whether they may lie on their side. */
  mayTurn: boolean;
  /** Pieces that show the same photo are kept together where that costs nothing. */
  photo?: string | null;
}

/** A paper as it lies, already less its margins, and what a sheet of it costs. */
export interface PackPaper extends Size {
  price: number;
}

export interface PackQuestion {
  pieces: readonly PackPiece[];
  /** One or several; sheets of different papers may be mixed. */
  papers: readonly PackPaper[];
  gap: Um;
  cuts: Cuts;
  /** What comes first: as few sheets as possible, or the lowest price. */
  aim: "sheets" | "price";
}

/** One piece on a sheet, from the upper left corner of the area inside the margins. */
export interface PackPlace extends Rect {
  /** Index of the piece in the question. */
  piece: number;
  turned: boolean;
}

export interface PackSheet {
  /** Index of the paper in the question. */
  paper: number;
  places: PackPlace[];
}

/** Pieces set out on sheets. */
export interface Packing {
  sheets: PackSheet[];
  /** Indexes of pieces that fit on no paper at all; they are on no sheet. */
  tooLarge: number[];
  price: number;
  /** Nobody can do with fewer sheets, or for less. */
  bound: { sheets: number; price: number };
}
