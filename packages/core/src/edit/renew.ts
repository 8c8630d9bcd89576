import type { Job } from "../job/index.ts";
import { kindOf } from "../kinds/index.ts";

/** A job that shows other photos than before: what its ticket keeps of those is looked for anew. */
export function renewed(job: Job): Job {
  const ticket = kindOf(job).withOthers(job);
  return ticket === job.ticket ? job : { ...job, ticket };
}
