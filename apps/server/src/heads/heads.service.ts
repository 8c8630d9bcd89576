import { EventEmitter } from "node:events";
import { setTimeout as pause } from "node:timers/promises";
import { Inject, Injectable, type OnApplicationBootstrap, type OnModuleDestroy } from "@nestjs/common";
import {
  sameHandles,
  seenByHand,
  type Face,
  type Job,
  type PortraitStudy,
  type Seen,
} from "@wide-quilt/core";
import { HEADS_PREVIEW, PORTRAIT_PREVIEW, type PreviewSize } from "@wide-quilt/painters";
import { eq, isNull } from "drizzle-orm";
import type { HeadSearch } from "../contract.ts";
import { DB } from "../data/database.ts";
import type { Db } from "../data/db.ts";
import { heads, photos } from "../data/schema.ts";
import { LiveService } from "../live/live.service.ts";
import { PhotosService, seenOf } from "../photos/photos.service.ts";
import type { Terms } from "../processes/helper.ts";
import { Pool } from "../processes/pool.ts";
import { Problem } from "../safety/problem.ts";

/** The least height of a head for a photo to be a portrait of it, a share of the photo. */
const PORTRAIT = 0.18;
/** How far looking at one photo may go. The first one waits for the models as well. */
const TERMS: Terms = { time: 30_000, memory: 1.5e9 };
/** The last that gets a turn. */
const LOWEST = 19;
/** After so long without work the process is let go, in milliseconds: it holds the models. */
const IDLE = 30_000;
/** The same where photos come one by one, a while apart. */
const STAYS = 10 * 60_000;
/** Who asks for a photo ahead of others waits no longer than so, in milliseconds. */
const AHEAD = 2_000;
/** How often it is looked whether photos are still coming in, in milliseconds. */
const WAIT = 150;
/** Windows are told of what was found together, so often, in milliseconds. */
const NEWS = 200;

/**
 * Looks for heads in every photo that is here, one after the other, the newest first; never in the way of anything else. A
 * photo that ends the process twice is left without heads, for a person to set them.
 */
@Injectable()
export class HeadsService implements OnApplicationBootstrap, OnModuleDestroy {
  /** Says “heads” whenever some photo is known otherwise. */
  readonly changed = new EventEmitter<{ heads: [] }>();
  private waiting: string[] = [];
  /** Portraits whose pixels are to be measured, once no photo waits to be looked at. */
  private toStudy: string[] = [];
  /** Of those that came since the search last was through. */
  private done = 0;
  private paused = false;
  private why: string | null = null;
  private isClosed = false;
  private readonly pool = new Pool(new URL("./heads.process.js", import.meta.url), 1, {
    background: true,
    priority: LOWEST,
  });
  /** For photos that somebody waits for: beside that one, and not lower than what prints them. */
  private readonly prompt = new Pool(new URL("./heads.process.js", import.meta.url), 1);
  private readonly idle = new Map<Pool, ReturnType<typeof setTimeout>>();
  private news: Record<string, Seen> = {};
  private telling: ReturnType<typeof setTimeout> | undefined;
  private working: Promise<void> | null = null;

  constructor(
    @Inject(DB) private readonly db: Db,
    @Inject(PhotosService) private readonly photos: PhotosService,
    @Inject(LiveService) private readonly live: LiveService,
  ) {}

  onApplicationBootstrap(): void {
    this.photos.came.on("photo", (id) => this.queue(id, this.seen(id)));
    // Photos that came while nobody looked: of an older version, or before a power cut.
    this.waiting = this.db
      .select({ id: photos.id })
      .from(photos)
      .leftJoin(heads, eq(heads.photo, photos.id))
      .where(isNull(heads.photo))
      .orderBy(photos.addedAt)
      .all()
      .map(({ id }) => id);
    this.toStudy = this.db
      .select({ id: photos.id, heads: heads.heads })
      .from(heads)
      .innerJoin(photos, eq(photos.id, heads.photo))
      .where(isNull(heads.study))
      .all()
      .flatMap((row) => (isPortrait(row.heads) ? row.id : []));
    this.go();
  }

