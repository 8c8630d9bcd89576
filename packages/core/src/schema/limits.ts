import { mm, um, type Um } from "../base/length/index.ts";

/** A closed range of lengths. */
export interface LengthRange {
  least: Um;
  most: Um;
}

/** What a job may ask for. Wide enough for a stamp and a wall; narrow enough that a slip is noticed. */
export const LIMITS = {
  /** A side of a finished piece. */
  piece: { least: mm(3), most: mm(3000) },
  /** A side of a picture that is spread over many sheets. */
  mural: { least: mm(20), most: mm(20_000) },
  /** A figure of a document-photo rule. */
  measure: { least: um(0), most: mm(1000) },
  /** A side of a paper. */
  paper: { least: mm(20), most: mm(20_000) },
  /** From how far a picture is looked at. */
  sight: { least: mm(100), most: mm(100_000) },
  gap: { least: um(0), most: mm(500) },
  margin: { least: um(0), most: mm(1000) },
  /** What runs on past a seam between sheets. */
  overlap: { least: um(0), most: mm(100) },
  /** What goes around the edge of a frame. */
  wrap: { least: mm(1), most: mm(200) },
  slack: { least: um(0), most: mm(20) },
  line: { least: um(20), most: mm(20) },
  markLength: { least: mm(0.5), most: mm(50) },
  /** A finished sheet smaller than its paper. */
  trim: { least: mm(10), most: mm(5000) },
  bleed: { least: um(0), most: mm(50) },
  /** Where a cell may be put by hand, from the paper's corner. */
  away: { least: mm(-20_000), most: mm(20_000) },
  /** The height of a font. */
  letter: { least: mm(0.5), most: mm(500) },
  /** The width of a stamp or a watermark. */
  graphic: { least: mm(1), most: mm(3000) },
  /** Graphics and boxes of words in one job. */
  graphics: 60,
  texts: 200,
  /** Shapes that are drawn in one job. */
  shapes: 300,
  copies: { least: 1, most: 10_000 },
  quantity: { least: 1, most: 1000 },
  /** Cells that stay where they stand when a job becomes Free. */
  standing: 10_000,
  /** Guides in each direction. */
  guides: 200,
  /** Pieces, lines and papers of one job of mixed sizes. */
  pieces: 2000,
  lines: 500,
  /** People and rules of one job of portraits. */
  people: 500,
  rules: 60,
  papers: 12,
  /** Rows or columns of a collage, and cells in each. */
  strips: { least: 1, most: 60 },
  /** Photos that a search for a collage that crops nothing takes on. */
  wholeCollage: 120,
  sheets: 10_000,
  /** Sets of one event. */
  sets: 99_999,
  ppi: { least: 36, most: 2400 },
  /** Heads that are looked for in one photo. */
  heads: 32,
  /** Photos in one job's stash. */
  stash: 5000,
  /** Pixels of one sheet. A 44 × 64 cm sheet at 720 ppi has 226 million. */
  sheetPixels: 400_000_000,
  /** A photo in its cell, 1 being the least that covers the cell. */
  scale: { least: 0.05, most: 40 },
} as const satisfies Record<string, unknown>;
