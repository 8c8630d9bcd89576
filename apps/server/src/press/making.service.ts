import { Inject, Injectable } from "@nestjs/common";
import { inkOfSheet, type FileSetup, type Job } from "@wide-quilt/core";
import type { Progress } from "@wide-quilt/painters";
import type { RunNaming } from "../contract.ts";
import { PrintingService } from "../printers/printing.service.ts";
import { Ended } from "../processes/helper.ts";
import { Ledger, type RunRow, type SheetRow } from "./ledger.ts";
import { PaintersService, type OpenPainting } from "./painters.service.ts";
import { RunFiles } from "./runFiles.service.ts";
import type { RunPlan } from "./task.ts";

/** How files are named where nothing is said. */
export const USUAL_NAMING: RunNaming = { start: 1, each: false, folder: "", overwrite: false };

/** Painting that ended its process so often is given up. */
const MOST_DEATHS = 2;

/** A run that is being made. */
export interface Making {
  stop: AbortController;
  progress: Progress | null;
  /** What it becomes when it is broken off; null while it is to go on, or when the server leaves it. */
  then: "cancelled" | "paused" | null;
  /** What it waits for. */
  waits: string | null;
  /** What is to be said of its end. */
  says: string | null;
  /** Tells those who follow it. */
  tell(): void;
}

/** Makes one run: paints it, and puts its files in their places or sends them to a printer. */
@Injectable()
export class MakingService {
  constructor(
    @Inject(Ledger) private readonly ledger: Ledger,
    @Inject(PaintersService) private readonly painters: PaintersService,
    @Inject(RunFiles) private readonly files: RunFiles,
    @Inject(PrintingService) private readonly printing: PrintingService,
  ) {}

  /** Writes a run's files and says what came of it. */
  async write(row: RunRow, here: Making): Promise<Partial<RunRow>> {
    const { id } = row;
    const job = this.ledger.job(row);
    const names = row.files.map(({ name }) => name);
    const plan = await this.painters.planRun(job, row.naming ?? USUAL_NAMING);
    const painted = await this.paint(row, job, plan, here, names);
    await this.files.place(id, names);
    return {
      state: "done",
      files: painted.map(({ bytes }, i) => ({ name: names[i]!, bytes })),
      price: priceOf(job, plan, painted),
    };
  }

  /** Prints a run, a document after the other. Those that came out, or may have come out, are not sent again unasked. */
  async print(row: RunRow, here: Making): Promise<Partial<RunRow>> {
    const { id } = row;
    const own = this.ledger.job(row);
    const watch = {
      signal: here.stop.signal,
      isTakenBack: () => here.then !== null,
      waits: (why: string | null) => {
        here.waits = why;
        here.tell();
      },
      says: (why: string) => (here.says = why),
    };
    const can = await this.printing.can(row.printer!.address, watch);
    const { target } = own;
    const kind = this.printing.kindFor(can, target);
    const raster = kind === "raster" ? this.printing.rasterFor(can, target) : undefined;
    const file: FileSetup =
      kind === "raster" ? { ...target.file, format: "png", depth: 8 } : { ...target.file, format: kind };
    const job = { ...own, target: { ...target, file } };
    const plan = await this.painters.planRun(job, USUAL_NAMING);
    const painted = await this.paint(row, job, plan, here, [], raster);
    let first = 0;
    for (const sheet of painted) {
      const [paper, apart] = [plan.papers[first]!, plan.apart[first]!];
      first += plan.files[sheet.number]!.sheets;
      if (sheet.sent === "printed") continue;
      here.progress = { what: "to the printer", done: sheet.number, of: painted.length };
      here.tell();
      const outcome = await this.printing.print(
        {
          run: id,
          number: sheet.number,
          address: row.printer!.address,
          title: job.name,
          path: this.files.staged(id, sheet.number),
          kind,
          paper,
          setup: target.print,
          apart,
          sent: sheet.sent,
          printerJob: sheet.printerJob,
          trusts: this.ledger.row(id).trusts,
        },
        can,
        watch,
      );
      if (outcome === "in doubt") return { state: "asking" };
    }
    return { state: "done", price: priceOf(job, plan, painted) * target.print.copies };
  }

  /**
   * Paints the files of a run that are not painted yet, each when it is its turn. One that ends the painting process is
   * tried once more; then the run is given up, and says at which sheet.
   */
  private async paint(
    row: RunRow,
    job: Job,
    { files }: RunPlan,
    here: Making,
    names: readonly string[],
    raster?: Parameters<OpenPainting["part"]>[0]["raster"],
  ): Promise<SheetRow[]> {
    const { id } = row;
    const known = new Map(this.ledger.sheets(id).map((sheet) => [sheet.number, sheet]));
    const wanted: { number: number; first: number; count: number }[] = [];
    let first = 0;
    for (const [number, { sheets: count }] of files.entries()) {
      const sheet = known.get(number);
      const isDone =
        sheet !== undefined &&
        (sheet.sent === "printed" || (await this.files.isPainted(id, number, sheet.bytes, names[number])));
      if (!isDone) wanted.push({ number, first, count });
      first += count;
    }
    if (wanted.length > 0) {
      await this.files.begin(id);
      const date = (row.stamp ?? row.createdAt).getTime();
      await this.painters.paint(
        { id, job, date },
        async (painting) => {
          for (const { number, ...those } of wanted) {
            const part = {
              ...those,
              path: this.files.staged(id, number),
              inks: takesInk(job),
              forNow: names.length === 0,
              raster,
            };
            const progress = (of: Progress) => {
              here.progress = files.length === 1 ? of : { what: "sheets", done: those.first, of: first };
              here.tell();
            };
            progress({ what: "sheets", done: those.first, of: first });
            const painted = await this.survive(row, those.first, () => painting.part(part, { progress }));
            this.ledger.painted(id, number, painted);
          }
        },
        here.stop.signal,
      );
    }
    return this.ledger.sheets(id);
  }

  private async survive<T>(row: RunRow, sheet: number, paint: () => Promise<T>): Promise<T> {
    for (let deaths = row.deaths; ;) {
      if (deaths < MOST_DEATHS) {
        try {
          return await paint();
        } catch (error) {
          if (!(error instanceof Ended)) throw error;
          this.ledger.set(row.id, { deaths: ++deaths });
          if (deaths < MOST_DEATHS && error.isWorthARetry) continue;
          throw new GivenUp(`Sheet ${sheet + 1} could not be painted: painting it ${error.why}. ${HELP}`);
        }
      }
      throw new GivenUp(`Sheet ${sheet + 1} could not be painted: painting it ended its process. ${HELP}`);
    }
  }
}

/** Painting a run came to nothing; the message says at which sheet, and what to do. */
export class GivenUp extends Error {
  override name = "GivenUp";
}

const HELP =
  "What was painted before it is kept. Try again, or look at what is special about this sheet: a graphic, a font, a very large photo.";

/** What a run costs, about: its paper, and the ink as far as it was looked at. */
const priceOf = ({ target }: Job, { price, papers }: RunPlan, painted: readonly SheetRow[]): number =>
  painted
    .flatMap(({ coverage }) => coverage)
    .reduce((sum, covered, i) => sum + inkOfSheet(target.printer.price, papers[i]!, covered), price);

/** Whether the job’s printer asks money for ink. */
const takesInk = ({ target }: Job): boolean => target.printer.price.ink > 0;
