/** What the server answers, for whoever asks: types alone, so that the web side shares them. */
import type { ProfileFacts } from "@wide-quilt/colour";
import type {
  ArtWindow,
  DayEntry,
  EventEntry,
  EventSet,
  EventState,
  Format,
  Job,
  Kind,
  Patch,
  PatternTarget,
  PhotoId,
  PhotoRecord,
  Seen,
  SheetPlan,
  Size,
  StyleChange,
} from "@wide-quilt/core";

/** What “Undo” and “Redo” would change for who asks, in a word or two; null when there is nothing. */
export interface StepsView {
  undo: string | null;
  redo: string | null;
  /** The last step of the job where another window that is open made it: it is taken back there. */
  theirs: string | null;
}

/** A job as the interface is given it. */
export interface JobView extends StepsView {
  id: string;
  job: Job;
  version: number;
  changedAt: string;
  binnedAt: string | null;
  /** The photos of the stash that are here. */
  photos: Record<string, PhotoRecord>;
  /** The last thing that the window which asks has done to the job. */
  taken: string | null;
  /** Something to be said once, when the job is opened. */
  notice: string | null;
  /** The pattern that it was started from, as long as that is in the book. */
  pattern: OfPattern | null;
}

/** What became of a job: the difference, for whoever has it as it was in `from`. */
export interface JobChange extends StepsView {
  id: string;
  version: number;
  changedAt: string;
  taken: string | null;
  /** The version that the patch is to be put on; null where the server does not know it any more. */
  from: number | null;
  patch: Patch;
  /** The whole job, where `from` is null. */
  job?: Job;
  /** Photos that came into the stash. */
  photos: Record<string, PhotoRecord>;
}

/** A job in the list of jobs. */
export interface JobSummary {
  id: string;
  name: string;
  kind: Kind;
  /** How many photos it has. */
  photos: number;
  version: number;
  changedAt: string;
  binnedAt: string | null;
}

/** The picture of a job and what is said of it. */
export interface JobCardView {
  /** Its first sheet; null where nothing fits. */
  sheet: SheetPlan | null;
  sheets: number;
  pieces: number;
  paper: string;
  ppi: number;
  /** The size of its pieces, where all have one. */
  size: Size | null;
}

/** A kept layout: a job without photos, to start others from. */
export interface PatternView {
  id: string;
  name: string;
  /** "" for none. */
  folder: string;
  job: Job;
  /** Other printers that it is made for. */
  targets: PatternTarget[];
  /** When it was kept; null for one that comes with the program, which stays as it is. */
  keptAt: string | null;
}

/** The pattern, or the target of one, that a job was started from. */
export interface OfPattern {
  id: string;
  name: string;
  /** How many printers it is made for besides its own. */
  targets: number;
  /** The one that the job is for; null for the pattern’s own. */
  target: { id: string; name: string } | null;
}

/** A photo that was taken in, by the name its file has. */
export type TakenPhoto = { id: string; name: string } & PhotoRecord;

/** How the search for heads in photos stands. */
export interface HeadSearch {
  done: number;
  of: number;
  /** Portraits whose pixels are still to be measured. */
  studies: number;
  paused: boolean;
  /** Why heads cannot be looked for on this machine; null where they can. */
  why: string | null;
}

/** What was found in photos, and how the search stands then. */
export interface HeadNews {
  /** By photo. */
  seen: Record<string, Seen>;
  search: HeadSearch;
}

/** What became of a photo file that was sent: kept, or refused with a sentence. */
export type TakenIn = { photo: TakenPhoto } | { refused: { name: string; why: string } };

/** A folder that a camera writes to, as it is watched for a job. */
export interface WatchView {
  /** Null while none is watched. */
  folder: string | null;
  /** Photos that were in the folder before it was watched, and stay out. */
  before: number;
  /** What came since, in its order; from the one after which was asked. */
  came: { number: number; taken: TakenIn }[];
  /** Why the folder cannot be watched any more; null while it can. */
  fault: string | null;
}

/** An event in the list of events. */
export interface EventCard {
  id: string;
  name: string;
  createdAt: string;
  endedAt: string | null;
  sets: number;
}

/** An entry of an event, as it is pushed to whoever shows it: with the record of the photo that it brings. */
export interface EventNews {
  number: number;
  at: number;
  entry: EventEntry;
  record?: PhotoRecord;
}

/** An event as its operator sees it. What it is now follows from its entries; windows go on from here by those that are pushed. */
export interface EventView {
  id: string;
  name: string;
  createdAt: string;
  /** How many entries there are. */
  entries: number;
  state: EventState;
  /** The layouts of its sets, by their names in the set-up. */
  patterns: Readonly<Record<string, Job>>;
  /** What is known of the photos of the newest sets. */
  records: Record<string, PhotoRecord>;
  /** The end of the guests’ address. */
  guests: string;
  /** Whether a PIN leaves the guests’ page. */
  hasPin: boolean;
  about: EventAbout;
}

/** An event as a guest’s telephone sees it. */
export interface GuestView {
  name: string;
  ended: boolean;
  /** How many shots a set has, and of which pattern. */
  pattern: { name: string; shots: number };
  /** How many prints of a set a guest may have. */
  most: number;
  /** The set that fills or is looked at, or the one that was asked for last; null before the first photo. */
  set: {
    number: number;
    state: EventSet["state"];
    shots: (PhotoId | null)[];
    /** Prints that come out before it; null once it is out, or before it is asked for. */
    before: number | null;
    /** Whether one came out. */
    out: boolean;
    /** The end of the link by which it is taken along; null before it is asked for, and once the event has ended. */
    link: string | null;
  } | null;
}