  onModuleDestroy(): void {
    this.isClosed = true;
    for (const timer of this.idle.values()) clearTimeout(timer);
    clearTimeout(this.telling);
    this.pool.close();
    this.prompt.close();
  }

  state(): HeadSearch {
    return {
      done: this.done,
      of: this.done + this.waiting.length,
      studies: this.toStudy.length,
      paused: this.paused,
      why: this.why,
    };
  }

  pause(paused: boolean): HeadSearch {
    this.paused = paused;
    // Whoever wants it to go on wants it tried again.
    if (!paused) this.why = null;
    this.go();
    this.tell();
    return this.state();
  }

  /** What is known of a photo; null as long as nobody has looked. */
  seen(photo: string): Seen | null {
    const row = this.db.select().from(heads).where(eq(heads.photo, photo)).get();
    return row ? seenOf(row) : null;
  }

  /** Heads as a person set them. Throws a Problem where the photo is not here. */
  set(photo: string, set: Face[]): Seen {
    this.known(photo);
    return this.keep(photo, seenByHand(this.seen(photo), set));
  }

  /** Has the models loaded before the first photo comes to which it matters. */
  getReady(): void {
    // Whatever is wrong with them is told when they are wanted.
    void this.prompt.ask("ready", {}, TERMS).catch(() => undefined);
    this.restLater(this.prompt);
  }

  /**
   * Has a photo looked at before all that wait, while others come in as well: who takes photos to print them at once cannot
   * wait until it is quiet.
   */
  async ahead(photo: string): Promise<void> {
    if (this.seen(photo) || this.why !== null) return;
    const finding = this.find(photo, this.prompt);
    const found = await Promise.race([finding, pause(AHEAD, null, { ref: false })]);
    if (found && !this.seen(photo) && this.photos.record(photo))
      this.keep(photo, { heads: found, by: "found" });
  }

  /** Looks anew, whatever was known, before all others that wait. */
  async findAnew(photo: string): Promise<Seen> {
    this.known(photo);
    const found = await this.find(photo);
    if (!found) {
      throw new Problem(
        409,
        "not-looked-at",
        "Not looked at",
        "Heads cannot be looked for in this photo. Set them by hand.",
      );
    }
    return this.keep(photo, { heads: found, by: "found" });
  }

  /** The mask of the person in a photo, kept as a photo; before all that wait to be looked at. Throws a Problem. */
  async mask(photo: string): Promise<string> {
    this.known(photo);
    const mask = await this.looked<Uint8Array>("mask", photo, PORTRAIT_PREVIEW);
    if (!mask) {
      throw new Problem(
        409,
        "not-cut-out",
        "Not cut out",
        "The person cannot be told from the background of this photo by itself. Open its background and draw over it.",
      );
    }
    const id = await this.photos.takeInMade(mask);
    // Nobody need look for heads in a mask.
    if (!this.seen(id)) this.save(id, { heads: [], by: "found" });
    return id;
  }

  /** The mask of the person in a photo that somebody waits for, as a grey PNG; null where none could be made. */
  promptMask(photo: string): Promise<Uint8Array | null> {
    return this.looked<Uint8Array>("mask", photo, PORTRAIT_PREVIEW, {}, this.prompt);
  }

  /**
   * The job without the heads that it brought along, which are its photos’ from now on, set by hand: those that the photos
   * have by hand already stay.
   */
  takenFrom(job: Job): Job {
    const brought = Object.entries(job.heads);
    if (brought.length === 0) return job;
    this.db.transaction(() => {
      for (const [photo, heads] of brought) {
        const before = this.seen(photo);
        if (before?.by !== "hand") this.keep(photo, seenByHand(before, heads));
      }
    });
    return { ...job, heads: {} };
  }

  private known(photo: string): void {
    if (!this.photos.record(photo))
      throw Problem.notFound("photo", "This photo is not here. Drop its file in again.");
  }

  private keep(photo: string, seen: Seen): Seen {
    this.save(photo, seen);
    this.changed.emit("heads");
    return seen;
  }

