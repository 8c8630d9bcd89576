import type { Job } from "../job/index.ts";
import { copies } from "./copies/index.ts";
import type { JobKind } from "./kind.ts";

export type { JobKind, LayoutSums, TicketPart, TicketWords } from "./kind.ts";
export { OUTLINE_COLOURS } from "./copies/say.ts";

/** Every kind of job, in the order in which they are offered. */
export const JOB_KINDS: readonly JobKind[] = [copies];

/** The kind that a job is of. */
export function kindOf(job: Job): JobKind {
  const kind = JOB_KINDS.find(({ name }) => name === job.ticket.kind);
  if (!kind) throw new RangeError(`There is no kind of job “${job.ticket.kind}”`);
  return kind;
}
