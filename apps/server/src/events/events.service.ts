import { randomBytes, randomUUID } from "node:crypto";
import { Inject, Injectable, type OnApplicationBootstrap, type OnModuleDestroy } from "@nestjs/common";
import {
  eventSetupSchema,
  FOLDER_LANE,
  printOf,
  setOf,
  shotsOfPattern,
  type EventEffect,
  type EventEntry,
  type EventPrint,
  type EventSetup,
  type Job,
} from "@wide-quilt/core";
import { desc, eq, gt, isNull, or } from "drizzle-orm";
import type { EventCard, EventNews, EventView, Run } from "../contract.ts";
import { DB } from "../data/database.ts";
import type { Db } from "../data/db.ts";
import { events } from "../data/schema.ts";
import { LiveService } from "../live/live.service.ts";
import { PatternsService } from "../patterns/patterns.service.ts";
import { PhotosService } from "../photos/photos.service.ts";
import { RunsService } from "../press/runs.service.ts";
import { Problem } from "../safety/problem.ts";
import { wallClock } from "./clock.ts";
import { EventJobs } from "./eventJobs.service.ts";
import { newSecret, Stage } from "./stage.ts";

/** Records that a window gets with an event: of the photos of so many newest sets. */
const NEWEST = 60;
/** Events that ended longer ago have nothing left to print, in milliseconds. */
const LATELY = 30 * 24 * 3_600_000;
/** How often it is looked whether an event’s time is up, in milliseconds. */
const TIME = 2000;

/**
 * Events that run by themselves. What happens is entered first; what follows from it is done after, and done once whenever the
 * server stops: a print is a run with a name of its own.
 *
 *     shots, taps, printers ─▶ entry in the database ─▶ the machine of the core ─▶ runs
 */
@Injectable()
export class EventsService implements OnApplicationBootstrap, OnModuleDestroy {
  private readonly stages = new Map<string, Stage>();
  private readonly clock = setInterval(() => this.lookAtTime(), TIME).unref();

  constructor(
    @Inject(DB) private readonly db: Db,
    @Inject(EventJobs) private readonly jobs: EventJobs,
    @Inject(LiveService) private readonly live: LiveService,
    @Inject(PatternsService) private readonly patterns: PatternsService,
    @Inject(PhotosService) private readonly photos: PhotosService,
    @Inject(RunsService) private readonly runs: RunsService,
  ) {}

  /** Goes on where a stop of the server broke off: what was to be printed has its run, what came of runs is entered. */
  async onApplicationBootstrap(): Promise<void> {
    this.runs.news.on("run", (run) => this.followed(run));
    const lately = or(isNull(events.endedAt), gt(events.endedAt, new Date(Date.now() - LATELY)));
    for (const { id } of this.db.select({ id: events.id }).from(events).where(lately).all()) {
      const stage = this.stage(id);
      for (const print of stage.state.prints) if (isOut(print)) await this.print(stage, print);
    }
  }

  onModuleDestroy(): void {
    clearInterval(this.clock);
  }

  list(): EventCard[] {
    return this.db
      .select()
      .from(events)
      .orderBy(desc(events.createdAt))
      .all()
      .map(({ id, name, createdAt, endedAt }) => ({
        ...{ id, name },
        createdAt: createdAt.toISOString(),
        endedAt: endedAt?.toISOString() ?? null,
        sets: this.stage(id).state.sets.length,
      }));
  }

  /** Those that have not ended. */
  running(): Stage[] {
    return this.list()
      .filter(({ endedAt }) => endedAt === null)
      .map(({ id }) => this.stage(id));
  }

  start(name: string, ids: readonly string[]): Omit<EventView, "about"> {
    const chosen = this.chosen(ids);
    const setup: EventSetup = {
      name: name.trim(),
      patterns: chosen.map(({ id, name: called, shots }) => ({ id, name: called, shots })),
      ...{ copies: 1, most: 4, review: true },
      printers: [FOLDER_LANE],
      ...{ behind: null, roll: null, until: null, folder: null, camera: true, telephones: false },
    };
    const row = {
      id: randomUUID(),
      name: setup.name,
      guests: randomBytes(16).toString("base64url"),
      secret: newSecret(),
      ...{ pin: null, createdAt: new Date(), endedAt: null },
    };
    this.stages.set(row.id, Stage.begin(this.db, row, layoutsOf(chosen), { do: "setup", setup }));
    return this.view(row.id);
  }

  /** Changes what an event takes and does. Patterns that are new to it are taken from the book as they are now. */
  setUp(id: string, asked: unknown, pin: string | undefined): void {
    const stage = this.stage(id);
    const read = eventSetupSchema.safeParse(asked);
    if (!read.success) {
      const [issue] = read.error.issues;
      const field = issue!.path.join(".");
      throw new Problem(422, "bad-setup", "Not understood", `${field || "The set-up"} ${issue!.message}.`, {
        field,
      });
    }
    const known = stage.patterns;
    const added = this.chosen(read.data.patterns.map((one) => one.id).filter((one) => !known[one]));
    const patterns = { ...known, ...layoutsOf(added) };
    const setup: EventSetup = {
      ...read.data,
      // How many shots a set has is its pattern’s to say.
      patterns: read.data.patterns.map((one) => ({ ...one, shots: shotsOfPattern(patterns[one.id]!) })),
    };
    stage.addPatterns(layoutsOf(added));
    const change = {
      name: setup.name,
      ...(pin !== undefined && { pin: pin === "" ? null : pin }),
    };
    this.db.update(events).set(change).where(eq(events.id, id)).run();
    Object.assign(stage.row, change);
    this.tell(id, { do: "setup", setup });
  }

