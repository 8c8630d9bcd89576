import { eq } from "drizzle-orm";
import { JOB_VERSION, readJob, type Job } from "@wide-quilt/core";
import type { Db } from "./database.ts";
import { jobs, patterns, revisions, runs } from "./schema.ts";

/**
 * Brings jobs, patterns and the jobs of runs that an older version kept up to this one's form. The steps of such a job are forgotten:
 * they hold parts in the old form, and one back would make a job that nobody can read. A job that cannot be brought up to
 * date stays as it is, for a later version to read.
 */
export function bringUpToDate(db: Db): void {
  db.transaction((tx) => {
    for (const { id, job } of tx.select({ id: jobs.id, job: jobs.job }).from(jobs).all()) {
      const current = newer(job);
      if (!current) continue;
      tx.delete(revisions).where(eq(revisions.jobId, id)).run();
      tx.update(jobs).set({ job: current, at: 0 }).where(eq(jobs.id, id)).run();
    }
    for (const { id, job } of tx.select().from(patterns).all()) {
      const current = newer(job);
      if (current) tx.update(patterns).set({ job: current }).where(eq(patterns.id, id)).run();
    }
    for (const { id, job, format, quality } of tx.select().from(runs).all()) {
      const current = newer(job);
      if (!current) continue;
      const press = { ...current.press, file: { ...current.press.file, format, quality } };
      tx.update(runs)
        .set({ job: { ...current, press } })
        .where(eq(runs.id, id))
        .run();
    }
  });
}

function newer(job: Job): Job | null {
  if (job.version >= JOB_VERSION) return null;
  const reading = readJob(job);
  return reading.ok ? reading.job : null;
}
