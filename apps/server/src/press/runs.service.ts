import { randomUUID } from "node:crypto";
import { existsSync, mkdirSync, rmSync } from "node:fs";
import { mkdir, rename, rm } from "node:fs/promises";
import { availableParallelism } from "node:os";
import { dirname, join } from "node:path";
import { Inject, Injectable, type OnApplicationBootstrap, type OnModuleDestroy } from "@nestjs/common";
import { asc, desc, eq, inArray } from "drizzle-orm";
import { inkOfSheet, outputFiles, price, type Job, type SheetPlan } from "@wide-quilt/core";
import { Cancelled, fileName, flush, outputNames, UNFINISHED, type Progress } from "@wide-quilt/painters";
import type { Run, RunNaming } from "../contract.ts";
import { DB, type Db } from "../data/database.ts";
import { DataFolder } from "../data/folder.ts";
import { runs } from "../data/schema.ts";
import { JobsService } from "../jobs/jobs.service.ts";
import { Problem } from "../safety/problem.ts";
import { notPainted } from "./notPainted.ts";
import { PaintPool, type Painting } from "./paint.pool.ts";
import { ENDING } from "./task.ts";
import { TasksService } from "./tasks.service.ts";

type RunRow = typeof runs.$inferSelect;

const SHOWN = 200;
const USUAL_NAMING: RunNaming = { start: 1, each: false, folder: "", overwrite: false };

/** A run that is being painted. */
interface UnderWay {
  painting: Painting | null;
  progress: Progress | null;
  /** What it becomes when its painting is broken off. */
  then: "cancelled" | "paused";
}

/**
 * The queue of runs: whole jobs written to the folder of written files. A run is in the database before anything is
 * painted, with the names of its files, so that a stop at any moment leaves it to be done once, whole:
 *
 *     waiting ─▶ painting ─▶ done
 *        ▲  └─▶ paused ◀─┤ └▶ failed, cancelled
 *        └───────────────┴──────┘ again by hand; by itself after a stop in the middle
 */
@Injectable()
export class RunsService implements OnApplicationBootstrap, OnModuleDestroy {
  private readonly underWay = new Map<string, UnderWay>();
  private closed = false;

  constructor(
    @Inject(DB) private readonly db: Db,
    @Inject(JobsService) private readonly jobs: JobsService,
    @Inject(TasksService) private readonly tasks: TasksService,
    @Inject(PaintPool) private readonly pool: PaintPool,
    @Inject(DataFolder) private readonly folder: DataFolder,
  ) {}

  /** Goes on with what a stop of the server broke off. */
  onApplicationBootstrap(): void {
    for (const { id } of this.db.select().from(runs).where(eq(runs.state, "painting")).all()) {
      rmSync(this.staging(id), { recursive: true, force: true });
      this.set(id, { state: "waiting" });
    }
    this.next();
  }

  onModuleDestroy(): void {
    this.closed = true;
  }

  /** Where written files lie, for the person. */
  get outFolder(): string {
    return this.folder.out;
  }

  start(jobId: string, naming: RunNaming): Run {
    return this.add(jobId, this.jobs.job(jobId), { ...naming }, new Date(), null);
  }

  /** The same once more: the job as it was then, to the byte, beside what is there or over it as it was then. */
  again(id: string): Run {
    const { jobId, job, naming, stamp, createdAt } = this.row(id);
    return this.add(jobId, job, naming ?? USUAL_NAMING, stamp ?? createdAt, id);
  }

  list(jobId?: string): Run[] {
    const all = this.db.select().from(runs);
    const rows = (jobId ? all.where(eq(runs.jobId, jobId)) : all)
      .orderBy(desc(runs.createdAt))
      .limit(SHOWN)
      .all();
    return rows.map((row) => this.shown(row));
  }

  run(id: string): Run {
    return this.shown(this.row(id));
  }

  cancel(id: string): void {
    this.breakOff(id, "cancelled");
  }

  pause(id: string): void {
    this.breakOff(id, "paused");
  }

  /** Puts a run that was held, broken off or that failed back into the queue. */
  goOn(id: string): void {
    const { state, job, naming, files } = this.row(id);
    if (state !== "paused" && state !== "failed" && state !== "cancelled") return;
    // What was broken off for good gave its names back; another file may have them by now.
    const names =
      state === "paused" ? null : this.namesFor(job, this.tasks.sheets(job), naming ?? USUAL_NAMING);
    const promised = names?.map((name) => ({ name, bytes: 0 })) ?? files;
    this.set(id, { state: "waiting", why: null, doneAt: null, files: promised });
    this.next();
  }

  /** The paths of a finished run's files. */
  files(id: string): { name: string; path: string }[] {
    const { state, files } = this.row(id);
    if (state !== "done")
      throw new Problem(409, "not-written", "Not written", "This run has no files to take.");
    return files.map(({ name }) => ({ name, path: join(this.folder.out, name) }));
  }

  private add(jobId: string, job: Job, naming: RunNaming, stamp: Date, again: string | null): Run {
    const sheets = this.tasks.sheets(job);
    const id = randomUUID();
    const { format, quality } = job.press.file;
    this.db
      .insert(runs)
      .values({
        id,
        jobId,
        job,
        format,
        quality,
        naming,
        stamp,
        again,
        state: "waiting",
        sheets: sheets.length,
        files: this.namesFor(job, sheets, naming).map((name) => ({ name, bytes: 0 })),
        createdAt: new Date(),
      })
      .run();
    this.next();
    return this.run(id);
  }

