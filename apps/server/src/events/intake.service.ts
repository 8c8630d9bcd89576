import { statfs } from "node:fs/promises";
import { isAbsolute } from "node:path";
import type { Readable } from "node:stream";
import { Inject, Injectable, type OnApplicationBootstrap, type OnModuleDestroy } from "@nestjs/common";
import { cameBefore } from "@wide-quilt/core";
import { eq } from "drizzle-orm";
import type { EventAbout, TakenIn } from "../contract.ts";
import { DB } from "../data/database.ts";
import type { Db } from "../data/db.ts";
import { DataFolder } from "../data/folder.ts";
import { eventFiles } from "../data/schema.ts";
import { HeadsService } from "../heads/heads.service.ts";
import { LiveService } from "../live/live.service.ts";
import { BackdropsService } from "../photos/backdrops.service.ts";
import { PhotosService, type Coming } from "../photos/photos.service.ts";
import { Problem } from "../safety/problem.ts";
import { notWatched, photosIn, plainFolder, WatchedFolder } from "../watch/watchedFolder.ts";
import { EventJobs } from "./eventJobs.service.ts";
import { EventsService } from "./events.service.ts";

/** With less than this left of the disk nothing more is taken in, so that what was can be printed; in bytes. */
const LEAST_FREE = 500 * 1024 ** 2;
const HOUR = 3_600_000;
/** Refused files that are remembered. */
const MOST_REFUSED = 20;

/** Who fills the sets of the booth itself: its camera, its folder and its guests’ page. */
export const BOOTH = "booth";

interface Intake {
  /** The folder as the set-up has it. */
  path: string | null;
  folder: WatchedFolder | null;
  fault: string | null;
  refused: EventAbout["refused"];
  /** RAW files that came, of which the camera’s own pictures were taken. */
  raws: number;
  /** What came in the last hour. */
  lately: { at: number; bytes: number }[];
}

/** How photos come to events: from a folder that a camera writes to, from pages, from telephones. */
@Injectable()
export class IntakeService implements OnApplicationBootstrap, OnModuleDestroy {
  private readonly intakes = new Map<string, Intake>();

  constructor(
    @Inject(BackdropsService) private readonly backdrops: BackdropsService,
    @Inject(DB) private readonly db: Db,
    @Inject(DataFolder) private readonly data: DataFolder,
    @Inject(EventJobs) private readonly jobs: EventJobs,
    @Inject(EventsService) private readonly events: EventsService,
    @Inject(HeadsService) private readonly heads: HeadsService,
    @Inject(LiveService) private readonly live: LiveService,
    @Inject(PhotosService) private readonly photos: PhotosService,
  ) {}

  /** Folders of events that run are watched again; what came meanwhile is taken in now. */
  async onApplicationBootstrap(): Promise<void> {
    for (const { row } of this.events.running()) {
      await this.watch(row.id).catch((error: unknown) => {
        this.of(row.id).fault = error instanceof Problem ? error.detail : String(error);
      });
    }
  }

  async onModuleDestroy(): Promise<void> {
    await Promise.all([...this.intakes.values()].map(({ folder }) => folder?.close()));
  }

  /** Watches the folder that the event’s set-up has, and none else. Throws a Problem that says why it cannot. */
  async watch(id: string): Promise<void> {
    const intake = this.of(id);
    const { setup, ended } = this.events.stage(id).state;
    const path = ended || setup.folder === null ? null : plainFolder(setup.folder);
    if (path === intake.path && (path === null || intake.folder)) return;
    await intake.folder?.close();
    Object.assign(intake, { path, folder: null, fault: null });
    if (path === null) return;
    intake.folder = await this.opened(id, path);
    this.tellAbout(id);
  }

  /** Takes in what lay in the folder before as well. */
  async takeOld(id: string): Promise<void> {
    const intake = this.of(id);
    if (intake.path === null) return;
    await intake.folder?.close();
    this.db.delete(eventFiles).where(eq(eventFiles.eventId, id)).run();
    intake.folder = await this.opened(id, intake.path, true);
    this.tellAbout(id);
  }

