import { randomUUID } from "node:crypto";
import { EventEmitter } from "node:events";
import { Inject, Injectable, type OnApplicationBootstrap, type OnModuleDestroy } from "@nestjs/common";
import { withHeads, type Job } from "@wide-quilt/core";
import { PrinterFault } from "@wide-quilt/ipp";
import { Cancelled } from "@wide-quilt/painters";
import type { Run, RunNaming } from "../contract.ts";
import { DataFolder } from "../data/folder.ts";
import { JobsService } from "../jobs/jobs.service.ts";
import { LiveService } from "../live/live.service.ts";
import { PrintersService } from "../printers/printers.service.ts";
import { Problem } from "../safety/problem.ts";
import { Ledger, OPEN, type RunRow } from "./ledger.ts";
import { GivenUp, MakingService, USUAL_NAMING, type Making } from "./making.service.ts";
import { notPainted } from "./notPainted.ts";
import { OPEN_RUNS, PaintersService } from "./painters.service.ts";
import { RunFiles } from "./runFiles.service.ts";
import { ENDING } from "./task.ts";

const SHOWN = 200;
/** Progress is told this often at most, in milliseconds. */
const TELLING = 150;

/**
 * The runs: whole jobs written to the folder of written files, or printed. A run is in the database before anything is
 * painted, with the names of its files, so that a stop at any moment leaves it to be done once, whole:
 *
 *     waiting ─▶ painting ─▶ done
 *        ▲  └─▶ paused ◀─┤ ├▶ failed, cancelled
 *        └───────────────┴─┴▶ asking: whether a printed sheet came out
 *
 * Files are painted some runs at a time, in turns; each printer is a lane of its own, one run at a time.
 */
@Injectable()
export class RunsService implements OnApplicationBootstrap, OnModuleDestroy {
  /** Says “run” of one that came into another state, or that waits for something else. */
  readonly news = new EventEmitter<{ run: [Run] }>();
  private readonly underWay = new Map<string, Making>();
  private closed = false;

  constructor(
    @Inject(Ledger) private readonly ledger: Ledger,
    @Inject(JobsService) private readonly jobs: JobsService,
    @Inject(PaintersService) private readonly painters: PaintersService,
    @Inject(DataFolder) private readonly folder: DataFolder,
    @Inject(PrintersService) private readonly printers: PrintersService,
    @Inject(RunFiles) private readonly runFiles: RunFiles,
    @Inject(MakingService) private readonly making: MakingService,
    @Inject(LiveService) private readonly live: LiveService,
  ) {}

  /** Goes on with what a stop of the server broke off. */
  async onApplicationBootstrap(): Promise<void> {
    for (const { id } of this.ledger.inState("painting")) this.ledger.set(id, { state: "waiting" });
    const left = this.ledger.inState(...OPEN, "failed");
    for (const { id, printer } of left) if (printer) this.ledger.distrust(id);
    const keep = left.map(({ id }) => id);
    await this.runFiles.clearAllBut(new Set(keep));
    this.next();
  }

  onModuleDestroy(): void {
    this.closed = true;
    for (const { stop } of this.underWay.values()) stop.abort();
  }

  /** Where written files lie, for the person. */
  get outFolder(): string {
    return this.folder.out;
  }

  start(jobId: string, naming: RunNaming): Promise<Run> {
    const job = this.jobs.job(jobId);
    const printer = naming.print ? this.printerOf(job) : null;
    return this.add(randomUUID(), jobId, job, { ...naming }, printer, new Date(), null);
  }

  /** Starts a run that somebody gave its name, once: asked again it is the one that is there. */
  async once(id: string, jobId: string, job: Job, naming: RunNaming, stamp: Date): Promise<Run> {
    if (this.ledger.has(id)) return this.run(id);
    return this.add(id, jobId, job, naming, naming.print ? this.printerOf(job) : null, stamp, null);
  }

  /** The same once more: the job as it was then, to the byte, beside what is there or over it as it was then. */
  again(id: string): Promise<Run> {
    const row = this.ledger.row(id);
    const { jobId, naming, printer, stamp, createdAt } = row;
    const job = this.ledger.job(row);
    return this.add(randomUUID(), jobId, job, naming ?? USUAL_NAMING, printer, stamp ?? createdAt, id);
  }

  list(jobId?: string): Run[] {
    return this.ledger.newest(SHOWN, jobId).map((row) => this.shown(row));
  }

