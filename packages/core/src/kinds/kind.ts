import type { Job } from "../job/index.ts";
import type { Photos } from "../plan/index.ts";
import type { Um } from "../length/index.ts";
import type { Layout, LayoutSums } from "./layout.ts";
import type { Kind, Ticket, TicketChange, TicketOf } from "./tickets.ts";

/** A part of the ticket: plain words, or a figure that can be changed, named after its control. */
export type TicketPart = { text: string } | { control: string; text: string; measure?: boolean };

/** How figures are written in a ticket: the reader's unit and country. */
export interface TicketWords {
  unit: "mm" | "cm" | "in" | "pt" | "px";
  locale?: string;
}

/** What a new ticket is made from: what the job had before, as far as the kinds share it. */
export interface FreshFrom {
  gap: Um;
  /** Whether readers of this locale think in inches and letter paper. */
  letter: boolean;
  /** Photos the job has already. */
  photos: number;
}

/** A kind of job: one folder that registers itself in `kinds/index.ts`. */
export interface KindOf<K extends Kind> {
  name: K;
  /** As it stands where a job is started: "Copies of one photo". */
  title: string;
  /** What it is for, in one sentence. */
  about: string;
  /** The paper a new job of this kind begins with, by its id; for readers of letter paper another. */
  paper: { id: string; letter: string };
  fresh(from: FreshFrom): TicketOf<K>;
  /** Where the cells lie. Without photos it takes proportions that photos commonly have. */
  layOut(job: Job, ticket: TicketOf<K>, photos: Photos): Layout;
  /** The ticket, part by part; read in a row it is one sentence. */
  say(job: Job, ticket: TicketOf<K>, words: TicketWords, sums: LayoutSums): TicketPart[];
  /** Whether the cells are the photos in their order, so that a photo taken out takes its cell along. */
  followsStash(ticket: TicketOf<K>): boolean;
  /** What “in all cells” changes in the ticket, where photos stand in it. */
  showInAll?(ticket: TicketOf<K>, photo: string): TicketChange;
  /** What a new printed thing is finished with: badges want marks, a framed print does not. */
  marks: "corner ticks" | "none";
}

/** The same for whoever does not know which kind it is. */
export interface JobKind extends Omit<
  KindOf<Kind>,
  "fresh" | "layOut" | "say" | "followsStash" | "showInAll"
> {
  fresh(from: FreshFrom): Ticket;
  layOut(job: Job, photos: Photos): Layout;
  say(job: Job, words: TicketWords, sums: LayoutSums): TicketPart[];
  followsStash(job: Job): boolean;
  showInAll(job: Job, photo: string): TicketChange | null;
}

/** Registers a kind: jobs that come to it have its ticket. */
export function kind<K extends Kind>(own: KindOf<K>): JobKind {
  const ticket = (job: Job) => job.ticket as TicketOf<K>;
  return {
    ...own,
    layOut: (job, photos) => own.layOut(job, ticket(job), photos),
    say: (job, words, sums) => own.say(job, ticket(job), words, sums),
    followsStash: (job) => own.followsStash(ticket(job)),
    showInAll: (job, photo) => own.showInAll?.(ticket(job), photo) ?? null,
  };
}
