import type { INestApplication } from "@nestjs/common";
import type { Calendar, DaySource, NewPhoto } from "@wide-quilt/core";
import {
  DEMO_PATTERNS,
  DEMO_PHOTOS,
  DEMO_SOURCES,
  demoCalendar,
  demoJobs,
  demoPrinters,
  TIDES_ICS,
  type DemoCard,
} from "@wide-quilt/demo";
import { writeWhole } from "@wide-quilt/painters";
import { existsSync } from "node:fs";
import { writeFile } from "node:fs/promises";
import { availableParallelism } from "node:os";
import { join } from "node:path";
import { Worker } from "node:worker_threads";
import { CalendarService } from "../calendar/calendar.service.ts";
import { DataFolder } from "../data/folder.ts";
import { GraphicsService } from "../graphics/graphics.service.ts";
import { JobsService } from "../jobs/jobs.service.ts";
import { PatternsService } from "../patterns/patterns.service.ts";
import { PhotosService } from "../photos/photos.service.ts";
import { PrintersService } from "../printers/printers.service.ts";
import { ProfilesService } from "../profiles/profiles.service.ts";
import { DemoComing } from "./demoComing.ts";

const filledMark = (app: INestApplication): string => join(app.get(DataFolder).home, "demo-is-in");

/** Says that the demo is on its way in, where it is not in yet. */
export function awaitDemo(app: INestApplication): void {
  if (!existsSync(filledMark(app))) app.get(DemoComing).state = { done: 0, of: DEMO_PHOTOS.length };
}

/** Fills a data folder with the demo that is awaited, once; what a person then does to it stays. */
export async function fillWithDemo(app: INestApplication, say: (line: string) => void): Promise<void> {
  const coming = app.get(DemoComing);
  try {
    if (coming.state) await fill(app, coming.state, say);
  } finally {
    coming.state = null;
  }
}

async function fill(
  app: INestApplication,
  coming: { done: number },
  say: (line: string) => void,
): Promise<void> {
  const photos = app.get(PhotosService);
  say(`Rendering the demo's ${DEMO_PHOTOS.length} photos, this once …`);
  const refs = await renderAll(async (jpeg, index) => {
    const id = await photos.takeInMade(jpeg);
    say(`  ${++coming.done} of ${DEMO_PHOTOS.length}  ${DEMO_PHOTOS[index]!.name}`);
    return { id, name: DEMO_PHOTOS[index]!.name };
  });
  const card = await keepCard(app);
  const calendar = await keepCalendar(app);
  const kept = new Map(
    demoJobs(refs, card, calendar).map((job) => [job.name, app.get(JobsService).import(job).id]),
  );
  const patterns = app.get(PatternsService);
  for (const { job, name, folder, madeFor = [] } of DEMO_PATTERNS) {
    const { id } = patterns.keepJob(kept.get(job)!, name, folder);
    for (const target of madeFor) patterns.addTarget(id, target);
  }
  await addPrinters(app);
  await writeWhole(filledMark(app), (temporary) => writeFile(temporary, ""));
  say("The demo is in.");
}

/** Keeps the open day’s card and finds its windows. */
async function keepCard(app: INestApplication): Promise<DemoCard> {
  const graphics = app.get(GraphicsService);
  const png = await madeInThread<Uint8Array>("card");
  const { id, name } = await graphics.keep(Buffer.from(png), "open-day-card.png");
  const { width, height, windows } = await graphics.windows(id, {});
  return { art: { file: id, name, width, height }, windows };
}

/** Keeps the spit’s diary, and works the days of its year out. */
async function keepCalendar(app: INestApplication): Promise<Calendar> {
  const calendar = app.get(CalendarService);
  const { file } = await calendar.keep(Buffer.from(TIDES_ICS), "The spit’s diary.ics");
  const sources: DaySource[] = [];
  for (const { name, from, shows, days = [] } of DEMO_SOURCES) {
    const where = from === "diary" ? { kind: "file" as const, file, zone: "Europe/London" } : from;
    if (where.kind === "typed") sources.push({ name, from: where, ...shows, days });
    else {
      const worked = { from: "2026-12-01", to: "2028-01-31" };
      const found = await calendar.days(worked.from, worked.to, where);
      sources.push({ name, from: where, ...shows, worked, days: found.days });
    }
  }
  return demoCalendar(sources);
}

/** Adds the demo's printers with their profiles. */
async function addPrinters(app: INestApplication): Promise<void> {
  const made = await madeInThread<{ name: string; profile: Uint8Array }[]>("profiles");
  const ids = new Map<string, string>();
  for (const { name, profile } of made)
    ids.set(name, (await app.get(ProfilesService).add(Buffer.from(profile))).id);
  for (const printer of demoPrinters((name) => ids.get(name)!))
    app.get(PrintersService).keep(printer.id, printer);
}

/** What takes some time to make, made in a thread. */
async function madeInThread<T>(what: "profiles" | "card"): Promise<T> {
  const worker = new Worker(new URL("./demo.worker.js", import.meta.url));
  try {
    return await new Promise<T>((resolve, reject) => {
      worker.once("message", resolve).once("error", reject);
      worker.postMessage(what);
    });
  } finally {
    await worker.terminate();
  }
}

/** Renders every photo of the demo, one thread a processor, and hands each on as it is done. */
async function renderAll(take: (jpeg: Buffer, index: number) => Promise<NewPhoto>): Promise<NewPhoto[]> {
  const refs: NewPhoto[] = [];
  let next = 0;
  const lane = async () => {
    const worker = new Worker(new URL("./demo.worker.js", import.meta.url));
    try {
      for (let index = next++; index < DEMO_PHOTOS.length; index = next++) {
        const jpeg = await new Promise<Uint8Array>((resolve, reject) => {
          worker.once("message", resolve).once("error", reject);
          worker.postMessage(index);
        });
        worker.removeAllListeners("error");
        refs[index] = await take(Buffer.from(jpeg), index);
      }
    } finally {
      await worker.terminate();
    }
  };
  await Promise.all(Array.from({ length: availableParallelism() }, lane));
  return refs;
}