  /** Names that no file has and that no other run was promised. */
  private namesFor(
    job: Job,
    sheets: SheetPlan[],
    { rule, start, each, folder, overwrite }: RunNaming,
  ): string[] {
    const { format } = job.press.file;
    const divided = { pages: format === "pdf", each, rule, start };
    const files = outputFiles(job, this.tasks.records(job), sheets, divided);
    const inside = (name: string) => (folder.trim() === "" ? name : `${fileName(folder)}/${name}`);
    const open = this.db
      .select({ files: runs.files })
      .from(runs)
      .where(inArray(runs.state, ["waiting", "painting", "paused"]))
      .all();
    const promised = new Set(open.flatMap(({ files: own }) => own.map(({ name }) => name)));
    const isTaken = (name: string) =>
      promised.has(inside(name)) || (!overwrite && existsSync(join(this.folder.out, inside(name))));
    return outputNames(
      files.map(({ name }) => name),
      ENDING[format],
      isTaken,
    ).map(inside);
  }

  private breakOff(id: string, then: UnderWay["then"]): void {
    const { state } = this.row(id);
    const here = this.underWay.get(id);
    if (here) {
      here.then = then;
      here.painting?.cancel();
    } else if (state === "waiting" || (state === "paused" && then === "cancelled")) {
      this.set(id, { state: then, doneAt: then === "cancelled" ? new Date() : null });
    }
  }

  /** Begins with as many waiting runs as there are processors free, the oldest first. */
  private next(): void {
    while (!this.closed && this.underWay.size < availableParallelism()) {
      const row = this.db
        .select()
        .from(runs)
        .where(eq(runs.state, "waiting"))
        .orderBy(asc(runs.createdAt))
        .limit(1)
        .get();
      if (!row) return;
      this.set(row.id, { state: "painting" });
      this.underWay.set(row.id, { painting: null, progress: null, then: "cancelled" });
      void this.make(row);
    }
  }

  private async make(row: RunRow): Promise<void> {
    const { id } = row;
    const end = await this.painted(row).catch((error: unknown): Partial<RunRow> => {
      if (error instanceof Cancelled) return { state: this.underWay.get(id)!.then };
      return { state: "failed", why: error instanceof Problem ? error.detail : notPainted(error) };
    });
    await rm(this.staging(id), { recursive: true, force: true });
    this.underWay.delete(id);
    // What a closing server broke off goes on with its next start.
    if (this.closed) return;
    this.set(id, { ...end, doneAt: new Date() });
    this.next();
  }

  /** Paints a run, puts its files in their places, and says what came of it. */
  private async painted({ id, job, files, naming, stamp, createdAt }: RunRow): Promise<Partial<RunRow>> {
    const here = this.underWay.get(id)!;
    const sheets = this.tasks.sheets(job);
    const task = await this.tasks.task(job, sheets, {
      date: (stamp ?? createdAt).getTime(),
      files: this.stagedFiles(id, job, sheets, naming ?? USUAL_NAMING),
    });
    here.painting = this.pool.paint(task, (progress) => (here.progress = progress));
    const painted = await here.painting.result;
    const names = files.map(({ name }) => name);
    await this.putInPlace(id, names);
    const ink = painted.coverage.reduce(
      (sum, covered, i) => sum + inkOfSheet(job.sheet.printer.price, sheets[i]!.paper, covered),
      0,
    );
    return {
      state: "done",
      files: painted.files.map(({ bytes }, i) => ({ name: names[i]!, bytes })),
      price: price(job, sheets).total + ink,
    };
  }

  private stagedFiles(id: string, job: Job, sheets: SheetPlan[], { rule, start, each }: RunNaming) {
    const divided = { pages: job.press.file.format === "pdf", each, rule, start };
    const files = outputFiles(job, this.tasks.records(job), sheets, divided);
    mkdirSync(this.staging(id), { recursive: true });
    return files.map(({ sheets: count }, i) => ({ path: join(this.staging(id), String(i)), sheets: count }));
  }

  /** Where a run's files lie until all of them are written: a run is whole or it is nothing. */
  private staging(id: string): string {
    return join(this.folder.out, `.${id}${UNFINISHED}`);
  }

  private async putInPlace(id: string, names: readonly string[]): Promise<void> {
    const folders = new Set(names.map((name) => dirname(join(this.folder.out, name))));
    for (const folder of folders) await mkdir(folder, { recursive: true });
    for (const [i, name] of names.entries())
      await rename(join(this.staging(id), String(i)), join(this.folder.out, name));
    for (const folder of folders) await flush(folder);
  }

  private set(id: string, values: Partial<RunRow>): void {
    this.db.update(runs).set(values).where(eq(runs.id, id)).run();
  }

  private row(id: string): RunRow {
    const row = this.db.select().from(runs).where(eq(runs.id, id)).get();
    if (!row) throw Problem.notFound("run", "There is no such run.");
    return row;
  }

  private shown(row: RunRow): Run {
    const { id, jobId, job, format, sheets, state, why, files, again, createdAt, doneAt } = row;
    return {
      id,
      jobId,
      jobName: job.name,
      format,
      profile: job.press.colour?.profile ?? null,
      madeBy: job.sheet.printer.name,
      sheets,
      price: row.price,
      state,
      progress: this.underWay.get(id)?.progress ?? null,
      why,
      files: state === "done" ? files : [],
      createdAt: createdAt.toISOString(),
      doneAt: doneAt?.toISOString() ?? null,
      again,
    };
  }
}
