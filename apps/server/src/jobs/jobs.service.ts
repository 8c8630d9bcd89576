import { randomUUID } from "node:crypto";
import { setImmediate as breathe } from "node:timers/promises";
import { Inject, Injectable } from "@nestjs/common";
import { and, desc, eq, isNotNull, isNull, sql } from "drizzle-orm";
import {
  diff,
  freshJob,
  inverse,
  joinedPatch,
  readJob,
  sayEdit,
  withHeads,
  type Job,
  type Kind,
  type Patch,
  type Unit,
} from "@wide-quilt/core";
import { DB } from "../data/database.ts";
import type { Db } from "../data/db.ts";
import { clients, jobs } from "../data/schema.ts";
import { HeadsService } from "../heads/heads.service.ts";
import { LiveService } from "../live/live.service.ts";
import { OfPatterns } from "../patterns/ofPatterns.ts";
import { PhotosService } from "../photos/photos.service.ts";
import { Problem } from "../safety/problem.ts";
import type { ActOnJob, SendEdits, SentEdit, WalkSteps } from "./jobs.dto.ts";
import { anothers, applied, notAJob, notAnEdit, put, readSent } from "./changes.ts";
import { InTurn } from "./inTurn.ts";
import { RecentChanges } from "./recent.ts";
import { Steps, type Others } from "./steps.ts";
import type { JobChange, JobSummary, JobView, OfPattern } from "../contract.ts";

type JobRow = typeof jobs.$inferSelect;

/** Milliseconds of edits after which others are let in. */
const AT_A_TIME = 20;

/** Changes after which free pages of the database are given back, and how many. */
const GIVES_BACK = 50;
const PAGES = 500;

/** One edit that was put on a job, on its way into the database. */
interface Done {
  says: string;
  gesture: string | null;
  byItself: boolean;
  patch: Patch;
}

/** Jobs, saved as they change, every change a step that can be undone by whoever made it. */
@Injectable()
export class JobsService {
  private readonly steps: Steps;
  private readonly ofPatterns: OfPatterns;
  private readonly recent = new RecentChanges();
  private readonly inTurn = new InTurn();

  constructor(
    @Inject(DB) private readonly db: Db,
    @Inject(PhotosService) private readonly photos: PhotosService,
    @Inject(LiveService) private readonly live: LiveService,
    @Inject(HeadsService) private readonly heads: HeadsService,
  ) {
    this.steps = new Steps(db);
    this.ofPatterns = new OfPatterns(db);
  }

  list(binned: boolean): JobSummary[] {
    const { id, name, kind, count, version, changedAt, binnedAt } = jobs;
    return this.db
      .select({ id, name, kind, photos: count, version, changedAt, binnedAt })
      .from(jobs)
      .where(binned ? isNotNull(jobs.binnedAt) : isNull(jobs.binnedAt))
      .orderBy(desc(jobs.changedAt))
      .all()
      .map((row) => ({ ...row, ...timesOf(row) }));
  }

  /** A job for a window, with what that window can undo. What is said once is said now. */
  view(id: string, client?: string): JobView {
    const row = this.row(id);
    if (row.notice !== null) this.db.update(jobs).set({ notice: null }).where(eq(jobs.id, id)).run();
    return {
      id,
      job: row.job,
      version: row.version,
      ...timesOf(row),
      ...this.steps.view(id, this.others(id, client)),
      photos: this.photos.records(photosOf(row.job)),
      taken: this.taken(id, client),
      notice: row.notice,
      pattern: this.ofPatterns.view(row.pattern),
    };
  }

  /** A job alone, for those who need neither its photos nor its steps. */
  job(id: string): Job {
    return this.row(id).job;
  }

  /** A job as it goes into a file: with what is known of its photos. */
  toTakeAlong(id: string): Job {
    const job = this.job(id);
    return withHeads(job, this.photos.records(job.stash.map((photo) => photo.id)));
  }

  /** A job, its version, and when that came to be. */
  jobNow(id: string): { job: Job; version: number; changedAt: Date } {
    return this.row(id);
  }

  start(kind: Kind, name: string, locale?: string, unit?: Unit): JobView {
    return this.keep(freshJob(kind, name.trim(), locale, unit, yearToPlan(new Date())));
  }

  /** Keeps a job that was read from a file. Throws a Problem that names what is wrong in it. */
  import(file: unknown): JobView {
    const reading = readJob(file);
    if (!reading.ok) throw notAJob(reading.faults);
    return this.keep(reading.job);
  }

  duplicate(id: string): JobView {
    const { job, pattern } = this.row(id);
    return this.keep({ ...job, name: `${shortened(job.name, 190)}, copy` }, pattern);
  }

  setBinned(id: string, binned: boolean): void {
    this.row(id);
    this.db
      .update(jobs)
      .set({ binnedAt: binned ? new Date() : null })
      .where(eq(jobs.id, id))
      .run();
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
    this.recent.forget(id);
    this.live.toJob(id, "gone", () => ({ id }));
  }

