import type { Edges, Quarter, Rect, Size } from "../base/geometry/index.ts";
import type { Um } from "../base/length/index.ts";
import type { Strength } from "../catalogue/press/sharpen.ts";
import type { Ink, Line, Stroke } from "../finish/graphics/index.ts";
import type { Band, StylePart } from "../finish/style/index.ts";
import type { FieldSource } from "../finish/words/index.ts";
import type { SheetSetup } from "../job/index.ts";
import type { BackdropFill } from "../photo/backdrop/index.ts";
import type { Picture, Sits } from "../photo/crop/index.ts";
import type { Look } from "../photo/look/index.ts";
import type { Point } from "../solve/windows/index.ts";
import type { CellName, ItemName, PhotoId, SheetName, ShotName } from "../schema/index.ts";

/**
 * One sheet, ready to be painted: everything is decided, in the order of painting. Screen, pixels and PDF are all
 * painted from this; a painter that decides nothing cannot differ from the others.
 */
export interface SheetPlan {
  /** The sheet's name in the job. */
  id: SheetName;
  /** What it is called, where it has more than a number. */
  title: string | null;
  /** The month that it shows, where it shows one. */
  shows: FieldSource["shows"] | null;
  /** 1 for the first sheet in the order they are seen in. */
  number: number;
  of: number;
  /** The paper upright, as it is bought. */
  stock: SheetSetup["paper"];
  /** The paper as it lies. */
  paper: Size;
  /** What is left of the paper once the printer's unprintable edge is taken off. */
  printable: Rect;
  /** The finished sheet, the same with its bleed, and inside it where nothing important comes near an edge. */
  trim: Rect;
  bleed: Rect;
  safe: Rect;
  /** What may be lost of the paper at each edge where the page is enlarged to print without a border. */
  mayLose: Edges;
  ppi: number;
  /** The written file, in pixels: round(paper · ppi / 25 400). */
  pixels: { width: number; height: number };
  /** What is coloured before anything else. */
  grounds: GroundPlan[];
  /** Artwork behind all cells. */
  backing: Ink[];
  /** In the order of painting: later ones lie over earlier ones. */
  cells: CellPlan[];
  /** Stamps and words of the sheet, over all cells. */
  over: Ink[];
  /** What of that can be chosen and moved by itself, in the same order. */
  items: ItemPlan[];
  /** Lines to cut by, painted last. */
  marks: Stroke[];
  /** The pages that are cut apart, where a sheet holds several; null where its cells are what is freed. */
  freed: Rect[] | null;
  /** What of pages this sheet shows a part of, where they are spread over several sheets. */
  parts: PagePart[];
}

/** What of a colour is left where it is printed pale. */
export const PALE = 0.3;

/**
 * A part of a page as it is printed on a sheet of its own. Painters paint the page, and of that these pixels: what lies at
 * a seam is the same on both sheets to the last bit. Then come the sheet’s own words and marks.
 */
export interface PagePart {
  /** “C1”. */
  name: string;
  page: SheetPlan;
  /** 1 for the page as large as it is; less for the page in small. */
  scale: number;
  /** What is printed of it, in µm on the page; painters round its edges on the page. */
  prints: Rect;
  /** What is seen of it once all is put together. */
  shows: Rect;
  /** What goes around the edges of a panel instead of the page as it goes on; null where the page does. */
  wrap: PartWrap | null;
  /** Strips of it that are printed pale: they are covered or cut off later. */
  pale: Rect[];
  /** How it meets the sheets around it: the side of each strip, the sheet there and how wide the strip is. */
  joint: "glue" | "butt";
  strips: { side: "right" | "bottom" | "left" | "top"; next: string; width: Um }[];
  /** How it is turned on the sheet, and where its upper left corner lies there, as it lies then. */
  turn: Quarter;
  at: { x: Um; y: Um };
}

/** What is painted outside the face of a panel: the page reflected at its edges, its last strip stretched, or a colour. */
export interface PartWrap {
  way: "mirrored" | "stretched" | "colour";
  /** What is seen from the front, in µm on the page. */
  face: Rect;
  colour: string;
}

/** A part of the paper that is coloured: the sheet, or one of the pages on it. */
export interface GroundPlan {
  fill: BackdropFill;
  rect: Rect;
  /** How the page lies: a fill that changes from the top down does so on the page. */
  turn: Quarter;
}

/** A thing on a page that is no photo: a box of words, a shape, or a block that is drawn anew at any size. */
export interface ItemPlan {
  kind: "words" | "block" | "shape";
  name: ItemName;
  /** Where it lies before it is turned about its middle. */
  finished: Rect;
  /** Degrees clockwise. */
  angle: number;
  /** Whether the layout has it there, so that it is not moved by hand. */
  laid: boolean;
}

/** The place of one photo. */
export interface CellPlan {
  /** Its name, which it keeps whatever becomes of the others. */
  key: CellName;
  /** The cell's number on its sheet, from 1. */
  number: number;
  /** What it shares with the cells that show the same: a number, or the photo that comes by itself. */
  slot: ShotName;
  /** Where it is kept how its photo sits. */
  shot: ShotName;
  /** The size that was asked for, where it lies. */
  finished: Rect;
  /** What its border and mat leave open for the photo: the finished size where it has none. */
  opening: Rect;
  /** Radius of the opening's corners. */
  corner: Um;
  /** Its border and mat, from the outside to the inside. */
  bands: Band[];
  /** What the photo has to cover: the finished size, its slack, and its bleed at the edge of the finished sheet. */
  cover: Rect;
  /** How far the image is printed: what it covers, less what would run into a neighbour or off the paper. */
  image: Rect;
  /**
   * The convex shape that the photo is printed in, where that is not all of `image`: points in µm on the sheet, before the
   * cell is tilted; null where nothing else bounds it.
   */
  within: readonly Point[] | null;
  /** Tilt of the whole cell about the middle of its finished size, degrees clockwise. */
  angle: number;
  /** The turn of the whole piece, its photo included. */
  turn: Quarter;
  photo: PhotoId | null;
  /** What is painted: the photo, or the same with something else behind the person. */
  paints: PhotoId | null;
  /** How the photo sits, as set by hand or computed. */
  sits: Sits;
  /** The photo behind the cell; null for an empty cell and for a photo that is missing. */
  picture: Picture | null;
  /** How its tones and colours are changed; null for as they are. */
  look: Look | null;
  /** How strongly its photo is sharpened for paper; null for not at all. */
  sharpening: Strength | null;
  /** Words and graphics over the photo and its frame. */
  over: Ink[];
  outline: Line | null;
  /** Whether its photo, or how that sits, was set by hand. */
  byHand: boolean;
  /** The parts of what it wears that were set for it by hand. */
  styled: StylePart[];
  /** Whether its place was set by hand. */
  placed: boolean;
  locked: boolean;
}
