import { existsSync } from "node:fs";
import { mkdir, rename, stat, writeFile } from "node:fs/promises";
import { dirname } from "node:path";
import { Inject, Injectable } from "@nestjs/common";
import type { PhotoRecord } from "@wide-quilt/core";
import { eq, inArray, sql } from "drizzle-orm";
import {
  BadPhoto,
  flush,
  inspectPhoto,
  makePreviews,
  PHOTO_LIMITS,
  PREVIEW_SIZES,
  writeForNow,
  writeWhole,
  type PreviewSize,
} from "@wide-quilt/painters";
import { DB, type Db } from "../data/database.ts";
import { DataFolder } from "../data/folder.ts";
import { photos } from "../data/schema.ts";
import type { Arrival } from "./arrival.ts";
import { inThread } from "./inThread.ts";
import { Queue } from "./queue.ts";

const DEVELOP = new URL("./develop.worker.js", import.meta.url);

/** Photos asked for at once; SQLite takes at most 32 766 figures in one question. */
const AT_ONCE = 5000;

/** The photos that are kept: each file once, by the hash of its bytes. */
@Injectable()
export class PhotosService {
  private readonly queue = new Queue();

  constructor(
    @Inject(DB) private readonly db: Db,
    private readonly folder: DataFolder,
  ) {}

  /**
   * Looks at a file that came in, makes its previews and keeps it. A file that is already kept is not kept twice.
   * Throws BadPhoto.
   */
  async takeIn({ path, hash: id, tooLarge }: Arrival): Promise<string> {
    if (tooLarge) {
      throw new BadPhoto(
        `The file is larger than ${PHOTO_LIMITS.bytes / 1024 ** 2} MB, the most that is read. Save it smaller.`,
      );
    }
    if (this.isKept(id)) return id;
    // The disk takes its time; meanwhile the picture is decoded.
    const [record] = await Promise.all([this.look(path, id), flush(path)]);
    await this.keepOriginal(path, id);
    this.remember(id, record);
    return id;
  }

  /** The path of a preview; it is made again when it is not there, or was emptied by a power cut. */
  async preview(id: string, size: PreviewSize): Promise<string | null> {
    const path = this.folder.preview(id, size);
    const found = await stat(path).catch(() => null);
    if (found !== null && found.size > 0) return path;
    if (!this.isKept(id)) return null;
    await this.makePreviews(this.folder.readable(id), id);
    return path;
  }

  private async look(path: string, id: string): Promise<PhotoRecord> {
    const record = await inspectPhoto(path);
    if (record.format === "heic") return this.develop(path, id, record);
    await this.makePreviews(path, id);
    return record;
  }

  /** Keeps a picture that painters read beside a file that they do not. */
  private async develop(path: string, id: string, record: PhotoRecord): Promise<PhotoRecord> {
    const jpeg = await this.queue.run(() => inThread(DEVELOP, path));
    const developed = this.folder.developed(id);
    await writeWhole(developed, (to) => writeFile(to, jpeg));
    await this.makePreviews(developed, id);
    const { width, height } = await inspectPhoto(developed);
    return { ...record, width, height, orientation: 1 };
  }

  private async makePreviews(path: string, id: string): Promise<void> {
    // Only decoding waits for its turn: the processors never wait for the disk.
    const previews = await this.queue.run(() => makePreviews(path));
    await Promise.all(
      PREVIEW_SIZES.map((size) => writeForNow(this.folder.preview(id, size), previews[size])),
    );
  }

  /** The records of those photos that are here. */
  records(ids: readonly string[]): Record<string, PhotoRecord> {
    const found: Record<string, PhotoRecord> = {};
    for (let from = 0; from < ids.length; from += AT_ONCE) {
      const some = ids.slice(from, from + AT_ONCE);
      for (const row of this.db.select().from(photos).where(inArray(photos.id, some)).all()) {
        found[row.id] = row.record;
      }
    }
    return found;
  }

  record(id: string): PhotoRecord | undefined {
    return this.db.select().from(photos).where(eq(photos.id, id)).get()?.record;
  }

  private isKept(id: string): boolean {
    return this.record(id) !== undefined && existsSync(this.folder.original(id));
  }

  /**
   * Writes a photo's record without waiting for the disk: the log of the database is one file, written in order, so
   * the next change of a job, which does wait, brings this to the disk before anything can refer to it.
   */
  private remember(id: string, record: PhotoRecord): void {
    this.db.run(sql`PRAGMA synchronous = NORMAL`);
    try {
      this.db.insert(photos).values({ id, record, addedAt: new Date() }).onConflictDoNothing().run();
    } finally {
      this.db.run(sql`PRAGMA synchronous = FULL`);
    }
  }

  private async keepOriginal(path: string, id: string): Promise<void> {
    const original = this.folder.original(id);
    await mkdir(dirname(original), { recursive: true });
    await rename(path, original);
    await flush(dirname(original));
  }
}