  /**
   * Applies edits to the job as it is now, all or none. Those that this window sent before, and whose answer it did not
   * get, are passed over.
   */
  edit(id: string, { client, version, edits }: SendEdits): Promise<JobChange> {
    return this.inTurn.of(id, async () => {
      const row = this.row(id);
      const left = afterLast(edits, this.taken(id, client));
      if (left.length > 0) await this.apply(row, left, client);
      return this.changeFor(id, { client, version });
    });
  }

  undo(id: string, walk: WalkSteps): Promise<JobChange> {
    return this.walk(id, walk, "undo");
  }

  redo(id: string, walk: WalkSteps): Promise<JobChange> {
    return this.walk(id, walk, "redo");
  }

  /** From now on a job is of a pattern, or of a target of one. */
  setPattern(id: string, pattern: string): void {
    this.db.update(jobs).set({ pattern }).where(eq(jobs.id, id)).run();
  }

  /** The pattern that a job is of; null for none that is in the book. */
  ofPattern(id: string): OfPattern | null {
    return this.ofPatterns.view(this.row(id).pattern);
  }

  /** Keeps a new job, of a pattern where it was started from one. Where heads are in its photos belongs to those. */
  keep(given: Job, pattern: string | null = null): JobView {
    const job = this.heads.takenFrom(given);
    const id = randomUUID();
    const now = new Date();
    this.db
      .insert(jobs)
      .values({ id, job, ...shownOf(job), version: 0, pattern, createdAt: now, changedAt: now })
      .run();
    return this.view(id);
  }

  /** Puts edits on a job, letting others in between; the job is read once, when all are on it. */
  private async apply(row: JobRow, sent: readonly SentEdit[], client = ""): Promise<void> {
    let { job } = row;
    const done: Done[] = [];
    let since = performance.now();
    for (const { edit: value, gesture = null, byItself = false } of sent) {
      const edit = readSent(value);
      const next = applied(job, edit);
      done.push({ says: sayEdit(edit), gesture, byItself, patch: diff(job, next) });
      job = next;
      if (performance.now() - since < AT_A_TIME) continue;
      await breathe();
      since = performance.now();
    }
    const reading = readJob(job);
    if (!reading.ok) throw notAnEdit(reading.faults);
    // What reading makes of it (a name without the spaces around it) belongs to the last of them.
    const end = done.at(-1)!;
    end.patch = joinedPatch(end.patch, diff(job, reading.job));
    const last = sent.at(-1)!.id;
    this.save(row, reading.job, diff(row.job, reading.job), client, last, () => {
      for (const { byItself, ...step } of done) {
        if (step.patch.length === 0 || byItself) continue;
        const own = { ...step, client: client === "" ? null : client, undone: false };
        this.steps.remember(row.id, own, this.others(row.id, client));
      }
    });
  }

  private walk(
    id: string,
    { client, version, id: act }: WalkSteps,
    way: "undo" | "redo",
  ): Promise<JobChange> {
    return this.inTurn.of(id, () => {
      const row = this.row(id);
      const isAgain = act !== undefined && this.taken(id, client) === act;
      if (!isAgain) this.walkNow(row, client, way, act);
      return this.changeFor(id, { client, version });
    });
  }

  private walkNow(
    row: JobRow,
    client: string | undefined,
    way: "undo" | "redo",
    act: string | undefined,
  ): void {
    const { id } = row;
    const others = this.others(id, client);
    const undo = way === "undo" ? this.steps.toUndo(id, others) : null;
    const step = undo?.step ?? (way === "redo" ? this.steps.nextUndone(id, others) : null);
    if (!step) {
      const last = this.steps.newest(id);
      if (way === "undo" && last) throw anothers(`The last change here, “${last.says}”, was`);
      return;
    }
    if (undo?.inTheWay) throw anothers(`“${undo.inTheWay.says}” builds on “${step.says}”, and was`);
    const patch = way === "undo" ? inverse(step.patch) : step.patch;
    const reading = readJob(put(row.job, patch, step.says));
    if (!reading.ok) throw notAnEdit(reading.faults);
    this.save(row, reading.job, patch, client, act, () => this.steps.setUndone(id, step, way === "undo"));
  }

