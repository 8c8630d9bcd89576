import { isDeepStrictEqual } from "node:util";
import type { Job } from "@wide-quilt/core";

/** The parts of a job that a step changed, as they were and as they are. */
export interface Delta {
  before: Partial<Job>;
  after: Partial<Job>;
}

/** Compares two jobs part by part. A step keeps only what it changed: a stash of thousands is not stored each time. */
export function deltaOf(before: Job, after: Job): Delta {
  const changed = (Object.keys(after) as (keyof Job)[]).filter(
    (part) => !isDeepStrictEqual(before[part], after[part]),
  );
  const pick = (job: Job) => Object.fromEntries(changed.map((part) => [part, job[part]])) as Partial<Job>;
  return { before: pick(before), after: pick(after) };
}

/** Two steps, one after the other, made one. */
export const joined = (first: Delta, second: Delta): Delta => ({
  before: { ...second.before, ...first.before },
  after: { ...first.after, ...second.after },
});

export const isEmpty = ({ after }: Delta): boolean => Object.keys(after).length === 0;
