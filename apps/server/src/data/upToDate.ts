import { existsSync, readdirSync } from "node:fs";
import { join } from "node:path";
import type Database from "better-sqlite3";
import { and, asc, eq, lt, sql, type SQL } from "drizzle-orm";
import { diff, inverse, JOB_VERSION, patched, readJob, type Job, type Patch } from "@wide-quilt/core";
import type { Db } from "./db.ts";
import { eventPatterns, graphics, heads, jobs, patterns, revisions, runJobs, runs } from "./schema.ts";

const VERSION = sql`json_extract(job, '$.version')`;
const isOlder: SQL = lt(VERSION, JOB_VERSION);

/** Whether every job is of this program’s form. */
export const isUpToDate = (client: Database.Database): boolean =>
  ["jobs", "patterns", "event_patterns"].every(
    (table) =>
      client
        .prepare(`SELECT 1 FROM ${table} WHERE json_extract(job, '$.version') < ? LIMIT 1`)
        .get(JOB_VERSION) === undefined,
  );

const FORGOTTEN =
  "This job was brought up to a newer Wide Quilt. Its older steps could not be brought along and cannot be undone any more; the job itself is as it was.";

/**
 * Brings jobs, patterns, those of events and the jobs of runs that an older version kept up to this one's form, and the steps of jobs
 * with them. Steps that cannot be brought along are forgotten, and the job says so once. A job that cannot be brought
 * up to date stays as it is, for a later version to read.
 */
export function bringUpToDate(db: Db, graphicsFolder: string): void {
  db.transaction((tx) => {
    for (const { id } of tx.select({ id: jobs.id }).from(jobs).where(isOlder).all()) bringJob(tx, id);
    for (const { id, job } of tx.select().from(patterns).where(isOlder).all()) {
      const current = newer(job);
      if (current) tx.update(patterns).set({ job: current }).where(eq(patterns.id, id)).run();
    }
    for (const { eventId, id, job } of tx.select().from(eventPatterns).where(isOlder).all()) {
      const current = newer(job);
      const isIt = and(eq(eventPatterns.eventId, eventId), eq(eventPatterns.id, id));
      if (current) tx.update(eventPatterns).set({ job: current }).where(isIt).run();
    }
    for (const { hash, job } of tx.select().from(runJobs).where(isOlder).all()) {
      const current = newer(job);
      const run = tx.select().from(runs).where(eq(runs.jobHash, hash)).get();
      if (!current || !run) continue;
      const { format, quality } = run;
      const target = { ...current.target, file: { ...current.target.file, format, quality } };
      tx.update(runJobs)
        .set({ job: { ...current, target } })
        .where(eq(runJobs.hash, hash))
        .run();
    }
    // Graphics were known by their files alone.
    for (const id of idsIn(graphicsFolder))
      tx.insert(graphics).values({ id, addedAt: new Date() }).onConflictDoNothing().run();
  });
}

type Tx = Parameters<Parameters<Db["transaction"]>[0]>[0];

function bringJob(tx: Tx, id: string): void {
  const { job } = tx.select({ job: jobs.job }).from(jobs).where(eq(jobs.id, id)).get()!;
  const brought = newer(job);
  if (!brought) return;
  const current = withoutHeads(brought);
  // Jobs had the heads of their photos; from now on the photos have them.
  for (const [photo, known] of Object.entries(brought.heads))
    tx.insert(heads).values({ photo, heads: known, by: "hand" }).onConflictDoNothing().run();
  const steps = tx
    .select()
    .from(revisions)
    .where(eq(revisions.jobId, id))
    .orderBy(asc(revisions.number))
    .all();
  const done = steps.filter(({ undone }) => !undone).reverse();
  const undone = steps.filter((step) => step.undone);
  const back = walked(
    job,
    current,
    done.map(({ patch }) => inverse(patch)),
  );
  const on = walked(
    job,
    current,
    undone.map(({ patch }) => patch),
  );
  const set = (number: number, patch: Patch) =>
    tx
      .update(revisions)
      .set({ patch })
      .where(sql`${revisions.jobId} = ${id} AND ${revisions.number} = ${number}`)
      .run();
  const drop = (number: number) =>
    tx
      .delete(revisions)
      .where(sql`${revisions.jobId} = ${id} AND ${revisions.number} = ${number}`)
      .run();
  // A step that only said where heads are changes nothing any more.
  const put = (number: number, patch: Patch) => (patch.length === 0 ? drop(number) : set(number, patch));
  for (const [i, patch] of back.entries()) put(done[i]!.number, inverse(patch));
  for (const [i, patch] of on.entries()) put(undone[i]!.number, patch);
  for (const { number } of [...done.slice(back.length), ...undone.slice(on.length)]) drop(number);
  const forgot = back.length < done.length || on.length < undone.length;
  tx.update(jobs)
    .set({ job: current, ...(forgot && { notice: FORGOTTEN }) })
    .where(eq(jobs.id, id))
    .run();
}

/** The same steps between the jobs of the new form, as far as they can be brought along. */
function walked(old: Job, current: Job, patches: readonly Patch[]): Patch[] {
  const found: Patch[] = [];
  let [was, is] = [old, current];
  for (const patch of patches) {
    try {
      was = patched(was, patch);
    } catch {
      return found;
    }
    const next = was.version === JOB_VERSION ? read(was) : newer(was);
    if (!next) return found;
    const bare = withoutHeads(next);
    found.push(diff(is, bare));
    is = bare;
  }
  return found;
}

const withoutHeads = (job: Job): Job => ({ ...job, heads: {} });

const read = (job: Job): Job | null => {
  const reading = readJob(job);
  return reading.ok ? reading.job : null;
};

const newer = (job: Job): Job | null => (job.version >= JOB_VERSION ? null : read(job));

function idsIn(folder: string): string[] {
  if (!existsSync(folder)) return [];
  return readdirSync(folder, { withFileTypes: true })
    .filter((entry) => entry.isDirectory())
    .flatMap(({ name }) => readdirSync(join(folder, name)))
    .filter((name) => /^[0-9a-f]{64}$/.test(name));
}
