import { z } from "zod";
import { readJob, type Job } from "../../job/index.ts";
import { diff, isSame, patched, PatchFault, type Change } from "../patch.ts";

const step = z.union([z.string().max(200), z.number().int().min(0)]);

/**
 * What was set by hand for one target of a pattern, against what was computed for it: values by where they stand in the
 * job. They are put on whatever is computed anew, so they outlast changes of the pattern itself.
 */
export const correctionsSchema = z
  .array(
    z.strictObject({
      at: z.array(step).min(1).max(20),
      to: z.unknown().optional().describe("What stands there; left out where it was taken out"),
    }),
  )
  .max(5000);

export type Correction = { at: (string | number)[]; to?: unknown };

/** What has to be set in a computed job to get one that was corrected by hand. A list that differs in length is one value. */
export const correctionsOf = (computed: Job, corrected: Job): Correction[] =>
  diff(computed, corrected).flatMap((change) => settingsOf(change, corrected));

function settingsOf(change: Change, corrected: Job): Correction[] {
  if (!("move" in change) && !("start" in change)) {
    return [{ at: change.at, ...("to" in change && { to: change.to }) }];
  }
  return [{ at: change.at, to: valueAt(corrected, change.at) }];
}

const valueAt = (value: unknown, at: readonly (string | number)[]): unknown =>
  at.reduce<unknown>((now, key) => (now as Record<string, unknown> | undefined)?.[key], value);

/**
 * A computed job with corrections put on. One whose thing is no more, or that makes no job any more, is left out and given
 * back: where it stood.
 */
export function withCorrections(
  computed: Job,
  corrections: readonly Correction[],
): { job: Job; lost: Correction[] } {
  const all = putOn(computed, corrections);
  const reading = readJob(all.job);
  if (reading.ok) return { job: reading.job, lost: all.lost };
  if (corrections.length === 1) return { job: computed, lost: [...corrections] };
  // Some of them make no job any more: which, is found by halves.
  const half = corrections.length >> 1;
  const first = withCorrections(computed, corrections.slice(0, half));
  // So many that do not fit are of another pattern altogether.
  if (first.lost.length > MOST_LOST)
    return { job: first.job, lost: [...first.lost, ...corrections.slice(half)] };
  const second = withCorrections(first.job, corrections.slice(half));
  return { job: second.job, lost: [...first.lost, ...second.lost] };
}

const MOST_LOST = 50;

/** Every correction whose thing is there put on; what comes of it may be no job. */
function putOn(computed: Job, corrections: readonly Correction[]): { job: Job; lost: Correction[] } {
  const lost: Correction[] = [];
  let job = computed;
  for (const one of corrections) {
    const next = patchedBy(job, one);
    if (next) job = next;
    else lost.push(one);
  }
  return { job, lost };
}

/** The job with one value set, or taken out; null where there is nothing to set it in. What comes of it may be no job. */
function patchedBy(job: Job, { at, ...what }: Correction): Job | null {
  const before = valueAt(job, at);
  const parent = valueAt(job, at.slice(0, -1));
  if (typeof parent !== "object" || parent === null) return null;
  const isThere = Object.hasOwn(parent, at.at(-1)!);
  if (!("to" in what) && !isThere) return job;
  if (isThere && "to" in what && isSame(before, what.to)) return job;
  try {
    const change = { at: [...at], ...(isThere && { from: before }), ...("to" in what && { to: what.to }) };
    return patched(job, [change]);
  } catch (error) {
    if (error instanceof PatchFault) return null;
    throw error;
  }
}

/** What a correction is of, in words: “words “Open day””, “cell 1.2”, “a graphic”. */
export function sayCorrection({ at }: Correction, job: Job): string {
  const [part, name] = at.map(String);
  switch (part) {
    case "texts":
      return `words${quoted(job.texts[name!]?.text)}`;
    case "cells":
      return `cell ${name}`;
    case "shapes":
      return "a shape";
    case "graphics":
      return "a graphic";
    case "blocks":
      return "a table or a month";
    default:
      return NAMES[part!] ?? "the layout";
  }
}

const quoted = (text: string | undefined): string => (text ? ` “${text}”` : "");

const NAMES: Readonly<Record<string, string>> = {
  ticket: "the ticket",
  sheet: "the page",
  target: "the printer",
  impose: "how pages come onto sheets",
  finish: "marks and outline",
  calendar: "the calendar",
  style: "what cells wear",
};
