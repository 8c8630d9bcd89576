import { randomUUID } from "node:crypto";
import { existsSync, mkdirSync, rmSync } from "node:fs";
import { mkdir, rename, rm } from "node:fs/promises";
import { availableParallelism } from "node:os";
import { dirname, join } from "node:path";
import { Inject, Injectable, type OnApplicationBootstrap, type OnModuleDestroy } from "@nestjs/common";
import { asc, desc, eq, inArray } from "drizzle-orm";
import { inkOfSheet, outputFiles, price, type Job, type SheetPlan } from "@wide-quilt/core";
import { PrinterFault } from "@wide-quilt/ipp";
import { Cancelled, fileName, flush, outputNames, UNFINISHED, type Progress } from "@wide-quilt/painters";
import type { Run, RunNaming } from "../contract.ts";
import { DB, type Db } from "../data/database.ts";
import { DataFolder } from "../data/folder.ts";
import { runs } from "../data/schema.ts";
import { JobsService } from "../jobs/jobs.service.ts";
import { Problem } from "../safety/problem.ts";
import { notPainted } from "./notPainted.ts";
import { PaintPool, type Painting } from "./paint.pool.ts";
import { ENDING, type Painted, type PaintTask } from "./task.ts";
import { PrintersService } from "../printers/printers.service.ts";
import { PrintingService } from "../printers/printing.service.ts";
import { TasksService } from "./tasks.service.ts";

type RunRow = typeof runs.$inferSelect;

const SHOWN = 200;
const USUAL_NAMING: RunNaming = { start: 1, each: false, folder: "", overwrite: false };

/** A run that is being painted. */
interface UnderWay {
  painting: Painting | null;
  progress: Progress | null;
  /** What it becomes when it is broken off; null while it is to go on. */
  then: "cancelled" | "paused" | null;
  /** What its printer waits for. */
  waits: string | null;
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
    @Inject(PrintersService) private readonly printers: PrintersService,
    @Inject(PrintingService) private readonly printing: PrintingService,
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
    const job = this.jobs.job(jobId);
    return this.add(jobId, job, { ...naming }, naming.print ? this.printerOf(job) : null, new Date(), null);
  }

  /** The same once more: the job as it was then, to the byte, beside what is there or over it as it was then. */
  again(id: string): Run {
    const { jobId, job, naming, printer, stamp, createdAt } = this.row(id);
    return this.add(jobId, job, naming ?? USUAL_NAMING, printer, stamp ?? createdAt, id);
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
    const { state, job, naming, files, printer } = this.row(id);
    if (state !== "paused" && state !== "failed" && state !== "cancelled") return;
    // What was broken off for good gave its names back; another file may have them by now.
    const names =
      printer || state === "paused"
        ? null
        : this.namesFor(job, this.tasks.sheets(job), naming ?? USUAL_NAMING);
    const promised = names?.map((name) => ({ name, bytes: 0 })) ?? files;
    this.set(id, { state: "waiting", why: null, doneAt: null, files: promised });
    this.next();
  }

  /** The paths of a finished run's files. */
  files(id: string): { name: string; path: string }[] {
    const { state, files } = this.row(id);
    if (state !== "done" || files.length === 0)
      throw new Problem(409, "not-written", "Not written", "This run has no files to take.");
    return files.map(({ name }) => ({ name, path: join(this.folder.out, name) }));
  }

  /** The printer of a job, where it can be reached. Throws a Problem that says what to do. */
  private printerOf({ sheet }: Job): RunRow["printer"] {
    const { id, name } = sheet.printer;
    const address = this.printers.list().find((one) => one.id === id)?.address ?? null;
    if (address !== null) return { name, address };
    throw new Problem(
      422,
      "no-printer",
      "No printer",
      `${name} takes files: it has no address to print at. Give it one in Sizes, or choose another printer in the ticket.`,
    );
  }

  private add(
    jobId: string,
    job: Job,
    naming: RunNaming,
    printer: RunRow["printer"],
    stamp: Date,
    again: string | null,
  ): Run {
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
        printer,
        files: printer ? [] : this.namesFor(job, sheets, naming).map((name) => ({ name, bytes: 0 })),
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

  private breakOff(id: string, then: NonNullable<UnderWay["then"]>): void {
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
      this.underWay.set(row.id, { painting: null, progress: null, then: null, waits: null });
      void this.make(row);
    }
  }

  private async make(row: RunRow): Promise<void> {
    const { id } = row;
    const end = await (row.printer ? this.printed(row, row.printer) : this.painted(row)).catch(
      (error: unknown): Partial<RunRow> => {
        if (error instanceof Cancelled) return { state: this.underWay.get(id)!.then ?? "cancelled" };
        if (error instanceof PrinterFault) return { state: "failed", why: error.message };
        return { state: "failed", why: error instanceof Problem ? error.detail : notPainted(error) };
      },
    );
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
    const painted = await this.paint(here, task);
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

  private async paint(here: UnderWay, task: PaintTask): Promise<Painted> {
    if (here.then) throw new Cancelled();
    here.painting = this.pool.paint(task, (progress) => (here.progress = progress));
    try {
      return await here.painting.result;
    } finally {
      here.painting = null;
    }
  }

  /** Prints a run, a document after the other; those that the printer has reported as printed are not sent again. */
  private async printed(row: RunRow, { address }: NonNullable<RunRow["printer"]>): Promise<Partial<RunRow>> {
    const { id } = row;
    const here = this.underWay.get(id)!;
    const can = await this.printing.can(address);
    const format = this.printing.formatFor(can, row.job.press.file.format);
    const job = { ...row.job, press: { ...row.job.press, file: { ...row.job.press.file, format } } };
    const sheets = this.tasks.sheets(job);
    const files = this.stagedFiles(id, job, sheets, USUAL_NAMING);
    const task = await this.tasks.task(job, sheets, {
      date: (row.stamp ?? row.createdAt).getTime(),
      files,
    });
    await this.paint(here, task);
    const watch = {
      cancelled: () => here.then !== null || this.closed,
      waits: (why: string | null) => (here.waits = why),
    };
    let first = files.slice(0, row.printed).reduce((sum, { sheets: count }) => sum + count, 0);
    for (let i = row.printed; i < files.length; i++) {
      here.progress = { what: "to the printer", done: i, of: files.length };
      const name = `${fileName(job.name)} · ${id} · ${i + 1}`;
      const paper = sheets[first]!.stock;
      await this.printing.print({ address, name, path: files[i]!.path, format, paper }, can, watch);
      this.set(id, { printed: i + 1 });
      first += files[i]!.sheets;
    }
    return { state: "done", price: price(job, sheets).total };
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
      print: row.printer !== null,
      waits: this.underWay.get(id)?.waits ?? null,
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
