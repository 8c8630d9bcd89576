import type { Fit, Fitting, Rect, Size } from "../base/geometry/index.ts";
import type { Um } from "../base/length/index.ts";
import type { DocumentRule } from "../catalogue/rules/index.ts";
import type { StyleChange } from "../finish/style/index.ts";
import type { Job, NewPhoto, PhotoRef } from "../job/index.ts";
import type { Photos } from "../photo/record/index.ts";
import type { Impose } from "../solve/slots/index.ts";
import type { PhotoId, SheetName, ShotName } from "../schema/index.ts";
import type { Bring } from "./bring.ts";
import type { KindFinding, KindMend, Looked } from "./finding.ts";
import type { Layout, LayoutSums } from "./layout.ts";
import type { PackedQuestion } from "./packed/index.ts";
import type { Kind, Ticket, TicketChange, TicketOf } from "./tickets.ts";
import type { TicketPart, TicketWords } from "./words.ts";

/** What a new ticket is made from: what the job had before, as far as the kinds share it. */
export interface FreshFrom {
  gap: Um;
  /** Whether readers of this locale think in inches and letter paper. */
  letter: boolean;
  /** Photos the job has already. */
  photos: number;
  /** The year that is planned for; left out where nobody knows what day it is. */
  year?: number;
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
  /** What “in one cell” changes in the ticket, where whoever stands in the shot has a photo there; null where nobody does. */
  showIn?(
    ticket: TicketOf<K>,
    shot: ShotName,
    photo: NewPhoto,
    stash: readonly PhotoRef[],
  ): TicketChange | null;
  /** What it asks the packing, where its cells are packed; an arrangement that was searched for is then kept in it. */
  packing?(job: Job, ticket: TicketOf<K>, photos: Photos): PackedQuestion | null;
  /** The document-photo rule that the cells of a shot have to meet; their photos are placed by it. */
  ruleOf?(ticket: TicketOf<K>, shot: ShotName): DocumentRule | null;
  /** The ticket once photos were added to the job, where it lists them. */
  withPhotos?(ticket: TicketOf<K>, added: readonly PhotoRef[]): TicketOf<K>;
  /** The ticket once a photo of the job is another one, or gone, where it names photos. */
  withoutPhoto?(ticket: TicketOf<K>, photo: NewPhoto, to: NewPhoto | null): TicketOf<K>;
  /** The ticket once it shows other photos, or in another order. */
  withOthers?(ticket: TicketOf<K>): TicketOf<K>;
  /** The ticket as it is kept for other photos. */
  withoutPhotos?(ticket: TicketOf<K>, stash: readonly PhotoRef[]): TicketOf<K>;
  /** How its pages come onto paper at first, where a page is not a sheet, and how near to a cut nothing important comes. */
  begins?(letter: boolean): { impose: Partial<Impose>; onPaper: string; safe: Um };
  /** How its pages have to come onto paper, where only one way makes sense. */
  way?: Impose["way"];
  /** What the cells of a new job wear, and the margins of its sheets for readers of millimetres and of inches. */
  wears?: StyleChange;
  margins?: { metric: Um; letter: Um };
  /** What would spoil the print and only this kind knows. */
  check?(job: Job, ticket: TicketOf<K>, looked: Looked): KindFinding[];
  /** Why it has no sheet at all; null where that is for the reasons that every kind has. */
  noSheet?(job: Job, ticket: TicketOf<K>, looked: Looked): KindFinding[] | null;
  /** Whether it shows the photos that are picked, so that the filter leaves some out. */
  showsPick?(ticket: TicketOf<K>): boolean;
  /** How a photo that is on no sheet gets on one. */
  leftOver?(ticket: TicketOf<K>): { way: string; mend?: KindMend };
  /** Whose sheets are files of their own, by their shots. */
  owners?(ticket: TicketOf<K>): ReadonlyMap<ShotName, string> | undefined;
  /** The size that all its pieces have by the ticket. */
  pieceSize?(ticket: TicketOf<K>): Size;
  /** Whether the size of a cell is not anybody’s to change: a rule says it. */
  sizedByRule?: true;
  /** Whether its cells stand where they are put by hand alone, so that they are moved before the photos in them are. */
  standsByHand?: true;
  /** Whether the gap between two of its cells is changed by moving one, as the ticket says none. */
  gapsByHand?: true;
  /** The ticket for the time after, and by how many years that is, where it is of a year. */
  nextYear?(ticket: TicketOf<K>): { years: number; ticket: TicketOf<K> };
  /** The ticket of a page of months by itself; null for any other page. */
  onePage?(ticket: TicketOf<K>, job: Job, page: SheetName): TicketOf<K> | null;
  /** Whether its pages show days, so that it has a calendar from the beginning. */
  hasDays?: true;
  /** Whether its pages make room for blocks across their foot. */
  makesRoom?: true;
  /** Whether a finished sheet smaller than its paper is one piece, rather than the cells on it. */
  isOnePiece?: true;
  /** How its paper lies best, where a paper that turns means something: “As the photo does”. */
  liesBest?: string;
  /** Whether each paper takes as many pieces as fit, so that papers are compared by the price of one. */
  takesWhatFits?(ticket: TicketOf<K>): boolean;
  /** The ticket with no paper to choose from but the sheet’s. */
  onOnePaper?(ticket: TicketOf<K>): TicketOf<K>;
  /** What of a layout is held fast while gaps and borders are slid, where a search would give another at every step. */
  held?(ticket: TicketOf<K>, sums: LayoutSums): TicketChange;
  /** How large photos are against each other; null where that is no question. */
  weights?(ticket: TicketOf<K>): Readonly<Record<PhotoId, number>> | null;
  /** Whether an artwork has to be brought in before a photo can be seen. */
  wantsArt?(job: Job, ticket: TicketOf<K>): boolean;
  /**
   * The ticket of pages that are brought to another page, where sizes come from the page; left out by kinds whose pieces
   * have the size that was asked for, on any page.
   */
  brought?(job: Job, ticket: TicketOf<K>, bring: Bring): Partial<TicketOf<K>>;
  /** Where a page comes to lie on another, from box to box, where something on it decides that. */
  comesTo?(ticket: TicketOf<K>, from: Rect, to: Rect, fit: Fit, most: number): Fitting | null;
  /** From how far its sheets are looked at, where that is not in the hand. */
  seenFrom?(ticket: TicketOf<K>): Um;
  /** Whether it is printed to measure the printer: its scale error is then left in. */
  measuresPrinter?: true;
  /** What a new printed thing is finished with: badges want marks, a framed print does not. */
  marks: "corner ticks" | "none";
}

