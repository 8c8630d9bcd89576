import { availableParallelism } from "node:os";
import { Inject, Injectable, type OnModuleDestroy } from "@nestjs/common";
import type { Job, PhotoRecord, SheetName } from "@wide-quilt/core";
import { Cancelled, type Progress } from "@wide-quilt/painters";
import { DataFolder } from "../data/folder.ts";
import { PhotosService } from "../photos/photos.service.ts";
import { Ended, type Helper, type Terms } from "../processes/helper.ts";
import { Pool } from "../processes/pool.ts";
import { Turns } from "../processes/turns.ts";
import { ProfilesService } from "../profiles/profiles.service.ts";
import { Problem } from "../safety/problem.ts";
import type { ArtworkTask, DigitalTask } from "./paint.ts";
import type {
  LookPlan,
  LookTask,
  OpenRun,
  PaintedPart,
  PaintPart,
  PaintSetup,
  Planned,
  PlanLook,
  PlanRun,
  PrepareTask,
  RunPlan,
  WeighTask,
} from "./task.ts";

/** How far laying a job out, and painting a sheet, may go. */
const PLAN: Terms = { time: 60_000, memory: 3e9 };
const SHEET: Terms = { time: 15 * 60_000, memory: 12e9 };
const LOOK: Terms = { time: 5 * 60_000, memory: 12e9 };

/** Runs whose files are painted at the same time, sheet by sheet in turns. */
export const OPEN_RUNS = 4;

/** How whoever waits for painting follows it. */
export interface Following {
  signal?: AbortSignal;
  progress?(progress: Progress): void;
}

/** A run that is open in a painting process. */
export interface OpenPainting {
  sheets: number;
  /** Paints a file of it, when it is its turn. Throws Ended where that ended the process. */
  part(part: Omit<PaintPart, "run">, following: Following): Promise<PaintedPart>;
}

/**
 * Processes that lay out and paint. What somebody waits for, a sheet to look at, has one of its own; runs have others, of
 * lower priority, and share the processors sheet by sheet.
 */
@Injectable()
export class PaintersService implements OnModuleDestroy {
  private readonly planners = new Pool(new URL("./plan.process.js", import.meta.url), 1);
  private readonly looks = new Pool(new URL("./paint.process.js", import.meta.url), 2);
  private readonly runs = new Pool(new URL("./paint.process.js", import.meta.url), OPEN_RUNS, {
    background: true,
  });
  private readonly turns = new Turns(availableParallelism());

  constructor(
    @Inject(PhotosService) private readonly photos: PhotosService,
    @Inject(DataFolder) private readonly folder: DataFolder,
    @Inject(ProfilesService) private readonly profiles: ProfilesService,
  ) {}

  /** What is known of a job’s photos. */
  records(job: Job): Record<string, PhotoRecord> {
    return this.photos.records(job.stash.map(({ id }) => id));
  }

  /** How the files of a run are divided and called. Throws a Problem for what cannot be written. */
  planRun(job: Job, naming: PlanRun["naming"]): Promise<RunPlan> {
    return this.plan("run", { job, records: this.records(job), naming } satisfies PlanRun);
  }

  planLook(job: Job, { sheet, wide }: Pick<PlanLook, "sheet" | "wide">): Promise<LookPlan> {
    return this.plan("look", { job, records: this.records(job), sheet, wide } satisfies PlanLook);
  }

  /** What a job’s card shows (`JobCardView`), as JSON. */
  card(job: Job): Promise<string> {
    return this.plan("card", { job, records: this.records(job) } satisfies Planned);
  }

  async look(
    job: Job,
    task: Pick<LookTask, "plan" | "path" | "picture">,
    following: Following,
  ): Promise<PaintedPart> {
    const whole: LookTask = { ...task, ...(await this.setup(job, 0)) };
    return this.looks.ask("look", whole, { ...LOOK, ...following });
  }

  async weigh(job: Job, task: Pick<WeighTask, "plan" | "qualities">): Promise<number[]> {
    const whole: WeighTask = { ...task, ...(await this.setup(job, 0)) };
    return this.looks.ask("weigh", whole, LOOK);
  }

  digital(job: Job, task: Pick<DigitalTask, "quality" | "most">): Promise<Uint8Array> {
    const whole: DigitalTask = { ...task, job, records: this.records(job), root: this.folder.root };
    return this.looks.ask("digital", whole, LOOK);
  }

  /** The first page of a job as a JPEG. */
  page(job: Job): Promise<Uint8Array> {
    const task = { job, records: this.records(job), root: this.folder.root };
    return this.looks.ask("page", task, LOOK);
  }

  /** What lies in front of the photos of a page, as a PNG with transparency. */
  artwork(job: Job, page: SheetName): Promise<Uint8Array> {
    const task: ArtworkTask = { job, records: this.records(job), root: this.folder.root, page };
    return this.looks.ask("artwork", task, LOOK);
  }

  /** Has what an event’s set shows so far decoded, where a process is free that would paint it. */
  async prepare(job: Job, { records, arriving }: Pick<PrepareTask, "records" | "arriving">): Promise<void> {
    const task: PrepareTask = { arriving, records, ...(await this.setup(job, 0)) };
    await this.runs.ask("prepare", task, PLAN);
  }

  /** Opens a run for as long as `work` paints it. Throws what painting throws. */
  async paint<T>(
    run: { id: string; job: Job; date: number },
    work: (painting: OpenPainting) => Promise<T>,
    signal: AbortSignal,
  ): Promise<T> {
    const { id, job, date } = run;
    const setup: OpenRun = { run: id, records: this.records(job), ...(await this.setup(job, date)) };
    const terms: Terms = { ...SHEET, signal, turn: () => this.turns.next(id) };
    const whenGone = () => this.turns.leave(id);
    signal.addEventListener("abort", whenGone);
    try {
      return await this.runs.lent(async (free) => {
        let opened: Helper | null = null;
        let sheets = 0;
        const open = async (): Promise<Helper> => {
          const helper = free();
          if (helper === opened) return helper;
          await this.turns.next(id);
          ({ sheets } = await helper.ask<{ sheets: number }>("open", setup, { ...PLAN, signal }));
          return (opened = helper);
        };
        await open();
        return work({
          sheets,
          part: async (part, { progress }) => {
            const helper = await open();
            await this.turns.next(id);
            if (signal.aborted) throw new Cancelled();
            return helper.ask<PaintedPart>("part", { run: id, ...part }, { ...terms, progress });
          },
        });
      }, signal);
    } finally {
      signal.removeEventListener("abort", whenGone);
      this.turns.leave(id);
    }
  }

  onModuleDestroy(): void {
    for (const pool of [this.planners, this.looks, this.runs]) pool.close();
  }

  private async plan<T>(what: string, asked: unknown): Promise<T> {
    try {
      return await this.planners.ask<T>(what, asked, PLAN);
    } catch (error) {
      if (!(error instanceof Ended)) throw error;
      throw new Problem(
        422,
        "too-involved",
        "Too involved",
        `Laying this job out ${error.why}, so it was given up. Ask for fewer or larger pieces; the job is as it was.`,
      );
    }
  }

  private async setup(job: Job, date: number): Promise<PaintSetup> {
    const { colour } = job.target;
    const profile = colour ? await this.profiles.bytes(colour.profile) : null;
    return { job, root: this.folder.root, profile, date };
  }
}
