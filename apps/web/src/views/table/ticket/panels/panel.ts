import type { ComponentType } from "react";
import type { Job, JobEdit } from "@wide-quilt/core";
import type { Words } from "../../../../words/words.ts";

/** What every panel of the ticket is given. */
export interface PanelProps {
  job: Job;
  words: Words;
  /** Changes the job; edits of one gesture are undone together. */
  change(edit: JobEdit, gesture?: string): void;
}

/** A control of the ticket: what opens where an underlined part is chosen. */
export interface TicketPanel {
  title: string;
  Panel: ComponentType<PanelProps>;
  wide?: boolean;
}
