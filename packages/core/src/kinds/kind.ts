import type { Job } from "../job/index.ts";
import type { Photos, SheetPlan } from "../plan/index.ts";

/** A part of the ticket: plain words, or a figure that can be changed, named after its control. */
export type TicketPart = { text: string } | { control: string; text: string; measure?: boolean };

/** How the computed layout comes to its number of pieces, for the line of sums. */
export interface LayoutSums {
  columns: number;
  rows: number;
  /** Pieces on a full sheet. */
  perSheet: number;
  /** Pieces that were asked for, or that fit when as many as possible were asked for. */
  pieces: number;
  /** Pieces that would fit on one sheet. */
  mostPerSheet: number;
}

/** A kind of job: one folder that registers itself in `kinds/index.ts`. */
export interface JobKind {
  name: Job["ticket"]["kind"];
  /** As it stands where a job is started: "Copies of one photo". */
  title: string;
  /** What it is for, in one sentence. */
  about: string;
  arrange(job: Job, photos: Photos): SheetPlan[];
  sums(job: Job): LayoutSums;
  /** The ticket, part by part; read in a row it is one sentence. */
  say(job: Job, words: TicketWords): TicketPart[];
}

/** How figures are written in a ticket: the reader's unit and country. */
export interface TicketWords {
  unit: "mm" | "cm" | "in" | "pt" | "px";
  locale?: string;
}
