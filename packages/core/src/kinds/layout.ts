import type { Quarter, Rect, Size } from "../base/geometry/index.ts";
import type { Um } from "../base/length/index.ts";
import type { DaysBlock } from "../finish/blocks/index.ts";
import type { Stroke } from "../finish/graphics/index.ts";
import type { Type } from "../finish/words/index.ts";
import type { SheetSetup } from "../job/index.ts";
import type { CellName, ItemName, PhotoId, SheetName } from "../schema/index.ts";
import type { Point } from "../solve/windows/index.ts";
import type { Slot } from "./flow.ts";

/** What a kind of job computes from its ticket: where cells lie, before any photo is placed in them. */
export interface Layout {
  sheets: LaidSheet[];
  sums: LayoutSums;
}

export interface LaidSheet {
  name: SheetName;
  /** The paper upright, as the job names it. */
  paper: SheetSetup["paper"];
  /** The paper as it lies. */
  lying: Size;
  /** What it is called, where it has more than a number: “2027-03 March”. */
  title?: string;
  /** The month that it shows first, where it shows any: “2027-03”. */
  month?: string;
  cells: LaidCell[];
  words?: LaidWords[];
  /** Lines that belong to the layout. */
  lines?: Stroke[];
  /** Blocks of the job that the layout makes room for. */
  blocks?: LaidBlock[];
  /** Artwork in front of all cells, stretched to where it lies. */
  front?: LaidArt[];
  /** Where photos and days part, which a hand may move. */
  split?: LaidSplit;
}

/** How photos and days share an area: side by side or one above the other, a gap between them. */
export interface LaidSplit {
  beside: boolean;
  /** Whether photos stand at the left or at the top. */
  photosFirst: boolean;
  area: Rect;
  gap: Um;
  /** What photos take of the area without the gap, 0 … 1. */
  share: number;
}

/** An artwork’s file, and where its edges lie. */
export interface LaidArt {
  file: PhotoId;
  rect: Rect;
}

/** A block where the layout has it: one of the job’s, or days that come with the page. */
export interface LaidBlock {
  name: ItemName;
  box: Rect;
  days?: Pick<DaysBlock, "of" | "style" | "own">;
}

/** The place of one photo, and what it shows. */
export interface LaidCell extends Slot {
  key: CellName;
  finished: Rect;
  /** The turn of the whole piece, its photo included. */
  turn: Quarter;
  /** Its tilt about its middle, degrees clockwise, and whether it lies over those of a lower number; 0 where left out. */
  angle?: number;
  order?: number;
  /** How far its photo runs on past the finished edge, where the layout says that, and not the slack of the job. */
  runsOn?: Um;
  /** The convex shape that its photo is printed in, where that is not all of it: in µm on the sheet, before the tilt. */
  within?: readonly Point[];
  /** Whether it shows again what another cell shows, whichever photo that is. */
  again?: true;
  /** A name that is printed under the upright piece, outside its trim. */
  caption?: string;
  /** Where words under the cell stand, where that is not right below it. */
  under?: Rect;
}

/** Words that belong to the layout of a sheet: a headline, a foot, the heading of a section. */
export interface LaidWords {
  /** With fields of the job and the sheet. */
  text: string;
  type: Type;
  box: Rect;
  /** Lines at most; 2 where left out. */
  lines?: number;
}

/** How the computed layout comes to its number of pieces, for the line of sums. */
export interface LayoutSums {
  /** Of a plain grid; 0 for anything else. */
  columns: number;
  rows: number;
  /** Pieces on a full sheet. */
  perSheet: number;
  /** Pieces that were asked for, or that fit when as many as possible were asked for. */
  pieces: number;
  /** Pieces that would fit on one sheet. */
  mostPerSheet: number;
  /** Whether more on a sheet, or fewer sheets, are proved impossible; left out where that is no question. */
  proved?: boolean;
  /** Fewer sheets than this nobody needs. */
  leastSheets?: number;
  /** Pieces that fit on no paper. */
  tooLarge?: number;
  /** The largest share that the layout itself crops of a photo; left out where it crops none on purpose. */
  crop?: number;
  /** The finished size of the one page, where the ticket works that out. */
  size?: Size;
  /** How a collage that crops nothing is divided, to be kept. */
  arrangement?: string;
}