  private save(photo: string, seen: Seen): void {
    const values = { ...seen, study: seen.study ?? null };
    this.db
      .insert(heads)
      .values({ photo, ...values })
      .onConflictDoUpdate({ target: heads.photo, set: values })
      .run();
    this.queue(photo, seen);
    this.news[photo] = seen;
    this.tell();
  }

  /** Has done what is still to be done for a photo: looked at, or measured where it is a portrait. */
  private queue(photo: string, seen: Seen | null): void {
    if (!seen) this.waiting.push(photo);
    else if (!seen.study && isPortrait(seen.heads)) this.toStudy.push(photo);
    else return;
    this.go();
  }

  private go(): void {
    if (this.paused || this.isClosed || this.waiting.length + this.toStudy.length === 0) return;
    this.working ??= this.work().finally(() => {
      this.working = null;
      this.go();
    });
  }

  private async work(): Promise<void> {
    while (!this.paused && !this.isClosed) {
      if (this.photos.isBusy) {
        await pause(WAIT);
        continue;
      }
      const photo = this.waiting.at(-1);
      if (photo === undefined) {
        const portrait = this.toStudy[0];
        if (portrait === undefined) break;
        await this.study(portrait);
        this.toStudy.shift();
        continue;
      }
      if (!this.seen(photo)) {
        const found = await this.find(photo);
        if (this.isClosed || this.why !== null) break;
        // One that was cleared meanwhile is looked at when it comes again.
        if (!this.seen(photo) && this.photos.record(photo))
          this.keep(photo, { heads: found ?? [], by: "found" });
      }
      // Others may have come meanwhile.
      this.waiting.splice(this.waiting.indexOf(photo), 1);
      this.done++;
    }
    if (this.waiting.length === 0) this.done = 0;
    this.tell();
  }

  /** Measures the pixels of a portrait, by the head that it is known for now. */
  private async study(photo: string): Promise<void> {
    const face = this.seen(photo)?.heads[0];
    if (!face) return;
    const study = await this.looked<PortraitStudy>("study", photo, PORTRAIT_PREVIEW, { face });
    const now = this.seen(photo);
    // A hand may have moved the head meanwhile, and the photo waits anew.
    const head = now?.heads[0];
    if (!this.isClosed && study && now && head && sameHandles(head, face))
      this.save(photo, { ...now, study });
  }

  /** The heads in a photo, largest first; null where looking for them came to nothing. */
  private find(photo: string, pool = this.pool): Promise<Face[] | null> {
    return this.looked<Face[]>("find", photo, HEADS_PREVIEW, {}, pool);
  }

  /** What the process makes of a preview of a photo; null where it is not here, or where the process died of it. */
  private async looked<T>(
    what: string,
    photo: string,
    size: PreviewSize,
    more: object = {},
    pool = this.pool,
  ): Promise<T | null> {
    try {
      const path = await this.photos.preview(photo, size);
      return path === null ? null : await pool.ask<T>(what, { path, ...more }, TERMS);
    } catch (error) {
      if (error instanceof Error && error.name === "NoModels") this.stop(error.message);
      return null;
    } finally {
      this.restLater(pool);
    }
  }

  private restLater(pool: Pool): void {
    clearTimeout(this.idle.get(pool));
    const time = pool === this.prompt ? STAYS : IDLE;
    this.idle.set(pool, setTimeout(() => pool.rest(), time).unref());
  }

  /** Stops where heads cannot be looked for at all, which is said; nothing is taken to have none. */
  private stop(reason: string): void {
    this.pool.rest();
    this.prompt.rest();
    this.why = `Heads cannot be looked for on this machine: ${reason}.`;
    this.paused = true;
    this.tell();
  }

  /** Tells all windows what was found and how far it is, not more often than they can take in. */
  private tell(): void {
    this.telling ??= setTimeout(() => {
      this.telling = undefined;
      const seen = this.news;
      this.news = {};
      this.live.toAll("heads", { seen, search: this.state() });
    }, NEWS).unref();
  }
}

/** Whether a photo is a portrait of its largest head. */
const isPortrait = ([face]: readonly Face[]): boolean =>
  face !== undefined && Math.abs(face.chin.y - face.crown.y) >= PORTRAIT;