  /** An event as it is, but for what is not in its entries. */
  view(id: string): Omit<EventView, "about"> {
    const stage = this.stage(id);
    const { row, state, entries } = stage;
    const shown = state.sets
      .slice(-NEWEST)
      .flatMap(({ shots }) => shots.flatMap((shot) => shot?.photo ?? []));
    return {
      id,
      name: row.name,
      createdAt: row.createdAt.toISOString(),
      ...{ entries, state },
      patterns: stage.patterns,
      records: this.photos.records(shown),
      guests: row.guests,
      hasPin: row.pin !== null,
    };
  }

  /** Enters what happened, and does what follows from it. Says whether it changed anything. */
  tell(id: string, entry: EventEntry): boolean {
    const stage = this.stage(id);
    const at = Date.now();
    const effects = stage.enter(entry, at);
    if (!effects) return false;
    if (entry.do === "end") this.setEnded(stage, new Date(at));
    const news: EventNews = { number: stage.entries, at, entry };
    if (entry.do === "shot") news.record = this.photos.record(entry.photo);
    this.live.toEvent(id, "entry", news);
    for (const effect of effects) void this.act(stage, effect);
    return true;
  }

  /** What the printers of an event wait for. */
  waits(id: string): Record<string, string> {
    const { row, state } = this.stage(id);
    const waits = state.prints.filter(isOut).flatMap(({ number, attempt, printer }): [string, string][] => {
      const run = runOf(row.id, { print: number, attempt });
      const why = this.runs.has(run) ? this.runs.run(run).waits : null;
      return why === null ? [] : [[printer!, why]];
    });
    return Object.fromEntries(waits);
  }

  /** Whether this is what leaves the guests’ page. */
  leaves(id: string, pin: string): boolean {
    const { row } = this.stage(id);
    return row.pin === null || row.pin === pin;
  }

  stage(id: string): Stage {
    const known = this.stages.get(id) ?? Stage.replay(this.db, id);
    if (!known) throw Problem.notFound("event", "This event is not here any more.");
    this.stages.set(id, known);
    return known;
  }

  /** The event of a guests’ address. */
  ofGuests(token: string): Stage {
    const row = this.db.select({ id: events.id }).from(events).where(eq(events.guests, token)).get();
    if (!row) throw Problem.notFound("event", "This address leads nowhere any more. Ask at the booth.");
    return this.stage(row.id);
  }

  private chosen(ids: readonly string[]) {
    return ids.map((id) => {
      const { name, job } = this.patterns.pattern(id);
      const shots = shotsOfPattern(job);
      if (shots > 0) return { id, name, job, shots };
      throw new Problem(
        422,
        "no-shots",
        "Nothing to fill",
        `“${name}” has no place for a photo. Choose another pattern.`,
        { field: "patterns" },
      );
    });
  }

  private async act(stage: Stage, effect: EventEffect): Promise<void> {
    switch (effect.do) {
      case "print":
        return this.print(stage, printOf(stage.state, effect.print)!);
      case "answer": {
        const run = runOf(stage.row.id, effect);
        try {
          this.runs.answer(run, effect.cameOut);
        } catch (error) {
          this.fail(stage, effect.print, error);
        }
      }
    }
  }

  /** Has a print made: by the run that is there, or a new one. */
  private async print(stage: Stage, print: EventPrint): Promise<void> {
    try {
      const job = this.jobs.jobOf(stage, setOf(stage.state, print.set)!, print.asked);
      const name = runOf(stage.row.id, { print: print.number, attempt: print.attempt });
      this.followed(await this.jobs.make(stage, name, job, print.printer!, print.asked));
    } catch (error) {
      this.fail(stage, print.number, error);
    }
  }

  private fail(stage: Stage, print: number, error: unknown): void {
    const why = error instanceof Problem ? error.detail : "It could not be made. Try it again.";
    this.tell(stage.row.id, { do: "failed", print, why });
  }

  /** Enters what became of a run, where it is a print of an event. */
  private followed(run: Run): void {
    const found = /^(.{36})-print-(\d+)-(\d+)$/.exec(run.id);
    if (!found) return;
    const [, id, number, attempt] = found;
    const stage = this.stage(id!);
    const print = printOf(stage.state, Number(number));
    if (print?.attempt !== Number(attempt)) return;
    switch (run.state) {
      case "done":
        this.tell(id!, { do: "printed", print: print.number });
        break;
      case "asking":
        this.tell(id!, { do: "doubt", print: print.number });
        break;
      case "failed":
      case "cancelled":
        this.tell(id!, { do: "failed", print: print.number, why: run.why ?? "It was cancelled." });
        break;
      default:
        this.live.toEvent(id!, "waits", { printer: print.printer, why: run.waits });
    }
  }

  private setEnded(stage: Stage, endedAt: Date): void {
    stage.row.endedAt = endedAt;
    this.db.update(events).set({ endedAt }).where(eq(events.id, stage.row.id)).run();
  }

  private lookAtTime(): void {
    const now = wallClock(Date.now());
    for (const { row, state } of this.stages.values()) {
      const { until } = state.setup;
      if (!state.ended && until !== null && now >= `${until}:00`) this.tell(row.id, { do: "end" });
    }
  }
}

/** The run of one try of a print: by this name it is made once. */
const runOf = (event: string, { print, attempt }: { print: number; attempt: number }): string =>
  `${event}-print-${print}-${attempt}`;

const layoutsOf = (chosen: readonly { id: string; job: Job }[]): Record<string, Job> =>
  Object.fromEntries(chosen.map(({ id, job }) => [id, job]));

const isOut = ({ state }: EventPrint): boolean => state === "printing" || state === "doubt";
