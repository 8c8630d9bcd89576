import type { SheetSetup } from "../job/index.ts";
import type { Layout } from "./layout.ts";
import type { TicketChange } from "./tickets.ts";
import type { TicketWords } from "./words.ts";

/** Something that would spoil the print, found by a kind of job in its own ticket. */
export interface KindFinding {
  /** Stable name of the rule that found it. */
  rule: string;
  level: "wrong" | "look";
  sentence: string;
  mend?: KindMend;
}

/** A step that mends it: a change of the ticket or of the sheet. */
export type KindMend = { label: string } & ({ ticket: TicketChange } | { sheet: Partial<SheetSetup> });

/** What a kind looks at besides the job. */
export interface Looked {
  layout: Layout;
  words: TicketWords;
}