/** How other computers reach this server. */
export interface NetworkView {
  /** Where its pages are for them; none where only this computer is let in. */
  addresses: string[];
  /** What HTTPS is spoken with: whether it was made here, its SHA-256 fingerprint and its end; null for plain HTTP. */
  certificate: { isOwn: boolean; fingerprint: string; until: string } | null;
}

/** A set of an event as its guests take it along. */
export interface TakenSet {
  /** The event’s. */
  name: string;
  set: number;
  /** The places of its shots, from 1. */
  shots: number[];
  /** Whether there is a moving picture of them. */
  moves: boolean;
}

/** What changes of an event without an entry: its folder, its printers, the disk. */
export interface EventAbout {
  /** Photos that lay in the folder before and stay out; why it cannot be watched; null where none is watched. */
  folder: { before: number; fault: string | null } | null;
  /** What each printer waits for, by its id; none that waits for nothing. */
  waits: Record<string, string>;
  /** How much the disk takes, and for how many hours at the present rate; null before anything came. */
  disk: { free: number; hours: number | null };
  /** Files that were refused, the newest last. */
  refused: { name: string; why: string }[];
  /** RAW files that came: the pictures that the camera put into them were taken. */
  raws: number;
}

/** A graphic that was kept, and what a person should know of it. */
export interface GraphicView {
  id: string;
  name: string;
  /** Width over height. */
  proportion: number;
  said: string[];
}

/** An artwork as its windows were found: how many pixels it has, and where they are. */
export interface ArtView {
  width: number;
  height: number;
  windows: ArtWindow[];
}

/** A style or a look that was kept under a name. */
export interface StyleView {
  id: string;
  name: string;
  style: StyleChange;
}

/** A photo that was made with something else behind the person. */
export interface MadeBackdrop {
  id: string;
}

/** How far a piece of long work is. */
export interface WorkProgress {
  what: string;
  done: number;
  of: number;
}

/**
 * What a run does: waits for its turn, is painted or printed, is held by a person, asks one whether a sheet came out, or
 * has come to an end.
 */
export type WorkState = "waiting" | "painting" | "paused" | "asking" | "done" | "failed" | "cancelled";

/** One sheet written for looking at: the true pixels and the true size of the file. */
export interface Proof {
  id: string;
  state: Exclude<WorkState, "waiting" | "paused" | "asking">;
  progress: WorkProgress | null;
  format: Format;
  sheet: number;
  /** Bytes of the file, once it is done. */
  bytes: number | null;
  pixels: { width: number; height: number };
  /** How much of the sheet each ink covers, added up; once it is done. */
  coverage: number | null;
  why: string | null;
}

/** How many bytes a sheet has as a JPEG, by quality. */
export interface JpegSizes {
  sizes: { quality: number; bytes: number }[];
}

/** A colour profile that sheets can be written for. */
export interface ProfileView extends ProfileFacts {
  id: string;
  /** Where it comes from, or what it is of. */
  about: string;
  /** Whether it was added by a person. */
  own: boolean;
}

/** How the files of a run are named and divided. */
export interface RunNaming {
  /** Left out, files are named after people or after the job. */
  rule?: string;
  start: number;
  each: boolean;
  folder: string;
  overwrite: boolean;
  /** Whether it goes to the job’s printer instead of into files. */
  print?: boolean;
}

/** An output that was made, or is being made. */
export interface Run {
  id: string;
  /** The job; of a print of an event “event:” and the event. */
  jobId: string;
  jobName: string;
  format: Format;
  /** The profile that it was written for, by its id; null for none. */
  profile: string | null;
  /** Where it was made, as the ticket has it. */
  madeBy: string;
  /** Whether it went to a printer rather than into files. */
  print: boolean;
  /** What it waits for, in a sentence; null when nothing is the matter. */
  waits: string | null;
  /** The printed document that may have come out or not, from 1; null while none is in doubt. */
  inDoubt: number | null;
  sheets: number | null;
  /** What it cost, about; null where that is not known. */
  price: number | null;
  /** What the price is in (ISO 4217). */
  currency: string;
  state: WorkState;
  progress: WorkProgress | null;
  /** Why it failed, in a sentence. */
  why: string | null;
  files: { name: string; bytes: number }[];
  createdAt: string;
  doneAt: string | null;
  /** The run that it was made exactly as. */
  again: string | null;
}

export interface RunList {
  /** The folder that written files lie in. */
  folder: string;
  runs: Run[];
}

/** A problem document (RFC 9457). */
export interface ProblemBody {
  type: string;
  title: string;
  status: number;
  detail: string;
  field?: string;
}

/** What is kept in the data folder, and how much room it takes. */
export interface KeptView {
  folder: string;
  parts: KeptPart[];
}

export interface KeptPart {
  what:
    | "photos"
    | "unused photos"
    | "graphics"
    | "unused graphics"
    | "previews"
    | "written files"
    | "database"
    | "copies";
  count: number;
  bytes: number;
  /** Whether it can be cleared without anything being lost that a job, a pattern, a step or a run uses. */
  clears: boolean;
}

/** Whether the demo is on its way in: how many of its photos are rendered. */
export interface DemoView {
  coming: { done: number; of: number } | null;
}

/** A country, or a part of one, that has holidays of its own. */
export interface HolidayPlace {
  code: string;
  name: string;
  parts: HolidayPlace[];
}

/** Days of a calendar, worked out. */
export interface DaysView {
  days: DayEntry[];
  /** What could not be read, in sentences. */
  said: string[];
  /** What the file calls itself, where it does. */
  name?: string;
}

/** A file of events that is kept. */
export interface CalendarFileView {
  file: string;
  name: string;
}

/** A job that is the same calendar for another year, and what of its days could not be worked out. */
export interface NextYearView {
  id: string;
  said: string[];
}
