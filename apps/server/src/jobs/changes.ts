import {
  applyEdit,
  patched,
  PatchFault,
  readEdit,
  type Job,
  type JobEdit,
  type JobFault,
  type Patch,
} from "@wide-quilt/core";
import { Problem } from "../safety/problem.ts";

/** An edit that was sent. Throws a Problem with what is wrong in it. */
export function readSent(edit: unknown): JobEdit {
  const reading = readEdit(edit);
  if (!reading.ok) throw notAnEdit(reading.faults);
  return reading.edit;
}

/** The job with an edit on it. What an edit asks for that cannot be laid out is the edit’s fault. */
export function applied(job: Job, edit: JobEdit): Job {
  try {
    return applyEdit(job, edit);
  } catch (error) {
    if (!(error instanceof RangeError || error instanceof TypeError)) throw error;
    throw notAnEdit([{ field: "", why: "This change cannot be worked out for this job." }]);
  }
}

/** The job with a step taken back or made again. Throws a Problem where others have built on it. */
export function put(job: Job, patch: Patch, says: string): Job {
  try {
    return patched(job, patch);
  } catch (error) {
    if (!(error instanceof PatchFault)) throw error;
    throw new Problem(
      409,
      "built-upon",
      "Not taken back",
      `“${says}” cannot be taken back by itself: what it changed was changed again since. The job is as it was.`,
    );
  }
}

/** A step that belongs to another window. */
export const anothers = (what: string) =>
  new Problem(
    409,
    "anothers-step",
    "Not taken back",
    `${what} made in another window that is open now. It can be taken back there.`,
  );

export const notAnEdit = (faults: JobFault[]) =>
  new Problem(422, "edit-refused", "Not changed", `${faults[0]!.why} The job is as it was.`, {
    field: faults[0]!.field,
    faults: faults.slice(0, MOST_FAULTS),
  });

/** Faults that are told one by one. */
const MOST_FAULTS = 20;

/** A file that is no job, with every fault named. */
export const notAJob = (faults: JobFault[]) =>
  new Problem(
    422,
    "not-a-job",
    "Not a job that can be read",
    faults
      .map(({ why }) => why)
      .slice(0, 3)
      .join(" "),
    { field: faults[0]!.field, faults: faults.slice(0, MOST_FAULTS) },
  );
