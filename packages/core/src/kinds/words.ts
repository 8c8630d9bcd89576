import type { Unit } from "../base/length/index.ts";

/** The parts of tickets that can be changed. Whoever shows tickets has a panel for each. */
export type Control =
  | "aim"
  | "art"
  | "artFit"
  | "binding"
  | "border"
  | "breaks"
  | "cell"
  | "copies"
  | "cover"
  | "cuts"
  | "dates"
  | "days"
  | "distance"
  | "finish"
  | "gap"
  | "grid"
  | "headAndFoot"
  | "impose"
  | "joints"
  | "knife"
  | "lie"
  | "margins"
  | "marks"
  | "months"
  | "names"
  | "outline"
  | "page"
  | "panels"
  | "paper"
  | "paperLie"
  | "papers"
  | "people"
  | "perPerson"
  | "personSheets"
  | "photo"
  | "pick"
  | "pieces"
  | "place"
  | "ppi"
  | "printer"
  | "room"
  | "rule"
  | "seams"
  | "sheets"
  | "size"
  | "slack"
  | "span"
  | "spread"
  | "strip"
  | "trim"
  | "under"
  | "way"
  | "weeks";

/** A part of the ticket: plain words, or a figure that can be changed, named after its control. */
export type TicketPart = { text: string } | { control: Control; text: string; measure?: boolean };

/** How figures are written in a ticket: the reader's unit and country. */
export interface TicketWords {
  unit: Unit;
  locale?: string;
}
