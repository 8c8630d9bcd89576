import { z } from "zod";
import { migrate } from "./migrate.ts";
import { styleChangeSchema, type StyleChange } from "../style/schema.ts";
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

/** What a schema found wrong, in a sentence. */
export function fault(issue: z.core.$ZodIssue): JobFault {
  if (issue.code === "invalid_union") {
    // Of what it could have been, the one that comes nearest says what is wrong.
    const inner = issue.errors.flat().sort((a, b) => b.path.length - a.path.length)[0];
    if (inner) return fault({ ...inner, path: [...issue.path, ...inner.path] } as z.core.$ZodIssue);
  }
  const field = issue.path.join(".");
  const what = field === "" ? "It" : `“${field}”`;
  if (issue.code === "unrecognized_keys") {
    return { field, why: `${what} has something that does not belong there: ${issue.keys.join(", ")}.` };
  }
  const why = issue.message.startsWith("must") ? issue.message : `is not right: ${issue.message}`;
  return { field, why: `${what} ${why}.` };
}