  /** Takes a photo in for a party of an event: kept and entered, or refused with a sentence. */
  async take(id: string, party: string, stream: Readable, name: string): Promise<TakenIn> {
    const { state } = this.events.stage(id);
    const refuse = (why: string): TakenIn => {
      stream.resume();
      return this.refused(id, name, why);
    };
    if (state.ended) return refuse("The event has ended; no more photos are taken in.");
    if ((await this.free()) < LEAST_FREE)
      return refuse("The disk is nearly full. Make room on it; what was taken in still prints.");
    const ahead = (coming: Coming) =>
      this.jobs.prepare(this.events.stage(id), { do: "shot", photo: coming.id, name, party }, coming);
    const taken = await this.photos.receive(stream, name, state.setup.behind ? undefined : ahead);
    if ("refused" in taken) return this.refused(id, name, taken.refused.why);
    const { photo } = taken;
    if (cameBefore(this.events.stage(id).state, photo.id))
      return this.refused(id, name, "This very photo came before. It is in its set.");
    // Where heads are is known before it is placed: no crop cuts one, and every print of the set is alike.
    const behind = await this.withPictureBehind(photo.id, state.setup.behind);
    await this.heads.ahead(behind ?? photo.id);
    this.events.tell(id, {
      ...{ do: "shot", name, party },
      ...(behind ? { photo: behind, of: photo.id } : { photo: photo.id }),
    });
    const now = Date.now();
    const intake = this.of(id);
    if (photo.format === "raw") {
      intake.raws++;
      this.tellAbout(id);
    }
    intake.lately = [...intake.lately.filter(({ at }) => at > now - HOUR), { at: now, bytes: photo.bytes }];
    return taken;
  }

  async about(id: string): Promise<EventAbout> {
    const { folder, path, fault, refused, raws, lately } = this.of(id);
    const free = await this.free();
    const [first] = lately;
    const bytes = lately.reduce((sum, one) => sum + one.bytes, 0);
    // Original, previews and what is painted of it: about twice what came.
    const hours = first ? Math.max(Date.now() - first.at, 60_000) / HOUR : 0;
    const watched = folder?.view(0);
    return {
      folder: path === null ? null : { before: watched?.before ?? 0, fault: fault ?? watched?.fault ?? null },
      waits: this.events.waits(id),
      disk: {
        free,
        hours: bytes === 0 ? null : Math.floor(Math.max(0, free - LEAST_FREE) / ((2 * bytes) / hours)),
      },
      refused,
      raws,
    };
  }

  /** The photo with the event’s picture behind people; null where there is none, or nobody to be told from what is there. */
  private async withPictureBehind(photo: string, picture: string | null): Promise<string | null> {
    if (!picture) return null;
    const mask = await this.heads.promptMask(photo);
    return mask && this.backdrops.withPicture(photo, mask, picture).catch(() => null);
  }

  private async opened(id: string, path: string, all = false): Promise<WatchedFolder> {
    const refuse = (why: string) =>
      new Problem(422, "not-watched", "Not watched", `${path} ${why}`, { field: "folder" });
    if (!isAbsolute(path))
      throw refuse("is no whole path. Write it from the top, such as /home/me/Pictures.");
    if (this.data.holds(path))
      throw refuse("is Wide Quilt’s own. Choose the folder that the camera writes to.");
    try {
      const known = all ? new Map<string, string>() : await this.knownIn(id, path);
      const folder: WatchedFolder = await WatchedFolder.open(
        path,
        async (stream, name) => this.take(id, BOOTH, stream as Readable, name),
        () => {
          // What came is entered already; nobody takes it from here.
          folder?.taken(Infinity);
          this.tellAbout(id);
        },
        known,
        (file, state) => this.know(id, [[file, state]]),
      );
      return folder;
    } catch (error) {
      throw error instanceof Problem ? error : refuse(notWatched(error));
    }
  }

  /** The files of a folder that were dealt with; at first those that lie there. */
  private async knownIn(id: string, path: string): Promise<Map<string, string>> {
    const rows = this.db.select().from(eventFiles).where(eq(eventFiles.eventId, id)).all();
    const own = rows.filter(({ file }) => file.startsWith(path));
    if (own.length > 0) return new Map(own.map(({ file, state }) => [file, state]));
    const there = await photosIn(path);
    // A mark of the folder itself, so that an empty one is known to have been looked at.
    this.know(id, [[path, ""], ...there]);
    return there;
  }

  private know(eventId: string, files: readonly (readonly [file: string, state: string])[]): void {
    this.db.transaction((tx) => {
      for (const [file, state] of files) {
        tx.insert(eventFiles)
          .values({ eventId, file, state })
          .onConflictDoUpdate({ target: [eventFiles.eventId, eventFiles.file], set: { state } })
          .run();
      }
    });
  }

  private refused(id: string, name: string, why: string): TakenIn {
    const intake = this.of(id);
    intake.refused = [...intake.refused, { name, why }].slice(-MOST_REFUSED);
    this.tellAbout(id);
    return { refused: { name, why } };
  }

  private tellAbout(id: string): void {
    void this.about(id).then((about) => this.live.toEvent(id, "about", about));
  }

  private async free(): Promise<number> {
    const { bavail, bsize } = await statfs(this.data.root);
    return bavail * bsize;
  }

  private of(id: string): Intake {
    let intake = this.intakes.get(id);
    if (!intake) {
      intake = { path: null, folder: null, fault: null, refused: [], raws: 0, lately: [] };
      this.intakes.set(id, intake);
    }
    return intake;
  }
}
