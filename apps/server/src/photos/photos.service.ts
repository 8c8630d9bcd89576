import { existsSync } from "node:fs";
import { mkdir, rename, writeFile } from "node:fs/promises";
import { dirname } from "node:path";
import { Inject, Injectable } from "@nestjs/common";
import type { PhotoRecord } from "@wide-quilt/core";
import { eq, inArray } from "drizzle-orm";
import {
  BadPhoto,
  flush,
  inspectPhoto,
  makePreviews,
  PHOTO_LIMITS,
  PREVIEW_SIZES,
  writeWhole,
} from "@wide-quilt/painters";
import { DB, type Db } from "../data/database.ts";
import { DataFolder } from "../data/folder.ts";
import { photos } from "../data/schema.ts";
import type { Arrival } from "./arrival.ts";
import { Queue } from "./queue.ts";

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
  takeIn({ path, sha256, tooLarge }: Arrival): Promise<string> {
    return this.queue.run(async () => {
      if (tooLarge) {
        throw new BadPhoto(
          `The file is larger than ${PHOTO_LIMITS.bytes / 1024 ** 2} MB, the most that is read. Save it smaller.`,
        );
      }
      if (this.isKept(sha256)) return sha256;
      const record = await inspectPhoto(path);
      const previews = await makePreviews(path);
      await Promise.all(
        PREVIEW_SIZES.map((size) =>
          writeWhole(this.folder.preview(sha256, size), (temporary) => writeFile(temporary, previews[size])),
        ),
      );
      await this.keepOriginal(path, sha256);
      this.db.insert(photos).values({ id: sha256, record, addedAt: new Date() }).onConflictDoNothing().run();
      return sha256;
    });
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

  private async keepOriginal(path: string, id: string): Promise<void> {
    const original = this.folder.original(id);
    await mkdir(dirname(original), { recursive: true });
    await flush(path);
    await rename(path, original);
    await flush(dirname(original));
  }
}
