import { randomUUID } from "node:crypto";
import { existsSync, mkdirSync, rmSync } from "node:fs";
import { mkdir, rename, rm } from "node:fs/promises";
import { dirname, join } from "node:path";
import { Inject, Injectable } from "@nestjs/common";
import { desc, eq } from "drizzle-orm";
import { outputFiles } from "@wide-quilt/core";
import { Cancelled, fileName, flush, outputNames, UNFINISHED, type Progress } from "@wide-quilt/painters";
import type { Run } from "../contract.ts";
import { DB, type Db } from "../data/database.ts";
import { DataFolder } from "../data/folder.ts";
import { runs } from "../data/schema.ts";
import { JobsService } from "../jobs/jobs.service.ts";
import { Problem } from "../safety/problem.ts";
import { PaintPool, type Painting } from "./paint.pool.ts";
import type { AskRun } from "./press.dto.ts";
import { notPainted } from "./proofs.service.ts";
import { ENDING } from "./task.ts";
import { TasksService } from "./tasks.service.ts";

type RunRow = typeof runs.$inferSelect;

const SHOWN = 50;

/** Writes whole jobs to the folder of written files, and remembers each as a run. */
@Injectable()
export class RunsService {
  private readonly underWay = new Map<
    string,
    { painting: Painting; progress: Progress | null; names: string[] }
  >();

  constructor(
    @Inject(DB) private readonly db: Db,
    @Inject(JobsService) private readonly jobs: JobsService,
    @Inject(TasksService) private readonly tasks: TasksService,
    @Inject(PaintPool) private readonly pool: PaintPool,
    @Inject(DataFolder) private readonly folder: DataFolder,
  ) {
    this.endInterrupted();
  }

  /** Where written files lie, for the person. */
  get outFolder(): string {
    return this.folder.out;
  }

  start(jobId: string, { format, quality, rule, start, each, folder, overwrite }: AskRun): Run {
    const job = this.jobs.job(jobId);
    const sheets = this.tasks.sheets(job, format);
    const naming = { pages: format === "pdf", each, rule, start };
    const files = outputFiles(job, this.tasks.records(job), sheets, naming);
    const inside = (name: string) => (folder.trim() === "" ? name : `${fileName(folder)}/${name}`);
    const promised = new Set([...this.underWay.values()].flatMap(({ names }) => names));
    const names = outputNames(
      files.map(({ name }) => name),
      ENDING[format],
      (name) => promised.has(inside(name)) || (!overwrite && existsSync(join(this.folder.out, inside(name)))),
    ).map(inside);
    const id = randomUUID();
    const staging = this.staging(id);
    mkdirSync(staging, { recursive: true });
    const createdAt = new Date();
    this.db
      .insert(runs)
      .values({
        id,
        jobId,
        job,
        format,
        quality,
        state: "painting",
        files: names.map((file) => ({ name: file, bytes: 0 })),
        createdAt,
      })
      .run();
    const task = this.tasks.task(job, sheets, {
      format,
      quality,
      date: createdAt.getTime(),
      files: names.map((_, i) => ({
        path: join(staging, String(i)),
        sheets: files[i]!.sheets,
      })),
    });
    const painting = this.pool.paint(task, (progress) => {
      const here = this.underWay.get(id);
      if (here) here.progress = progress;
    });
    this.underWay.set(id, { painting, progress: null, names });
    void this.finish(id, painting, names);
    return this.run(id);
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
    this.row(id);
    this.underWay.get(id)?.painting.cancel();
  }

  /** The paths of a finished run's files. */
  files(id: string): { name: string; path: string }[] {
    const { state, files } = this.row(id);
    if (state !== "done")
      throw new Problem(409, "not-written", "Not written", "This run has no files to take.");
    return files.map(({ name }) => ({ name, path: join(this.folder.out, name) }));
  }

  /** Ends what a stop of the server broke off: a run is whole or it is nothing. */
  private endInterrupted(): void {
    const why =
      "Wide Quilt was stopped in the middle of this. Nothing half-written was kept; write it again.";
    for (const { id } of this.db.select().from(runs).where(eq(runs.state, "painting")).all()) {
      rmSync(this.staging(id), { recursive: true, force: true });
      this.db.update(runs).set({ state: "failed", why, files: [] }).where(eq(runs.id, id)).run();
    }
  }

  private async finish(id: string, painting: Painting, names: string[]): Promise<void> {
    const end = (values: Partial<RunRow>) =>
      this.db
        .update(runs)
        .set({ ...values, doneAt: new Date() })
        .where(eq(runs.id, id))
        .run();
    try {
      const painted = await painting.result;
      await this.putInPlace(id, names);
      end({ state: "done", files: painted.map(({ bytes }, i) => ({ name: names[i]!, bytes })) });
    } catch (error) {
      if (error instanceof Cancelled) end({ state: "cancelled", files: [] });
      else end({ state: "failed", files: [], why: notPainted(error) });
    } finally {
      await rm(this.staging(id), { recursive: true, force: true });
      this.underWay.delete(id);
    }
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

  private row(id: string): RunRow {
    const row = this.db.select().from(runs).where(eq(runs.id, id)).get();
    if (!row) throw Problem.notFound("run", "There is no such run.");
    return row;
  }

  private shown({ id, jobId, job, format, quality, state, why, files, createdAt }: RunRow): Run {
    return {
      id,
      jobId,
      jobName: job.name,
      format,
      quality,
      state,
      progress: this.underWay.get(id)?.progress ?? null,
      why,
      files: state === "done" ? files : [],
      createdAt: createdAt.toISOString(),
    };
  }
}
