import { existsSync } from "node:fs";
import { createHmac, timingSafeEqual } from "node:crypto";
import { Inject, Injectable } from "@nestjs/common";
import { fileName } from "@wide-quilt/painters";
import { setOf, type EventSet } from "@wide-quilt/core";
import type { TakenSet } from "../contract.ts";
import { DataFolder } from "../data/folder.ts";
import { PhotosService } from "../photos/photos.service.ts";
import { Reading } from "../photos/reading.ts";
import { PaintersService } from "../press/painters.service.ts";
import type { Zipped } from "../web/zip.ts";
import { Problem } from "../safety/problem.ts";
import { EventJobs } from "./eventJobs.service.ts";
import { EventsService } from "./events.service.ts";
import type { Stage } from "./stage.ts";

/** Pictures that are kept for whoever asks again. */
const MOST_KEPT = 60;
/** Characters of a link that nobody guesses: 128 bits. */
const SIGNED = 22;

/** What guests take along of a set besides paper: its page and its photos, by a link of its own that ends with the event. */
@Injectable()
export class SouvenirsService {
  private readonly made = new Map<string, Promise<Uint8Array>>();

  constructor(
    @Inject(DataFolder) private readonly folder: DataFolder,
    @Inject(EventJobs) private readonly jobs: EventJobs,
    @Inject(EventsService) private readonly events: EventsService,
    @Inject(PaintersService) private readonly painters: PaintersService,
    @Inject(PhotosService) private readonly photos: PhotosService,
    @Inject(Reading) private readonly reading: Reading,
  ) {}

  /** The end of a set’s link: `event.set.signature`. Throws a Problem where there is no such set. */
  linkOf(event: string, number: number): string {
    const stage = this.events.stage(event);
    if (!setOf(stage.state, number)) throw gone();
    return `${event}.${number}.${signature(stage, number)}`;
  }

  view(link: string): TakenSet {
    const { stage, set } = this.setOf(link);
    return {
      name: stage.row.name,
      set: set.number,
      shots: placesOf(set),
      moves: placesOf(set).length > 1,
    };
  }

  /** A shot’s file, as it is read, its format and what it was called. */
  shot(link: string, place: number): { path: string; type: string; name: string } {
    const { set } = this.setOf(link);
    const shot = set.shots[place - 1];
    const record = shot && this.photos.record(shot.photo);
    if (!record) throw gone();
    // What painters do not read was developed as a JPEG.
    const type = record.format === "heic" || record.format === "raw" ? "jpeg" : record.format;
    return { path: this.folder.readable(shot.photo), type: `image/${type}`, name: shot.name };
  }

  /** The page of the set as it was printed, as a JPEG. */
  page(link: string): Promise<Uint8Array> {
    const { stage, set } = this.setOf(link);
    return this.once(`page ${link} ${JSON.stringify([set.crops, set.shots])}`, () => this.pageOf(stage, set));
  }

  pageOf(stage: Stage, set: EventSet): Promise<Uint8Array> {
    return this.painters.page(this.jobs.jobOf(stage, set, set.begun));
  }

  /** Its shots one after the other, as a GIF. */
  moving(link: string): Promise<Uint8Array> {
    const { set } = this.setOf(link);
    const photos = set.shots.flatMap((shot) => shot?.photo ?? []);
    if (photos.length < 2) throw gone();
    return this.once(`moving ${photos.join()}`, () =>
      this.reading.moving(photos.map((photo) => this.folder.readable(photo))),
    );
  }

  /** Every photo that came, by sets, with the page of each set; pages are painted while the ZIP is written. */
  *everything(event: string): Generator<Zipped> {
    const stage = this.events.stage(event);
    const digits = String(stage.state.sets.length).length;
    for (const set of stage.state.sets) {
      const name = `Set ${String(set.number).padStart(digits, "0")}`;
      for (const [i, shot] of set.shots.entries()) {
        const path = shot && this.folder.original(shot.of ?? shot.photo);
        if (path && existsSync(path)) yield { name: `${name}/${i + 1} ${fileName(shot.name)}`, path };
      }
      if (set.full !== null) yield { name: `${name}/page.jpg`, make: () => this.pageOf(stage, set) };
    }
    for (const [i, { photo, of, name }] of stage.state.aside.entries()) {
      const path = this.folder.original(of ?? photo);
      if (existsSync(path)) yield { name: `Aside/${i + 1} ${fileName(name)}`, path };
    }
  }

  private setOf(link: string): { stage: Stage; set: EventSet } {
    const [event = "", number = "", signed = ""] = link.split(".");
    const stage = this.events.stage(event);
    const set = setOf(stage.state, Number(number));
    const own = Buffer.from(signature(stage, Number(number)));
    const given = Buffer.from(signed);
    if (!set || given.length !== own.length || !timingSafeEqual(given, own)) throw gone();
    if (stage.state.ended)
      throw new Problem(
        410,
        "event-ended",
        "The event has ended",
        `${stage.row.name} has ended, and with it this link.`,
      );
    return { stage, set };
  }

  /** Makes a picture once for all who ask for it; those that were asked for longest ago are let go. */
  private once(key: string, make: () => Promise<Uint8Array>): Promise<Uint8Array> {
    const made = this.made.get(key) ?? make();
    this.made.delete(key);
    this.made.set(key, made);
    made.catch(() => this.made.delete(key));
    for (const old of this.made.keys()) {
      if (this.made.size <= MOST_KEPT) break;
      this.made.delete(old);
    }
    return made;
  }
}

const placesOf = ({ shots }: EventSet): number[] => shots.flatMap((shot, i) => (shot ? [i + 1] : []));

const signature = ({ row }: Stage, set: number): string =>
  createHmac("sha256", row.secret).update(`set ${set}`).digest("base64url").slice(0, SIGNED);

const gone = () => Problem.notFound("set", "This link leads nowhere. Ask at the booth.");