  has(id: string): boolean {
    return this.ledger.has(id);
  }

  run(id: string): Run {
    return this.shown(this.ledger.row(id));
  }

  async cancel(id: string): Promise<void> {
    await this.breakOff(id, "cancelled");
  }

  async pause(id: string): Promise<void> {
    await this.breakOff(id, "paused");
  }

  /** Puts a run that was held, broken off or that failed back into the queue. What was painted of it is kept. */
  async goOn(id: string): Promise<void> {
    const row = this.ledger.row(id);
    const { state, naming, files, printer } = row;
    if (state !== "paused" && state !== "failed" && state !== "cancelled") return;
    // What was broken off for good gave its names back; another file may have them by now.
    const own =
      printer || state === "paused" ? files : await this.named(this.ledger.job(row), naming ?? USUAL_NAMING);
    this.ledger.set(id, { state: "waiting", why: null, doneAt: null, files: own, deaths: 0 });
    this.tell(id);
    this.next();
  }

  /** Says whether the printed sheet that is in doubt came out; the run goes on with the next, or with this one again. */
  answer(id: string, cameOut: boolean): void {
    const { state } = this.ledger.row(id);
    const doubt = this.inDoubt(id);
    if (state !== "asking" || doubt === null) {
      throw new Problem(409, "nothing-asked", "Nothing is asked", "This run has no sheet in doubt any more.");
    }
    this.ledger.setSheet(id, doubt - 1, { sent: cameOut ? "printed" : null, printerJob: null });
    this.ledger.set(id, { state: "waiting", ...(cameOut && { trusts: true }) });
    this.tell(id);
    this.next();
  }

  /** The paths of a finished run's files. */
  files(id: string): { name: string; path: string }[] {
    const { state, files } = this.ledger.row(id);
    if (state !== "done" || files.length === 0)
      throw new Problem(409, "not-written", "Not written", "This run has no files to take.");
    return files.map(({ name }) => ({ name, path: this.runFiles.pathOf(name) }));
  }

  /** The printer of a job, where it can be reached. Throws a Problem that says what to do. */
  private printerOf({ target }: Job): RunRow["printer"] {
    const { id, name } = target.printer;
    const address = this.printers.list().find((one) => one.id === id)?.address ?? null;
    if (address !== null) return { name, address };
    throw new Problem(
      422,
      "no-printer",
      "No printer",
      `${name} takes files: it has no address to print at. Give it one in Sizes, or choose another printer in the ticket.`,
    );
  }

  private async add(
    id: string,
    jobId: string,
    asked: Job,
    naming: RunNaming,
    printer: RunRow["printer"],
    stamp: Date,
    again: string | null,
  ): Promise<Run> {
    // What is known of heads today decides crops; made again, the run is as it was.
    const job = withHeads(asked, this.painters.records(asked));
    const { papers, files } = await this.painters.planRun(job, naming);
    const { format, quality } = job.target.file;
    const names = files.map(({ name }) => name);
    this.ledger.enter(job, {
      id,
      jobId,
      jobName: job.name,
      madeBy: job.target.printer.name,
      currency: job.target.printer.price.currency,
      profile: job.target.colour?.profile ?? null,
      format,
      quality,
      naming,
      stamp,
      again,
      state: "waiting",
      sheets: papers.length,
      printer,
      files: printer ? [] : this.promise(names, format, naming),
      createdAt: new Date(),
    });
    this.tell(id);
    this.next();
    return this.run(id);
  }

  private async named(job: Job, naming: RunNaming): Promise<RunRow["files"]> {
    const { files } = await this.painters.planRun(job, naming);
    return this.promise(
      files.map(({ name }) => name),
      job.target.file.format,
      naming,
    );
  }

  /** Names for files that are not made yet; those that other runs were promised are left to them. */
  private promise(asked: string[], format: RunRow["format"], naming: RunNaming): RunRow["files"] {
    const promised = this.ledger.inState(...OPEN).flatMap(({ files }) => files.map(({ name }) => name));
    const names = this.runFiles.names(asked, ENDING[format], naming, new Set(promised));
    return names.map((name) => ({ name, bytes: 0 }));
  }

