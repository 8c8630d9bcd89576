import { randomUUID } from "node:crypto";
import { availableParallelism } from "node:os";
import { Inject, Injectable, type OnApplicationBootstrap, type OnModuleDestroy } from "@nestjs/common";
import { asc, desc, eq, inArray } from "drizzle-orm";
import type { Job } from "@wide-quilt/core";
import { PrinterFault } from "@wide-quilt/ipp";
import { Cancelled } from "@wide-quilt/painters";
import type { Run, RunNaming } from "../contract.ts";
import { DB, type Db } from "../data/database.ts";
import { DataFolder } from "../data/folder.ts";
import { runs } from "../data/schema.ts";
import { JobsService } from "../jobs/jobs.service.ts";
import { PrintersService } from "../printers/printers.service.ts";
import { Problem } from "../safety/problem.ts";
import { MakingService, USUAL_NAMING, type Making, type RunRow } from "./making.service.ts";
import { notPainted } from "./notPainted.ts";
import { RunFiles } from "./runFiles.service.ts";
import { TasksService } from "./tasks.service.ts";

const SHOWN = 200;

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
  private readonly underWay = new Map<string, Making>();
  private closed = false;

  constructor(
    @Inject(DB) private readonly db: Db,
    @Inject(JobsService) private readonly jobs: JobsService,
    @Inject(TasksService) private readonly tasks: TasksService,
    @Inject(DataFolder) private readonly folder: DataFolder,
    @Inject(PrintersService) private readonly printers: PrintersService,
    @Inject(RunFiles) private readonly runFiles: RunFiles,
    @Inject(MakingService) private readonly making: MakingService,
  ) {}

  /** Goes on with what a stop of the server broke off. */
  onApplicationBootstrap(): void {
    for (const { id } of this.db.select().from(runs).where(eq(runs.state, "painting")).all()) {
      this.runFiles.clearNow(id);
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
        : this.runFiles.names(job, this.tasks.sheets(job), naming ?? USUAL_NAMING, this.promised());
    const own = names?.map((name) => ({ name, bytes: 0 })) ?? files;
    this.set(id, { state: "waiting", why: null, doneAt: null, files: own });
    this.next();
  }

  /** The paths of a finished run's files. */
  files(id: string): { name: string; path: string }[] {
    const { state, files } = this.row(id);
    if (state !== "done" || files.length === 0)
      throw new Problem(409, "not-written", "Not written", "This run has no files to take.");
    return files.map(({ name }) => ({ name, path: this.runFiles.pathOf(name) }));
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
    const names = printer ? [] : this.runFiles.names(job, sheets, naming, this.promised());
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
        files: names.map((name) => ({ name, bytes: 0 })),
        createdAt: new Date(),
      })
      .run();
    this.next();
    return this.run(id);
  }

  /** The names that runs which are not made yet were promised. */
  private promised(): Set<string> {
    const open = this.db
      .select({ files: runs.files })
      .from(runs)
      .where(inArray(runs.state, ["waiting", "painting", "paused"]))
      .all();
    return new Set(open.flatMap(({ files }) => files.map(({ name }) => name)));
  }

  private breakOff(id: string, then: NonNullable<Making["then"]>): void {
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
    const here = this.underWay.get(id)!;
    const made = row.printer
      ? this.making.print(row, here, {
          printed: (count) => this.set(id, { printed: count }),
          leaves: () => this.closed,
        })
      : this.making.write(row, here);
    const end = await made.catch((error: unknown): Partial<RunRow> => {
      if (error instanceof Cancelled) return { state: here.then ?? "cancelled" };
      if (error instanceof PrinterFault) return { state: "failed", why: error.message };
      return { state: "failed", why: error instanceof Problem ? error.detail : notPainted(error) };
    });
    await this.runFiles.clear(id);
    this.underWay.delete(id);
    // What a closing server broke off goes on with its next start.
    if (this.closed) return;
    this.set(id, { ...end, doneAt: new Date() });
    this.next();
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
