import { fault } from "../schema/fault.ts";
import type { JobFault } from "../schema/index.ts";
import { jobEditSchema, type JobEdit } from "./schema.ts";

export type EditReading = { ok: true; edit: JobEdit } | { ok: false; faults: JobFault[] };

/** Checks that a value read from outside is an edit of a job. */
export function readEdit(value: unknown): EditReading {
  const parsed = jobEditSchema.safeParse(value);
  if (!parsed.success) return { ok: false, faults: parsed.error.issues.map(fault) };
  return { ok: true, edit: parsed.data };
}
