import type { Job } from "../job/index.ts";

/** An arrangement of other photos than these is looked for anew. */
export function renewed(job: Job): Job {
  const { ticket } = job;
  return ticket.kind === "collage" && ticket.arrangement !== null
    ? { ...job, ticket: { ...ticket, arrangement: null } }
    : job;
}