/** What a kind does with its ticket, for whoever does not know which kind it is. */
export interface JobKind extends Omit<KindOf<Kind>, OfTicket> {
  begins?: KindOf<Kind>["begins"];
  fresh(from: FreshFrom): Ticket;
  layOut(job: Job, photos: Photos): Layout;
  say(job: Job, words: TicketWords, sums: LayoutSums): TicketPart[];
  followsStash(job: Job): boolean;
  showInAll(job: Job, photo: PhotoId): TicketChange | null;
  showIn(job: Job, shot: ShotName, photo: PhotoId): TicketChange | null;
  packing(job: Job, photos: Photos): PackedQuestion | null;
  ruleOf(job: Job, shot: ShotName): DocumentRule | null;
  withPhotos(job: Job, added: readonly PhotoRef[]): Ticket;
  withoutPhoto(job: Job, photo: PhotoId, to: NewPhoto | null): Ticket;
  withOthers(job: Job): Ticket;
  withoutPhotos(job: Job): Ticket;
  check(job: Job, looked: Looked): KindFinding[];
  noSheet(job: Job, looked: Looked): KindFinding[] | null;
  showsPick(job: Job): boolean;
  leftOver(job: Job): { way: string; mend?: KindMend } | null;
  owners(job: Job): ReadonlyMap<ShotName, string> | null;
  pieceSize(job: Job): Size | null;
  takesWhatFits(job: Job): boolean;
  onOnePaper(job: Job): Ticket;
  held(job: Job, sums: LayoutSums): TicketChange;
  weights(job: Job): Readonly<Record<PhotoId, number>> | null;
  wantsArt(job: Job): boolean;
  /** Whether pieces have the size that was asked for, on any page. */
  keepsSizes: boolean;
  /** Null where pieces keep their size. */
  brought(job: Job, bring: Bring): TicketChange | null;
  /** A kind that knows no years has the same ticket a year later. */
  nextYear(job: Job): { years: number; ticket: Ticket };
  onePage(job: Job, page: SheetName): Ticket | null;
  /** Null for in the hand. */
  seenFrom(job: Job): Um | null;
  comesTo(job: Job, from: Rect, to: Rect, fit: Fit, most: number): Fitting | null;
}

