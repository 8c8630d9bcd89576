import { randomUUID } from "node:crypto";
import { Inject, Injectable } from "@nestjs/common";
import { and, desc, eq, gt, isNotNull, isNull, lte } from "drizzle-orm";
import {
  applyEdit,
  freshJob,
  LIMITS,
  readEdit,
  readJob,
  sayEdit,
  type Job,
  type JobEdit,
  type JobFault,
  type Kind,
} from "@wide-quilt/core";
import { DB, type Db } from "../data/database.ts";
import { jobs, revisions } from "../data/schema.ts";
import { PhotosService } from "../photos/photos.service.ts";
import { Problem } from "../safety/problem.ts";
import { deltaOf, isEmpty, joined, type Delta } from "./delta.ts";
import type { SentEdit } from "./jobs.dto.ts";
import type { JobSummary, JobView } from "../contract.ts";

type JobRow = typeof jobs.$inferSelect;

/** Steps that can be undone; older ones are forgotten. */
const MOST_STEPS = 500;

/** Jobs, saved as they change, every change a step that can be undone. */
@Injectable()
export class JobsService {
  constructor(
    @Inject(DB) private readonly db: Db,
    @Inject(PhotosService) private readonly photos: PhotosService,
  ) {}

  list(binned: boolean): JobSummary[] {
    const rows = this.db
      .select()
      .from(jobs)
      .where(binned ? isNotNull(jobs.binnedAt) : isNull(jobs.binnedAt))
      .orderBy(desc(jobs.changedAt))
      .all();
    return rows.map((row) => {
      return { ...this.head(row), photos: this.photos.records(shownFirst(row.job)) };
    });
  }

  view(id: string): JobView {
    const row = this.row(id);
    const step = (number: number) =>
      this.db
        .select({ says: revisions.says })
        .from(revisions)
        .where(and(eq(revisions.jobId, id), eq(revisions.number, number)))
        .get()?.says ?? null;
    return {
      ...this.head(row),
      version: row.version,
      undo: row.at > 0 ? step(row.at) : null,
      redo: step(row.at + 1),
      photos: this.photos.records(row.job.stash.map((photo) => photo.id)),
    };
  }

  /** A job alone, for those who need neither its photos nor its steps. */
  job(id: string): Job {
    return this.row(id).job;
  }

  start(kind: Kind, name: string, locale?: string): JobView {
    return this.keep(freshJob(kind, name.trim(), locale));
  }

  /** Keeps a job that was read from a file. Throws a Problem that names what is wrong in it. */
  import(file: unknown): JobView {
    const reading = readJob(file);
    if (!reading.ok) throw notAJob(reading.faults);
    return this.keep(reading.job);
  }

  duplicate(id: string): JobView {
    const job = this.job(id);
    return this.keep({ ...job, name: `${job.name.slice(0, 190)}, copy` });
  }

  setBinned(id: string, binned: boolean): JobView {
    this.row(id);
    this.db
      .update(jobs)
      .set({ binnedAt: binned ? new Date() : null })
      .where(eq(jobs.id, id))
      .run();
    return this.view(id);
  }

  /** Deletes a job for good. Only what is in the bin can be deleted. */
  remove(id: string): void {
    if (this.row(id).binnedAt === null) {
      throw new Problem(
        409,
        "not-in-the-bin",
        "Not deleted",
        "Put the job in the bin first; from there it can be deleted.",
      );
    }
    this.db.delete(jobs).where(eq(jobs.id, id)).run();
  }

  /**
   * Applies edits, all or none. Throws a Problem when the job has changed since the version they were made on;
   * it carries the job as it is now, so that the caller can put its edits on top of that.
   */
  edit(id: string, version: number, sent: readonly SentEdit[]): JobView {
    this.db.transaction(() => {
      const row = this.row(id);
      if (row.lastEdit !== null && row.lastEdit === sent.at(-1)!.id) return;
      this.expectVersion(row, version);
      for (const one of sent) this.step(id, one, read(one.edit));
    });
    return this.view(id);
  }

  undo(id: string, version: number): JobView {
    return this.walk(id, version, -1);
  }

  redo(id: string, version: number): JobView {
    return this.walk(id, version, 1);
  }

  /** Keeps a new job. */
  keep(job: Job): JobView {
    const id = randomUUID();
    const now = new Date();
    this.db.insert(jobs).values({ id, job, version: 0, at: 0, createdAt: now, changedAt: now }).run();
    return this.view(id);
  }

