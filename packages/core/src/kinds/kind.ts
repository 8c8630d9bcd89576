import type { Um } from "../base/length/index.ts";
import type { DocumentRule } from "../catalogue/rules/index.ts";
import type { StyleChange } from "../finish/style/index.ts";
import type { Job, NewPhoto, PhotoRef } from "../job/index.ts";
import type { Photos } from "../photo/record/index.ts";
import type { ShotName } from "../schema/index.ts";
import type { Layout, LayoutSums } from "./layout.ts";
import type { PackedQuestion } from "./packed/index.ts";
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

/** A kind of job: one folder that registers itself in `kinds/registry.ts`. */
export interface KindOf<K extends Kind> {
  name: K;
  /** As it stands where a job is started: "Copies of one photo". */
  title: string;
  /** What it is for, in one sentence. */
  about: string;
  /** What becomes of photos that are added to a job without any, in one sentence. */
  takes: string;
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
  showInAll?(ticket: TicketOf<K>, photo: NewPhoto, stash: readonly PhotoRef[]): TicketChange;
  /** What it asks the packing, where its cells are packed; an arrangement that was searched for is then kept in it. */
  packing?(job: Job, ticket: TicketOf<K>, photos: Photos): PackedQuestion | null;
  /** The document-photo rule that the cells of a shot have to meet; their photos are placed by it. */
  ruleOf?(ticket: TicketOf<K>, shot: ShotName): DocumentRule | null;
  /** The ticket once photos were added to the job, where it lists them. */
  withPhotos?(ticket: TicketOf<K>, added: readonly PhotoRef[]): TicketOf<K>;
  /** The ticket once a photo of the job is another one, or gone, where it names photos. */
  withoutPhoto?(ticket: TicketOf<K>, photo: NewPhoto, to: NewPhoto | null): TicketOf<K>;
  /** The ticket as it is kept for other photos. */
  withoutPhotos?(ticket: TicketOf<K>, stash: readonly PhotoRef[]): TicketOf<K>;
  /** What the cells of a new job wear, and the margins of its sheets for readers of millimetres and of inches. */
  wears?: StyleChange;
  margins?: { metric: Um; letter: Um };
  /** Whether it is printed to measure the printer: its scale error is then left in. */
  measuresPrinter?: true;
  /** What a new printed thing is finished with: badges want marks, a framed print does not. */
  marks: "corner ticks" | "none";
}

/** The same for whoever does not know which kind it is. */
export interface JobKind extends Omit<
  KindOf<Kind>,
  | "fresh"
  | "layOut"
  | "say"
  | "followsStash"
  | "showInAll"
  | "packing"
  | "ruleOf"
  | "withPhotos"
  | "withoutPhoto"
  | "withoutPhotos"
> {
  fresh(from: FreshFrom): Ticket;
  layOut(job: Job, photos: Photos): Layout;
  say(job: Job, words: TicketWords, sums: LayoutSums): TicketPart[];
  followsStash(job: Job): boolean;
  showInAll(job: Job, photo: string): TicketChange | null;
  packing(job: Job, photos: Photos): PackedQuestion | null;
  ruleOf(job: Job, shot: ShotName): DocumentRule | null;
  withPhotos(job: Job, added: readonly PhotoRef[]): Ticket;
  withoutPhoto(job: Job, photo: string, to: NewPhoto | null): Ticket;
  withoutPhotos(job: Job): Ticket;
}

/** Registers a kind: jobs that come to it have its ticket. */
export function kind<K extends Kind>(own: KindOf<K>): JobKind {
  const ticket = (job: Job) => job.ticket as TicketOf<K>;
  return {
    ...own,
    layOut: (job, photos) => own.layOut(job, ticket(job), photos),
    say: (job, words, sums) => own.say(job, ticket(job), words, sums),
    followsStash: (job) => own.followsStash(ticket(job)),
    showInAll: (job, photo) => own.showInAll?.(ticket(job), known(job, photo), job.stash) ?? null,
    packing: (job, photos) => own.packing?.(job, ticket(job), photos) ?? null,
    ruleOf: (job, shot) => own.ruleOf?.(ticket(job), shot) ?? null,
    withPhotos: (job, added) => own.withPhotos?.(ticket(job), added) ?? job.ticket,
    withoutPhoto: (job, photo, to) => own.withoutPhoto?.(ticket(job), known(job, photo), to) ?? job.ticket,
    withoutPhotos: (job) => own.withoutPhotos?.(ticket(job), job.stash) ?? job.ticket,
  };
}

/** A photo with its name, as the job knows it. */
const known = ({ stash }: Job, photo: string): NewPhoto =>
  stash.find(({ id }) => id === photo) ?? { id: photo, name: photo };
