/** What the server answers, for whoever asks: types alone, so that the web side shares them. */
import type { Job, PhotoRecord, StyleChange } from "@wide-quilt/core";

/** A job as the interface is given it. */
export interface JobView {
  id: string;
  job: Job;
  version: number;
  /** What “Undo” and “Redo” would change, in a word or two; null when there is nothing. */
  undo: string | null;
  redo: string | null;
  changedAt: string;
  binnedAt: string | null;
  /** The photos of the stash that are here. */
  photos: Record<string, PhotoRecord>;
}

/** A job in the list of jobs. */
export type JobSummary = Pick<JobView, "id" | "job" | "changedAt" | "binnedAt" | "photos">;

/** A kept layout: a job without photos, to start others from. */
export interface PatternView {
  id: string;
  name: string;
  /** "" for none. */
  folder: string;
  job: Job;
  createdAt: string;
}

/** What became of the files of one upload: each is either kept or refused with a sentence. */
export interface TakenIn {
  photos: ({ id: string; name: string } & PhotoRecord)[];
  refused: { name: string; why: string }[];
}

/** A graphic that was kept, and what a person should know of it. */
export interface GraphicView {
  id: string;
  name: string;
  /** Width over height. */
  proportion: number;
  said: string[];
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

export type WorkState = "painting" | "done" | "failed" | "cancelled";
export type Format = "jpeg" | "png" | "pdf" | "svg";

/** One sheet written for looking at: the true pixels and the true size of the file. */
export interface Proof {
  id: string;
  state: WorkState;
  progress: WorkProgress | null;
  format: Format;
  sheet: number;
  /** Bytes of the file, once it is done. */
  bytes: number | null;
  pixels: { width: number; height: number };
  why: string | null;
}

/** An output that was made, or is being made. */
export interface Run {
  id: string;
  jobId: string;
  jobName: string;
  format: Format;
  quality: number;
  state: WorkState;
  progress: WorkProgress | null;
  /** Why it failed, in a sentence. */
  why: string | null;
  files: { name: string; bytes: number }[];
  createdAt: string;
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
  /** With “changed-elsewhere”: the job as it is now. */
  current?: JobView;
}
