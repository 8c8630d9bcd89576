import type { JobEdit } from "../../edit/index.ts";
import type { Job } from "../../job/index.ts";
import type { Layout, TicketWords } from "../../kinds/index.ts";
import type { Photos } from "../../photo/record/index.ts";
import type { SheetPlan } from "../../plan/index.ts";

/** "wrong" spoils the print, "look" may, "right" is said because people ask. */
export type FindingLevel = "wrong" | "look" | "right";

/** Something that would spoil the print, found before it. */
export interface Finding {
  /** Stable name of the rule that found it. */
  rule: string;
  level: FindingLevel;
  /** What, why, and what it means, in one or two sentences. */
  sentence: string;
  /** Keys of the cells it is about; empty when it is about the sheet. */
  cells: string[];
  /** One step that mends it, where there is one, and another way where there are two. */
  mend?: Mend;
  orElse?: Mend;
}

export interface Mend {
  label: string;
  edit: JobEdit;
}

/** What a rule looks at. */
export interface Inspection {
  job: Job;
  photos: Photos;
  /** The pages of the job. */
  sheets: readonly SheetPlan[];
  /** The sheets that they are printed on; the same where a page is a sheet. */
  printed: readonly SheetPlan[];
  layout: Layout;
  words: TicketWords;
}

/** A rule of the check: one file in `rules/`, listed in `check.ts`. */
export type Rule = (inspection: Inspection) => Finding[];
