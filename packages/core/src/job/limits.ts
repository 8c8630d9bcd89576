import { mm, um, type Um } from "../length/index.ts";

/** A closed range of lengths. */
export interface LengthRange {
  least: Um;
  most: Um;
}

/** What a job may ask for. Wide enough for a stamp and a wall; narrow enough that a slip is noticed. */
export const LIMITS = {
  /** A side of a finished piece. */
  piece: { least: mm(3), most: mm(3000) },
  /** A side of a paper. */
  paper: { least: mm(20), most: mm(5000) },
  gap: { least: um(0), most: mm(500) },
  margin: { least: um(0), most: mm(1000) },
  slack: { least: um(0), most: mm(20) },
  line: { least: um(20), most: mm(20) },
  markLength: { least: mm(0.5), most: mm(50) },
  copies: { least: 1, most: 10_000 },
  ppi: { least: 36, most: 2400 },
  /** Photos in one job's stash. */
  stash: 5000,
  /** Pixels of one sheet. A 44 × 64 cm sheet at 720 ppi has 226 million. */
  sheetPixels: 400_000_000,
  /** A photo in its cell, 1 being the least that covers the cell. */
  scale: { least: 0.05, most: 40 },
} as const satisfies Record<string, unknown>;