/** The members that are given the ticket: those that are asked, not told. */
type OfTicket = {
  [M in keyof KindOf<Kind>]-?: NonNullable<KindOf<Kind>[M]> extends (...given: never[]) => unknown
    ? M
    : never;
}[keyof KindOf<Kind>];

/** Registers a kind: jobs that come to it have its ticket. */
export function kind<K extends Kind>(own: KindOf<K>): JobKind {
  const ticket = (job: Job) => job.ticket as TicketOf<K>;
  return {
    ...own,
    layOut: (job, photos) => own.layOut(job, ticket(job), photos),
    say: (job, words, sums) => own.say(job, ticket(job), words, sums),
    followsStash: (job) => own.followsStash(ticket(job)),
    showInAll: (job, photo) => own.showInAll?.(ticket(job), known(job, photo), job.stash) ?? null,
    showIn: (job, shot, photo) => own.showIn?.(ticket(job), shot, known(job, photo), job.stash) ?? null,
    packing: (job, photos) => own.packing?.(job, ticket(job), photos) ?? null,
    ruleOf: (job, shot) => own.ruleOf?.(ticket(job), shot) ?? null,
    withPhotos: (job, added) => own.withPhotos?.(ticket(job), added) ?? job.ticket,
    withoutPhoto: (job, photo, to) => own.withoutPhoto?.(ticket(job), known(job, photo), to) ?? job.ticket,
    withOthers: (job) => own.withOthers?.(ticket(job)) ?? job.ticket,
    withoutPhotos: (job) => own.withoutPhotos?.(ticket(job), job.stash) ?? job.ticket,
    check: (job, looked) => own.check?.(job, ticket(job), looked) ?? [],
    noSheet: (job, looked) => own.noSheet?.(job, ticket(job), looked) ?? null,
    showsPick: (job) => own.showsPick?.(ticket(job)) ?? false,
    leftOver: (job) => own.leftOver?.(ticket(job)) ?? null,
    owners: (job) => own.owners?.(ticket(job)) ?? null,
    pieceSize: (job) => own.pieceSize?.(ticket(job)) ?? null,
    takesWhatFits: (job) => own.takesWhatFits?.(ticket(job)) ?? false,
    onOnePaper: (job) => own.onOnePaper?.(ticket(job)) ?? job.ticket,
    held: (job, sums) => own.held?.(ticket(job), sums) ?? {},
    weights: (job) => own.weights?.(ticket(job)) ?? null,
    wantsArt: (job) => own.wantsArt?.(job, ticket(job)) ?? false,
    keepsSizes: own.brought === undefined,
    brought: (job, bring) => own.brought?.(job, ticket(job), bring) ?? null,
    nextYear: (job) => own.nextYear?.(ticket(job)) ?? { years: 1, ticket: job.ticket },
    onePage: (job, page) => own.onePage?.(ticket(job), job, page) ?? null,
    seenFrom: (job) => own.seenFrom?.(ticket(job)) ?? null,
    comesTo: (job, from, to, fit, most) => own.comesTo?.(ticket(job), from, to, fit, most) ?? null,
  };
}

/** A photo with its name, as the job knows it. */
const known = ({ stash }: Job, photo: string): NewPhoto =>
  stash.find(({ id }) => id === photo) ?? { id: photo, name: photo };
