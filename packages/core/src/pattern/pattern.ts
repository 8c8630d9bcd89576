import { z } from "zod";
import { kindOf } from "../kinds/index.ts";
import { COMPUTED_SHOT, readJob, type Job, type JobFault } from "../job/index.ts";

/** Version of the pattern file that this program writes. The job inside has a version of its own. */
export const PATTERN_VERSION = 1;

/** A kept layout: everything of a job but its photos. */
export interface Pattern {
  name: string;
  /** The folder of the pattern book it lies in; "" for none. */
  folder: string;
  job: Job;
}

const patternSchema = z.object({
  format: z.literal("wide-quilt-pattern"),
  version: z.int().min(1),
  name: z.string().trim().min(1).max(200),
  folder: z.string().trim().max(100),
  job: z.unknown(),
});

export type PatternReading = { ok: true; pattern: Pattern } | { ok: false; faults: JobFault[] };

/** Checks that a value read from outside is a pattern. A file of a newer version is refused, and says so. */
export function readPattern(value: unknown): PatternReading {
  const no = (why: string): PatternReading => ({ ok: false, faults: [{ field: "", why }] });
  const parsed = patternSchema.safeParse(value);
  if (!parsed.success)
    return no(
      "This is not a Wide Quilt pattern: a pattern file is a JSON object with a name, a folder and a job.",
    );
  const { version, name, folder, job } = parsed.data;
  if (version > PATTERN_VERSION) {
    return no(
      `This pattern was saved by a newer Wide Quilt (version ${version}; this one reads up to ${PATTERN_VERSION}). Update Wide Quilt to open it.`,
    );
  }
  const reading = readJob(job);
  return reading.ok ? { ok: true, pattern: { name, folder, job: withoutPhotos(reading.job) } } : reading;
}

/** The pattern as a file. */
export const writePattern = ({ name, folder, job }: Pattern) => ({
  format: "wide-quilt-pattern" as const,
  version: PATTERN_VERSION,
  name,
  folder,
  job,
});

/**
 * A job with its photos left out and everything else kept: paper, cells, places set by hand, shot numbers, and whether
 * a photo fills its cell. Crops and filters go, for they were made for the photos.
 */
export function withoutPhotos(job: Job): Job {
  const shots = Object.fromEntries(
    Object.entries(job.shots)
      .map(
        ([number, { fit, turn }]) =>
          [
            number,
            {
              photo: null,
              ...COMPUTED_SHOT,
              fit: fit === "whole" ? fit : "fill",
              turn: turn === "suit" ? turn : 0,
            },
          ] as const,
      )
      .filter(([, shot]) => shot.fit !== COMPUTED_SHOT.fit || shot.turn !== COMPUTED_SHOT.turn),
  ) as Job["shots"];
  const graphics = Object.fromEntries(
    Object.entries(job.graphics).filter(([, { of }]) => of.kind !== "photo"),
  ) as Job["graphics"];
  return {
    ...job,
    stash: [],
    // Marks and folders are those of the photos: the next ones would all be left out by them.
    pick: { ...job.pick, stars: 0, tag: null, folder: null },
    list: {},
    faces: {},
    backdrops: {},
    aside: {},
    graphics,
    shots,
    ticket: kindOf(job).withoutPhotos(job),
  };
}