  private async breakOff(id: string, then: "cancelled" | "paused"): Promise<void> {
    const { state } = this.ledger.row(id);
    const here = this.underWay.get(id);
    if (here) {
      here.then = then;
      here.stop.abort();
      return;
    }
    if (state !== "waiting" && state !== "asking" && !(state === "paused" && then === "cancelled")) return;
    const why = state === "asking" && then === "cancelled" ? MAY_BE_OUT : null;
    this.ledger.set(id, { state: then, why, doneAt: then === "cancelled" ? new Date() : null });
    if (then === "cancelled") await this.forget(id);
    this.tell(id);
  }

  /** Begins with the waiting runs that there is a place for, the oldest first. */
  private next(): void {
    if (this.closed) return;
    for (const row of this.ledger.inState("waiting")) {
      if (this.inTheWay(row) !== null) continue;
      this.ledger.set(row.id, { state: "painting" });
      const here: Making = {
        stop: new AbortController(),
        progress: null,
        then: null,
        waits: null,
        says: null,
        tell: () => this.tellSoon(row.id),
      };
      this.underWay.set(row.id, here);
      this.tell(row.id);
      void this.make({ ...row, state: "painting" }, here);
    }
  }

  /** Why a run has to wait, in a sentence; null where there is a place for it. */
  private inTheWay({ printer }: RunRow): string | null {
    const open = [...this.underWay.keys()].map((id) => this.ledger.row(id));
    if (printer) {
      const other = open.find((one) => one.printer?.address === printer.address);
      return other ? `${printer.name} is printing “${other.jobName}” first.` : null;
    }
    const writing = open.filter((one) => one.printer === null);
    return writing.length < OPEN_RUNS ? null : `${writing.length} other runs are being written first.`;
  }

  private async make(row: RunRow, here: Making): Promise<void> {
    const { id } = row;
    const made = row.printer ? this.making.print(row, here) : this.making.write(row, here);
    const end = await made.catch((error: unknown): Partial<RunRow> => {
      if (error instanceof Cancelled || here.stop.signal.aborted) return { state: here.then ?? "cancelled" };
      const isSaid = error instanceof PrinterFault || error instanceof GivenUp;
      if (isSaid) return { state: "failed", why: error.message };
      return { state: "failed", why: error instanceof Problem ? error.detail : notPainted(error) };
    });
    this.underWay.delete(id);
    // What a closing server broke off goes on with its next start.
    if (this.closed) return;
    try {
      const isOver = end.state === "done" || end.state === "cancelled";
      this.ledger.set(id, {
        ...end,
        why: end.why ?? here.says,
        doneAt: end.state === "asking" ? null : new Date(),
      });
      if (isOver) await this.forget(id);
    } catch {
      // A disk that is full now is not full for ever; what is not in the database is looked at again at the next start.
    }
    this.tell(id);
    this.next();
  }

  private async forget(id: string): Promise<void> {
    await this.runFiles.clear(id);
    this.ledger.forgetPainted(id);
  }

  private readonly soon = new Map<string, NodeJS.Timeout>();

  private tellSoon(id: string): void {
    if (this.soon.has(id)) return;
    this.soon.set(id, setTimeout(() => this.tell(id), TELLING).unref());
  }

  private tell(id: string): void {
    clearTimeout(this.soon.get(id));
    this.soon.delete(id);
    if (this.closed) return;
    const run = this.run(id);
    this.live.toRuns("run", run);
    this.news.emit("run", run);
  }

  private inDoubt(id: string): number | null {
    const sheet = this.ledger.sheets(id).find(({ sent }) => sent === "unsure");
    return sheet ? sheet.number + 1 : null;
  }

  private shown(row: RunRow): Run {
    const {
      id,
      jobId,
      jobName,
      format,
      profile,
      madeBy,
      sheets,
      state,
      why,
      files,
      again,
      createdAt,
      doneAt,
    } = row;
    const here = this.underWay.get(id);
    return {
      id,
      jobId,
      jobName,
      format,
      profile,
      madeBy,
      print: row.printer !== null,
      waits: here?.waits ?? (state === "waiting" ? this.inTheWay(row) : null),
      inDoubt: state === "asking" ? this.inDoubt(id) : null,
      sheets,
      price: row.price,
      currency: row.currency,
      state,
      progress: here?.progress ?? null,
      why,
      files: state === "done" ? files : [],
      createdAt: createdAt.toISOString(),
      doneAt: doneAt?.toISOString() ?? null,
      again,
    };
  }
}

const MAY_BE_OUT = "Cancelled. The sheet that was asked about may have come out.";
