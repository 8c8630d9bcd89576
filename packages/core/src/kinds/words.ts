import type { Unit } from "../base/length/index.ts";

/** The parts of tickets that can be changed. Whoever shows tickets has a panel for each. */
export type Control =
  | "aim"
  | "art"
  | "artFit"
  | "border"
  | "breaks"
  | "cell"
  | "copies"
  | "cuts"
  | "finish"
  | "gap"
  | "grid"
  | "headAndFoot"
  | "impose"
  | "knife"
  | "lie"
  | "margins"
  | "marks"
  | "names"
  | "outline"
  | "page"
  | "paper"
  | "paperLie"
  | "papers"
  | "people"
  | "perPerson"
  | "personSheets"
  | "pick"
  | "pieces"
  | "place"
  | "ppi"
  | "printer"
  | "room"
  | "rule"
  | "size"
  | "slack"
  | "strip"
  | "trim"
  | "under"
  | "way";

/** A part of the ticket: plain words, or a figure that can be changed, named after its control. */
export type TicketPart = { text: string } | { control: Control; text: string; measure?: boolean };

/** How figures are written in a ticket: the reader's unit and country. */
export interface TicketWords {
  unit: Unit;
  locale?: string;
}
