import { z } from "zod";
import { readJob, type Job } from "../../job/index.ts";
import { fault } from "../../schema/fault.ts";
import type { JobFault } from "../../schema/index.ts";
import { correctionsSchema } from "./corrections.ts";
import type { PatternTarget } from "./made.ts";
import { madeForSchema } from "./madeFor.ts";
import { withoutPhotos } from "./withoutPhotos.ts";

/** Version of the pattern file that this program writes. The job inside has a version of its own. */
export const PATTERN_VERSION = 2;

/** Printers that one pattern is made for besides its own, at most. */
export const PATTERN_TARGETS = 40;

/** A kept layout: everything of a job but its photos. */
export interface Pattern {
  name: string;
  /** The folder of the pattern book it lies in; "" for none. */
  folder: string;
  job: Job;
  /** Other printers that it is made for. */
  targets: PatternTarget[];
}

const patternSchema = z.object({
  format: z.literal("wide-quilt-pattern"),
  version: z.int().min(1),
  name: z.string().trim().min(1).max(200),
  folder: z.string().trim().max(100),
  job: z.unknown(),
  // Version 1 was made for one printer, the job’s own.
  targets: z
    .array(
      z.strictObject({ id: z.string().min(1).max(64), for: madeForSchema, corrections: correctionsSchema }),
    )
    .max(PATTERN_TARGETS)
    .default([]),
});

export type PatternReading = { ok: true; pattern: Pattern } | { ok: false; faults: JobFault[] };

/** Checks that a value read from outside is a pattern. A file of a newer version is refused, and says so. */
export function readPattern(value: unknown): PatternReading {
  const no = (why: string): PatternReading => ({ ok: false, faults: [{ field: "", why }] });
  const parsed = patternSchema.safeParse(value);
  if (!parsed.success) {
    const inTargets = parsed.error.issues.find(({ path }) => path[0] === "targets");
    if (inTargets) return { ok: false, faults: [fault(inTargets)] };
    return no(
      "This is not a Wide Quilt pattern: a pattern file is a JSON object with a name, a folder and a job.",
    );
  }
  const { version, name, folder, job, targets } = parsed.data;
  if (version > PATTERN_VERSION) {
    return no(
      `This pattern was saved by a newer Wide Quilt (version ${version}; this one reads up to ${PATTERN_VERSION}). Update Wide Quilt to open it.`,
    );
  }
  const reading = readJob(job);
  return reading.ok
    ? { ok: true, pattern: { name, folder, job: withoutPhotos(reading.job), targets } }
    : reading;
}

/** The pattern as a file. */
export const writePattern = ({ name, folder, job, targets }: Pattern) => ({
  format: "wide-quilt-pattern" as const,
  version: PATTERN_VERSION,
  name,
  folder,
  job,
  targets,
});
