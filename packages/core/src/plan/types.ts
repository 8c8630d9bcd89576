import type { Picture, Quarter } from "../crop/index.ts";
import type { Rect, Size } from "../geometry/index.ts";
import type { PhotoId } from "../job/index.ts";
import type { Um } from "../length/index.ts";

/** What the layout needs to know of a photo: its size in pixels after the turn its EXIF flag asks for. */
export interface PhotoFacts {
  width: number;
  height: number;
}

/** The photos a job may use, by id. A photo that is missing here is planned as missing, not as an error. */
export type Photos = Readonly<Record<PhotoId, PhotoFacts>>;

/**
 * One sheet, ready to be painted: everything is decided, in the order of painting. Screen, pixels and PDF are all
 * painted from this; a painter that decides nothing cannot differ from the others.
 */
export interface SheetPlan {
  /** 1 for the first sheet. */
  number: number;
  of: number;
  /** The paper as it lies. */
  paper: Size;
  /** What is left of the paper once the printer's unprintable edge is taken off. */
  printable: Rect;
  /** The finished sheet, and the same with bleed; both the whole paper until a piece smaller than it is asked for. */
  trim: Rect;
  bleed: Rect;
  ppi: number;
  /** The written file, in pixels: round(paper · ppi / 25 400). */
  pixels: { width: number; height: number };
  cells: CellPlan[];
  /** Lines to cut by, painted last. */
  marks: Stroke[];
}

/** The place of one photo. */
export interface CellPlan {
  /** The same cell keeps its key as long as it keeps its place in the order: "1", "2" … over all sheets. */
  key: string;
  /** The cell's number on its sheet, from 1. */
  number: number;
  shot: number;
  /** The size that was asked for, where it lies. */
  finished: Rect;
  /** How far the image is printed: the finished size and its slack, less what would run into a neighbour. */
  image: Rect;
  /** The turn of the whole piece, its photo included. */
  turn: Quarter;
  photo: PhotoId | null;
  /** The photo behind the cell; null for an empty cell and for a photo that is missing. */
  picture: Picture | null;
  outline: Line | null;
  /** Whether anything of this cell was set by hand. */
  byHand: boolean;
}

export interface Line {
  width: Um;
  colour: string;
}

/** A straight line along x or along y, `width` wide, half of it to each side. */
export interface Stroke extends Line {
  x1: Um;
  y1: Um;
  x2: Um;
  y2: Um;
}
