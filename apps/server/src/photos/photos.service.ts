import { randomUUID } from "node:crypto";
import { EventEmitter } from "node:events";
import { existsSync } from "node:fs";
import { rename, rm, stat, writeFile } from "node:fs/promises";
import { dirname, join } from "node:path";
import type { Readable } from "node:stream";
import { Inject, Injectable } from "@nestjs/common";
import type { PhotoRecord, Seen } from "@wide-quilt/core";
import { eq, inArray } from "drizzle-orm";
import {
  BadPhoto,
  flush,
  makeFolder,
  PHOTO_LIMITS,
  photoHash,
  PREVIEW_SIZES,
  type PreviewSize,
} from "@wide-quilt/painters";
import { DB } from "../data/database.ts";
import type { Db } from "../data/db.ts";
import { DataFolder } from "../data/folder.ts";
import { heads, photos } from "../data/schema.ts";
import type { TakenIn } from "../contract.ts";
import { arrive, type Arrival } from "./arrival.ts";
import { Reading } from "./reading.ts";
import { Together } from "./together.ts";

/** Photos come one after the other: only after so long without one no more are coming, in milliseconds. */
const QUIET = 600;

/** Photos asked for at once; SQLite takes at most 32 766 figures in one question. */
const AT_ONCE = 5000;

/** A photo that is on its way in. */
export interface Coming {
  id: string;
  path: string;
  record: PhotoRecord;
}

/** The photos that are kept: each file once, by the hash of its bytes. */
@Injectable()
export class PhotosService {
  /** Says “photo” with the id of one that was just taken in. */
  readonly came = new EventEmitter<{ photo: [id: string] }>();
  private readonly rows: Together<typeof photos.$inferInsert>;
  private comingIn = 0;
  private lastCame = -Infinity;

  constructor(
    @Inject(DB) private readonly db: Db,
    @Inject(DataFolder) private readonly folder: DataFolder,
    @Inject(Reading) private readonly reading: Reading,
  ) {
    this.rows = new Together((rows) => db.insert(photos).values(rows).onConflictDoNothing().run());
  }

  /**
   * Takes in a photo that comes as a stream of bytes: kept, or refused with a sentence. Throws what the stream throws.
   * `ahead` is told what is coming while it is still being looked at, and may turn out to be no photo.
   */
  async receive(stream: Readable, name: string, ahead?: (coming: Coming) => void): Promise<TakenIn> {
    const arrival = await arrive(stream, this.folder.arriving);
    try {
      if (ahead && !arrival.tooLarge) this.tellAhead(arrival, ahead);
      const id = await this.takeIn(arrival);
      return { photo: { id, name, ...this.record(id)! } };
    } catch (error) {
      if (error instanceof BadPhoto) return { refused: { name, why: error.message } };
      throw error;
    } finally {
      await rm(arrival.path, { force: true });
    }
  }

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
    this.comingIn++;
    try {
      return await this.keepNew(path, id);
    } finally {
      this.comingIn--;
      this.lastCame = performance.now();
    }
  }

  /** Takes in a photo that was made here. Throws BadPhoto. */
  async takeInMade(bytes: Uint8Array): Promise<string> {
    const path = join(this.folder.arriving, randomUUID());
    try {
      await writeFile(path, bytes);
      return await this.takeIn({ path, hash: photoHash(bytes), tooLarge: false });
    } finally {
      await rm(path, { force: true });
    }
  }

  private tellAhead({ path, hash: id }: Arrival, ahead: (coming: Coming) => void): void {
    void this.reading
      .record(path)
      // Others may be developed first, and are not painted from the file that comes.
      .then((record) => record.format === "jpeg" && ahead({ id, path, record }))
      // Whatever is wrong with it is told by who takes it in.
      .catch(() => undefined);
  }

  /** Whether photos are coming in, or did just now: who works at leisure waits until they have. */
  get isBusy(): boolean {
    return this.comingIn > 0 || performance.now() - this.lastCame < QUIET;
  }

  private async keepNew(path: string, id: string): Promise<string> {
    // The disk takes its time; meanwhile the picture is decoded.
    const [record] = await Promise.all([
      this.reading.photo({ path, developed: this.folder.developed(id), previews: this.previewsOf(id) }),
      flush(path),
    ]);
    await this.keepOriginal(path, id);
    await this.rows.add({ id, record, addedAt: new Date() });
    this.came.emit("photo", id);
    return id;
  }

  /** The path of a preview; it is made again when it is not there, or was emptied by a power cut. */
  async preview(id: string, size: PreviewSize): Promise<string | null> {
    const path = this.folder.preview(id, size);
    const found = await stat(path).catch(() => null);
    if (found !== null && found.size > 0) return path;
    if (!this.isKept(id)) return null;
    await this.reading.previews({ path: this.folder.readable(id), previews: this.previewsOf(id) });
    return path;
  }

  private previewsOf(id: string): Record<PreviewSize, string> {
    const paths = PREVIEW_SIZES.map((size) => [size, this.folder.preview(id, size)] as const);
    return Object.fromEntries(paths) as Record<PreviewSize, string>;
  }

  /** The records of those photos that are here, with the heads that are known. */
  records(ids: readonly string[]): Record<string, PhotoRecord> {
    const found: Record<string, PhotoRecord> = {};
    for (let from = 0; from < ids.length; from += AT_ONCE) {
      const some = ids.slice(from, from + AT_ONCE);
      for (const row of this.withHeads().where(inArray(photos.id, some)).all()) {
        found[row.photos.id] = recordOf(row);
      }
    }
    return found;
  }

  record(id: string): PhotoRecord | undefined {
    const row = this.withHeads().where(eq(photos.id, id)).get();
    return row && recordOf(row);
  }

  private withHeads() {
    return this.db.select().from(photos).leftJoin(heads, eq(heads.photo, photos.id));
  }

  private isKept(id: string): boolean {
    return this.record(id) !== undefined && existsSync(this.folder.original(id));
  }

  private async keepOriginal(path: string, id: string): Promise<void> {
    const original = this.folder.original(id);
    await makeFolder(dirname(original));
    await rename(path, original);
    await flush(dirname(original));
  }
}

/** A record as it was read, and the heads beside it. */
const recordOf = (row: {
  photos: typeof photos.$inferSelect;
  heads: typeof heads.$inferSelect | null;
}): PhotoRecord => (row.heads ? { ...row.photos.record, seen: seenOf(row.heads) } : row.photos.record);

/** What a photo is known for, as a row has it. */
export const seenOf = ({ heads: found, by, study }: typeof heads.$inferSelect): Seen => ({
  heads: found,
  by,
  ...(study && { study }),
});