  /** Puts one edit on a job and remembers it as a step, or as part of the step that the same gesture began. */
  private step(id: string, { id: editId, gesture }: SentEdit, edit: JobEdit): void {
    const row = this.row(id);
    const reading = readJob(applyEdit(row.job, edit));
    if (!reading.ok) throw notAnEdit(reading.faults);
    const { job } = reading;
    const delta = deltaOf(row.job, job);
    const at = isEmpty(delta) ? row.at : this.remember(row, delta, sayEdit(edit), gesture ?? null);
    this.db
      .update(jobs)
      .set({ job, at, version: row.version + 1, lastEdit: editId, changedAt: new Date() })
      .where(eq(jobs.id, id))
      .run();
  }

  private remember(row: JobRow, delta: Delta, says: string, gesture: string | null): number {
    const ofJob = eq(revisions.jobId, row.id);
    this.db
      .delete(revisions)
      .where(and(ofJob, gt(revisions.number, row.at)))
      .run();
    const current = and(ofJob, eq(revisions.number, row.at));
    const last = this.db.select().from(revisions).where(current).get();
    if (gesture !== null && last?.gesture === gesture) {
      this.db.update(revisions).set(joined(last, delta)).where(current).run();
      return row.at;
    }
    const number = row.at + 1;
    this.db
      .insert(revisions)
      .values({ jobId: row.id, number, says, gesture, ...delta })
      .run();
    this.db
      .delete(revisions)
      .where(and(ofJob, lte(revisions.number, number - MOST_STEPS)))
      .run();
    return number;
  }

  private walk(id: string, version: number, by: 1 | -1): JobView {
    this.db.transaction(() => {
      const row = this.row(id);
      this.expectVersion(row, version);
      const number = by === -1 ? row.at : row.at + 1;
      const step = this.db
        .select()
        .from(revisions)
        .where(and(eq(revisions.jobId, id), eq(revisions.number, number)))
        .get();
      if (!step) return;
      const job = { ...row.job, ...(by === -1 ? step.before : step.after) };
      this.db
        .update(jobs)
        .set({ job, at: row.at + by, version: row.version + 1, changedAt: new Date() })
        .where(eq(jobs.id, id))
        .run();
      // A gesture that was undone is over: what comes next is a step of its own.
      this.db
        .update(revisions)
        .set({ gesture: null })
        .where(and(eq(revisions.jobId, id), eq(revisions.number, row.at + by)))
        .run();
    });
    return this.view(id);
  }

  private row(id: string): JobRow {
    const row = this.db.select().from(jobs).where(eq(jobs.id, id)).get();
    if (!row)
      throw Problem.notFound("job", "This job is not here any more. It may have been deleted for good.");
    return row;
  }

  private expectVersion(row: JobRow, version: number): void {
    if (row.version === version) return;
    throw new Problem(
      409,
      "changed-elsewhere",
      "Changed elsewhere",
      "This job was changed in another window in the meantime. Nothing is lost: load it again and put the change on top.",
      { current: this.view(row.id) },
    );
  }

  private head(row: JobRow) {
    return {
      id: row.id,
      job: row.job,
      changedAt: row.changedAt.toISOString(),
      binnedAt: row.binnedAt?.toISOString() ?? null,
    };
  }
}

/** Photos that a first sheet can show: a list of jobs shows sheets, and needs no more of a stash of thousands. */
function shownFirst({ shots, stash, ticket }: Job): string[] {
  const putIn = Object.values(shots).flatMap(({ photo }) => photo ?? []);
  const lines = ticket.kind === "mixed" ? ticket.pieces : ticket.kind === "portraits" ? ticket.people : [];
  const ofLines = lines.flatMap(({ photo }) => photo ?? []);
  return [...new Set([...putIn, ...ofLines, ...stash.slice(0, LIMITS.wholeCollage).map(({ id }) => id)])];
}

function read(edit: unknown): JobEdit {
  const reading = readEdit(edit);
  if (!reading.ok) throw notAnEdit(reading.faults);
  return reading.edit;
}

const notAnEdit = (faults: JobFault[]) =>
  new Problem(422, "edit-refused", "Not changed", `${faults[0]!.why} The job is as it was.`, {
    field: faults[0]!.field,
    faults,
  });

/** A file that is no job, with every fault named. */
export const notAJob = (faults: JobFault[]) =>
  new Problem(
    422,
    "not-a-job",
    "Not a job that can be read",
    faults
      .map(({ why }) => why)
      .slice(0, 3)
      .join(" "),
    {
      field: faults[0]!.field,
      faults,
    },
  );
