import { z } from "zod";
import { styleChangeSchema, type StyleChange } from "../finish/style/schema.ts";
import { fault } from "../schema/fault.ts";
import type { JobFault } from "../schema/index.ts";
import { migrate } from "./migrate.ts";
import { jobSchema, type Job } from "./schema.ts";

export type JobReading = { ok: true; job: Job } | { ok: false; faults: JobFault[] };

/** Checks that a value read from outside is a job, brings older versions up to date, and names every fault. */
export function readJob(value: unknown): JobReading {
  const current = migrate(value);
  if (!current.ok) return { ok: false, faults: [{ field: "", why: current.why }] };
  const parsed = jobSchema.safeParse(current.value);
  if (!parsed.success) return { ok: false, faults: parsed.error.issues.map(fault) };
  return { ok: true, job: parsed.data };
}

export type StyleReading = { ok: true; style: StyleChange } | { ok: false; faults: JobFault[] };

/** Checks that a value read from outside is a style, or some parts of one. */
export function readStyle(value: unknown): StyleReading {
  const parsed = styleChangeSchema.safeParse(value);
  if (!parsed.success) return { ok: false, faults: parsed.error.issues.map(fault) };
  if (Object.keys(parsed.data).length === 0)
    return {
      ok: false,
      faults: [{ field: "", why: "There is nothing in this style: keep a border, a mat, words or a look." }],
    };
  return { ok: true, style: parsed.data };
}

/** The job file's JSON Schema (draft 2020-12), as it stands in `docs/job.schema.json`. */
export const jobJsonSchema = (): Record<string, unknown> => ({
  ...(z.toJSONSchema(jobSchema, { target: "draft-2020-12" }) as Record<string, unknown>),
  title: "Wide Quilt job",
});
