import type { Job } from "@wide-quilt/core";
import type { PhotoRecord } from "@wide-quilt/painters";

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
