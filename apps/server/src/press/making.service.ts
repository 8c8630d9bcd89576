import { Inject, Injectable } from "@nestjs/common";
import { costOf, type FileSetup, type Job } from "@wide-quilt/core";
import { Cancelled, fileName, type Progress } from "@wide-quilt/painters";
import type { RunNaming } from "../contract.ts";
import type { runs } from "../data/schema.ts";
import { PrintingService } from "../printers/printing.service.ts";
import { PaintPool, type Painting } from "./paint.pool.ts";
import { RunFiles } from "./runFiles.service.ts";
import type { Painted, PaintTask } from "./task.ts";
import { TasksService } from "./tasks.service.ts";

export type RunRow = typeof runs.$inferSelect;

/** How files are named where nothing is said. */
export const USUAL_NAMING: RunNaming = { start: 1, each: false, folder: "", overwrite: false };

/** A run that is being made. */
export interface Making {
  painting: Painting | null;
  progress: Progress | null;
  /** What it becomes when it is broken off; null while it is to go on. */
  then: "cancelled" | "paused" | null;
  /** What its printer waits for. */
  waits: string | null;
}

/** Makes one run: paints it, and puts its files in their places or sends them to a printer. */
@Injectable()
export class MakingService {
  constructor(
    @Inject(TasksService) private readonly tasks: TasksService,
    @Inject(PaintPool) private readonly pool: PaintPool,
    @Inject(RunFiles) private readonly files: RunFiles,
    @Inject(PrintingService) private readonly printing: PrintingService,
  ) {}

  /** Writes a run's files and says what came of it. */
  async write(row: RunRow, here: Making): Promise<Partial<RunRow>> {
    const { id, job, naming } = row;
    const sheets = this.tasks.sheets(job);
    const staged = this.files.staged(id, job, sheets, naming ?? USUAL_NAMING);
    const painted = await this.paint(
      here,
      await this.tasks.task(job, sheets, { date: stampOf(row), files: staged, inks: takesInk(job) }),
    );
    const names = row.files.map(({ name }) => name);
    await this.files.place(id, names);
    return {
      state: "done",
      files: painted.files.map(({ bytes }, i) => ({ name: names[i]!, bytes })),
      price: costOf(job, sheets, painted.coverage),
    };
  }

  /**
   * Prints a run, a document after the other; those that the printer has reported as printed are not sent again.
   * `printed` is told of each, `leaves` says whether nobody follows any more.
   */
  async print(
    row: RunRow,
    here: Making,
    { printed, leaves }: { printed(count: number): void; leaves(): boolean },
  ): Promise<Partial<RunRow>> {
    const { id } = row;
    const { address } = row.printer!;
    const can = await this.printing.can(address);
    const { press } = row.job;
    const kind = this.printing.kindFor(can, press);
    const raster = kind === "raster" ? this.printing.rasterFor(can, press) : undefined;
    const file: FileSetup =
      kind === "raster" ? { ...press.file, format: "png", depth: 8 } : { ...press.file, format: kind };
    const job = { ...row.job, press: { ...press, file } };
    const sheets = this.tasks.sheets(job);
    const staged = this.files.staged(id, job, sheets, USUAL_NAMING);
    const as = { date: stampOf(row), files: staged, inks: takesInk(job), raster };
    const task = await this.tasks.task(job, sheets, as);
    const { coverage } = await this.paint(here, task);
    const watch = {
      cancelled: () => here.then !== null,
      leaves,
      waits: (why: string | null) => (here.waits = why),
    };
    let first = 0;
    for (const [i, { path, sheets: count }] of staged.entries()) {
      if (i >= row.printed) {
        here.progress = { what: "to the printer", done: i, of: staged.length };
        const name = `${fileName(job.name)} · ${id} · ${i + 1}`;
        const paper = sheets[first]!.stock;
        await this.printing.print({ address, name, path, kind, paper, setup: press.print }, can, watch);
        printed(i + 1);
      }
      first += count;
    }
    return { state: "done", price: costOf(job, sheets, coverage) * press.print.copies };
  }

  private async paint(here: Making, task: PaintTask): Promise<Painted> {
    if (here.then) throw new Cancelled();
    here.painting = this.pool.paint(task, (progress) => (here.progress = progress));
    try {
      return await here.painting.result;
    } finally {
      here.painting = null;
    }
  }
}

/** Whether the job’s printer asks money for ink. */
const takesInk = ({ sheet }: Job): boolean => sheet.printer.price.ink > 0;

const stampOf = ({ stamp, createdAt }: RunRow): number => (stamp ?? createdAt).getTime();