  /** Saves a job with what led to it, all at once, and tells the windows that have it open. */
  private save(
    row: JobRow,
    job: Job,
    patch: Patch,
    client: string | undefined,
    act: string | undefined,
    andThen: () => void,
  ): void {
    const { id } = row;
    const version = row.version + 1;
    const changedAt = new Date();
    this.db.transaction(() => {
      this.db
        .update(jobs)
        .set({ job, ...shownOf(job), version, changedAt })
        .where(eq(jobs.id, id))
        .run();
      andThen();
      if (client && act !== undefined) {
        const last = { lastAct: act, seenAt: changedAt };
        this.db
          .insert(clients)
          .values({ jobId: id, client, ...last })
          .onConflictDoUpdate({ target: [clients.jobId, clients.client], set: last })
          .run();
      }
    });
    // What old steps took is given back to the disk now and then; no more at a time than takes a moment.
    if (version % GIVES_BACK === 0) this.db.all(sql.raw(`PRAGMA incremental_vacuum(${PAGES})`));
    this.recent.add(id, version, patch);
    this.live.toJob(id, "change", (other) => this.changeFor(id, { client: other, version: row.version }));
  }

  /** Tells a window that has begun to follow a job what became of it since the version that the window has. */
  tellSince(id: string, client: string, version: number): void {
    const now = this.versionOf(id);
    if (!now) this.live.toWindow(id, client, "gone", { id });
    else if (now.version > version)
      this.live.toWindow(id, client, "change", this.changeFor(id, { client, version }));
  }

  private versionOf(id: string) {
    const { version, changedAt } = jobs;
    return this.db.select({ version, changedAt }).from(jobs).where(eq(jobs.id, id)).get();
  }

  /** What became of a job since the version that a window has. */
  private changeFor(id: string, { client, version }: ActOnJob): JobChange {
    const now = this.versionOf(id);
    if (!now) throw gone();
    const patch = version === undefined ? null : this.recent.between(id, version, now.version);
    const job = patch ? undefined : this.job(id);
    return {
      id,
      version: now.version,
      changedAt: now.changedAt.toISOString(),
      ...this.steps.view(id, this.others(id, client)),
      taken: this.taken(id, client),
      ...(patch ? { from: version!, patch } : { from: null, patch: [], job }),
      photos: this.photos.records(patch ? photosIn(patch) : photosOf(job!)),
    };
  }

  /** The windows whose steps one that asks leaves alone: others that have the job open. */
  private others(job: string, own: string | undefined): Others {
    return (client) => client !== own && this.live.isHere(job, client);
  }

  private taken(job: string, client: string | undefined): string | null {
    if (!client) return null;
    return (
      this.db
        .select({ lastAct: clients.lastAct })
        .from(clients)
        .where(and(eq(clients.jobId, job), eq(clients.client, client)))
        .get()?.lastAct ?? null
    );
  }

  private row(id: string): JobRow {
    const row = this.db.select().from(jobs).where(eq(jobs.id, id)).get();
    if (!row) throw gone();
    return row;
  }
}

/** From the summer on people plan the year that comes. */
const yearToPlan = (now: Date): number => now.getFullYear() + (now.getMonth() >= 5 ? 1 : 0);

const gone = () =>
  Problem.notFound("job", "This job is not here any more. It may have been deleted for good.");

const timesOf = ({ changedAt, binnedAt }: Pick<JobRow, "changedAt" | "binnedAt">) => ({
  changedAt: changedAt.toISOString(),
  binnedAt: binnedAt?.toISOString() ?? null,
});

/** What lists show of a job. */
const shownOf = ({ name, ticket, stash }: Job) => ({ name, kind: ticket.kind, count: stash.length });

/** Edits that come after the last one that was taken in. */
const afterLast = (edits: readonly SentEdit[], last: string | null): readonly SentEdit[] =>
  edits.slice(edits.findIndex(({ id }) => id === last) + 1);

/** The photos of a job, and those that were made of them with something else behind the person. */
const photosOf = ({ stash, backdrops }: Job): string[] => [
  ...stash.map(({ id }) => id),
  ...Object.values(backdrops).map(({ made }) => made),
];

/** Photos that a patch puts into the job. */
function photosIn(patch: Patch): string[] {
  const made = patch.flatMap((change) =>
    change.at[0] === "backdrops" && "to" in change ? madeIn(change.to) : [],
  );
  return [...stashedIn(patch), ...made];
}

/** The photos that were made, in whatever part of the backdrops of a job. */
function madeIn(value: unknown): string[] {
  if (typeof value === "string") return /^[0-9a-f]{64}$/.test(value) ? [value] : [];
  return typeof value === "object" && value !== null ? Object.values(value).flatMap(madeIn) : [];
}

function stashedIn(patch: Patch): string[] {
  const into = patch.flatMap((change): unknown[] => {
    if (change.at[0] !== "stash" || "move" in change) return [];
    if ("start" in change) return change.in;
    return Array.isArray(change.to) ? change.to : [change.to];
  });
  return into.flatMap((value) =>
    typeof value === "string" ? value : ((value as { id?: string } | undefined)?.id ?? []),
  );
}

/** A text of at most so many characters, never ending inside one. */
const shortened = (text: string, most: number): string => {
  let short = "";
  for (const sign of text) {
    if (short.length + sign.length > most) break;
    short += sign;
  }
  return short;
};
