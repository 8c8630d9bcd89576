import { createHash } from "node:crypto";
import { existsSync } from "node:fs";
import { writeFile } from "node:fs/promises";
import { Inject, Injectable, type OnModuleDestroy } from "@nestjs/common";
import {
  daysFromSchema,
  nextYear,
  oneMonth,
  readDay,
  workedFor,
  type DaySource,
  type Job,
  type Day,
  type DayEntry,
  type DaysFrom,
} from "@wide-quilt/core";
import { writeWhole } from "@wide-quilt/painters";
import type { CalendarFileView, DaysView, HolidayPlace } from "../contract.ts";
import { DataFolder } from "../data/folder.ts";
import { PhotosService } from "../photos/photos.service.ts";
import { Ended, type Terms } from "../processes/helper.ts";
import { Pool } from "../processes/pool.ts";
import { Problem } from "../safety/problem.ts";
import type { DaysAsked } from "./days.process.ts";
import { otherCalendars } from "./sources/dates.ts";
import type { IcsReading } from "./sources/ics.ts";
import { isCalendarFile } from "./sources/isCalendarFile.ts";
import { isZone } from "./sources/zone.ts";

/** How far working days out may go. */
const TERMS: Terms = { time: 20_000, memory: 1e9 };
/** Five years: the longest calendar there is. */
const MOST_SPAN = 366 * 5 + 60;

/** After so long without work the process is let go, in milliseconds: it holds the holidays of all countries. */
const IDLE = 60_000;

/** Works out what days mean, in a process of its own that may die of a file. */
@Injectable()
export class CalendarService implements OnModuleDestroy {
  private readonly pool = new Pool(new URL("./days.process.js", import.meta.url), 1);
  private idle: ReturnType<typeof setTimeout> | undefined;
  private readonly places = new Map<string, HolidayPlace[]>();

  constructor(
    @Inject(DataFolder) private readonly folder: DataFolder,
    @Inject(PhotosService) private readonly photos: PhotosService,
  ) {}

  onModuleDestroy(): void {
    clearTimeout(this.idle);
    this.pool.close();
  }

  /** Countries, states and regions with holidays of their own. */
  async holidayPlaces(language: string): Promise<HolidayPlace[]> {
    const known = this.places.get(language);
    if (known) return known;
    const found = await this.ask<HolidayPlace[]>("places", { language });
    this.places.set(language, found);
    return found;
  }

  /** The days of a source between two days, both included. Throws a Problem for what is no source. */
  async days(fromText: string, toText: string, asked: unknown): Promise<DaysView> {
    const [from, to] = [readDay(fromText), readDay(toText)];
    if (from === null || to === null || to < from || to - from > MOST_SPAN)
      throw wrong("These are no two days in a row of the years 1583 to 9999, at most five years apart.");
    const parsed = daysFromSchema.safeParse(asked);
    if (!parsed.success) {
      const [issue] = parsed.error.issues;
      throw wrong(
        `Days come from nowhere that is known here: ${issue?.path.join(".") ?? ""} ${issue?.message ?? ""}.`,
      );
    }
    const source = parsed.data;
    if (source.kind === "typed") return { days: [], said: [] };
    if ("zone" in source && !isZone(source.zone)) throw wrong(`There is no time zone “${source.zone}”.`);
    if (source.kind === "dates" && !otherCalendars().includes(source.calendar))
      throw wrong(`There is no calendar “${source.calendar}” here.`);
    if (source.kind === "file") return this.fromFile(source, from, to);
    const days = await this.ask<DayEntry[]>("days", { from, to, source } satisfies DaysAsked);
    return { days, said: [] };
  }

  /** A calendar of a job for the year after, its days worked out; and what could not be. */
  async nextYear(job: Job): Promise<{ job: Job; said: string[] }> {
    const next = nextYear(job);
    const worked = next && workedFor(next);
    if (!next || !worked) throw wrong("This job has no months that could be those of another year.");
    const said: string[] = [];
    const sources: Record<string, DaySource> = {};
    for (const [name, source] of Object.entries(next.calendar?.sources ?? {})) {
      if (source.from.kind === "typed") sources[name] = source;
      else {
        try {
          const { days, said: why } = await this.days(worked.from, worked.to, source.from);
          sources[name] = { ...source, worked, days };
          said.push(...why);
        } catch (error) {
          if (!(error instanceof Problem)) throw error;
          // The days of the year before stay where they are, and the check says that they are of another time.
          sources[name] = source;
          said.push(`“${source.name}”: ${error.detail}`);
        }
      }
    }
    return { job: { ...next, calendar: next.calendar && { ...next.calendar, sources } }, said };
  }

  /** A page of a calendar by itself, with its photos. Throws a Problem where there is none of that name. */
  oneMonth(job: Job, page: string): Job {
    const alone = oneMonth(job, page, this.photos.records(job.stash.map(({ id }) => id)));
    if (!alone) throw wrong(`This job has no page “${page}” that shows months.`);
    return alone;
  }

  /** Keeps an .ics file, so that its days can be had again for another year. */
  async keep(bytes: Buffer, name: string): Promise<CalendarFileView> {
    const file = createHash("sha256").update(bytes).digest("hex");
    if (!isCalendarFile(bytes.toString("utf8", 0, 200)))
      throw new Problem(
        422,
        "bad-calendar",
        "Not a calendar file",
        `“${name.slice(0, 80)}” is no calendar file (.ics): it does not begin with BEGIN:VCALENDAR. Nothing was changed.`,
      );
    const path = this.folder.calendar(file);
    if (!existsSync(path))
      await writeWhole(path, (temporary) => writeFile(temporary, bytes, { mode: 0o600 }));
    return { file, name: name.replace(/\.[^.]{1,5}$/, "") };
  }

  private async fromFile(
    { file, zone }: Extract<DaysFrom, { kind: "file" }>,
    from: Day,
    to: Day,
  ): Promise<DaysView> {
    const path = /^[0-9a-f]{64}$/.test(file) ? this.folder.calendar(file) : null;
    if (path === null || !existsSync(path))
      throw Problem.notFound(
        "calendar-file",
        "The calendar file is not here. Bring it in again; the days it gave are kept.",
      );
    const { name, days, said } = await this.ask<IcsReading>("ics", { path, from, to, zone });
    return { days, said, ...(name !== "" && { name }) };
  }

  private async ask<T>(what: string, of: unknown): Promise<T> {
    try {
      return await this.pool.ask<T>(what, of, TERMS);
    } catch (error) {
      if (!(error instanceof Ended)) throw error;
      throw new Problem(
        422,
        "bad-calendar",
        "Could not be read",
        `Reading it ${error.why}, and was stopped. Nothing was changed; try a file with fewer events.`,
      );
    } finally {
      clearTimeout(this.idle);
      this.idle = setTimeout(() => this.pool.rest(), IDLE).unref();
    }
  }
}

const wrong = (sentence: string) => new Problem(422, "bad-days", "No days", sentence);
