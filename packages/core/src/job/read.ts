import { z } from "zod";
import { jobEditSchema, type JobEdit } from "./editSchema.ts";
import { migrate } from "./migrate.ts";
import { jobSchema, type Job } from "./schema.ts";

/** One thing that is wrong in a job file. */
export interface JobFault {
  /** Where it stands: "ticket.size.width". Empty for the file as a whole. */
  field: string;
  /** A sentence a person understands. */
  why: string;
}

export type JobReading = { ok: true; job: Job } | { ok: false; faults: JobFault[] };

/** Checks that a value read from outside is a job, brings older versions up to date, and names every fault. */
export function readJob(value: unknown): JobReading {
  const current = migrate(value);
  if (!current.ok) return { ok: false, faults: [{ field: "", why: current.why }] };
  const parsed = jobSchema.safeParse(current.value);
  if (!parsed.success) return { ok: false, faults: parsed.error.issues.map(fault) };
  return { ok: true, job: parsed.data };
}

export type EditReading = { ok: true; edit: JobEdit } | { ok: false; faults: JobFault[] };

/** Checks that a value read from outside is an edit of a job. */
export function readEdit(value: unknown): EditReading {
  const parsed = jobEditSchema.safeParse(value);
  if (!parsed.success) return { ok: false, faults: parsed.error.issues.map(fault) };
  return { ok: true, edit: parsed.data };
}

/** The job file's JSON Schema (draft 2020-12), as it stands in `docs/job.schema.json`. */
export const jobJsonSchema = (): Record<string, unknown> => ({
  ...(z.toJSONSchema(jobSchema, { target: "draft-2020-12" }) as Record<string, unknown>),
  title: "Wide Quilt job",
});

function fault(issue: z.core.$ZodIssue): JobFault {
  const field = issue.path.join(".");
  const what = field === "" ? "It" : `“${field}”`;
  if (issue.code === "unrecognized_keys") {
    return { field, why: `${what} has something that does not belong there: ${issue.keys.join(", ")}.` };
  }
  const why = issue.message.startsWith("must") ? issue.message : `is not right: ${issue.message}`;
  return { field, why: `${what} ${why}.` };
}
