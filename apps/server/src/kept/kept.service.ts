import { existsSync } from "node:fs";
import { readdir, rm, stat } from "node:fs/promises";
import { join } from "node:path";
import { setImmediate as breathe } from "node:timers/promises";
import { Inject, Injectable } from "@nestjs/common";
import { inArray, sql } from "drizzle-orm";
import { PREVIEW_SIZES } from "@wide-quilt/painters";
import type { KeptPart, KeptView } from "../contract.ts";
import { DB } from "../data/database.ts";
import type { Db } from "../data/db.ts";
import { DataFolder } from "../data/folder.ts";
import {
  eventEntries,
  eventPatterns,
  graphics,
  jobs,
  patterns,
  photos,
  revisions,
  runJobs,
} from "../data/schema.ts";
import type { Cleared } from "./kept.dto.ts";

/** What came so lately is not unused: the edit that uses it may be on its way. */
const LATELY = 60 * 60 * 1000;
/** Rows that are taken out at a time. */
const AT_ONCE = 500;

interface Sum {
  count: number;
  bytes: number;
}

/** What is kept in the data folder, and what of it nothing uses any more. */
@Injectable()
export class KeptService {
  constructor(
    @Inject(DB) private readonly db: Db,
    @Inject(DataFolder) private readonly folder: DataFolder,
  ) {}

  async view(): Promise<KeptView> {
    const { photos: unusedPhotos, graphics: unusedGraphics } = await this.unused();
    const inPhotos = await total([
      join(this.folder.photos, "originals"),
      join(this.folder.photos, "developed"),
    ]);
    const ofUnused = await sizes(
      unusedPhotos.flatMap((id) => [this.folder.original(id), this.folder.developed(id)]),
    );
    const inGraphics = await total([this.folder.graphics]);
    const ofUnusedGraphics = await sizes(unusedGraphics.map((id) => this.folder.graphic(id)));
    const count = this.db
      .select({ all: sql<number>`count(*)` })
      .from(photos)
      .get()!.all;
    const part = (what: KeptPart["what"], { count, bytes }: Sum, clears = false): KeptPart => ({
      what,
      count,
      bytes,
      clears: clears && count > 0,
    });
    return {
      folder: this.folder.root,
      parts: [
        part("photos", { count: count - unusedPhotos.length, bytes: inPhotos.bytes - ofUnused.bytes }),
        part("unused photos", { count: unusedPhotos.length, bytes: ofUnused.bytes }, true),
        part("graphics", {
          count: inGraphics.count - ofUnusedGraphics.count,
          bytes: inGraphics.bytes - ofUnusedGraphics.bytes,
        }),
        part("unused graphics", { ...ofUnusedGraphics, count: unusedGraphics.length }, true),
        part("previews", await total([join(this.folder.photos, "previews")])),
        part("written files", await total([this.folder.out])),
        part("database", await sizes(["", "-wal", "-shm"].map((end) => `${this.folder.database}${end}`))),
        part("copies", await sizes(await this.copies()), true),
      ],
    };
  }

  async clear(what: Cleared): Promise<void> {
    if (what === "copies") {
      for (const path of await this.copies()) await rm(path, { force: true });
      return;
    }
    const unused = await this.unused();
    const ids = what === "unused photos" ? unused.photos : unused.graphics;
    const table = what === "unused photos" ? photos : graphics;
    for (let from = 0; from < ids.length; from += AT_ONCE) {
      const some = ids.slice(from, from + AT_ONCE);
      // The row first: a file without a row is swept, a row without its file would be a photo that is missing.
      this.db.delete(table).where(inArray(table.id, some)).run();
      for (const path of some.flatMap((id) => this.filesOf(what, id))) await rm(path, { force: true });
    }
  }

  private filesOf(what: Cleared, id: string): string[] {
    if (what === "unused graphics") return [this.folder.graphic(id)];
    const previews = PREVIEW_SIZES.map((size) => this.folder.preview(id, size));
    return [this.folder.original(id), this.folder.developed(id), ...previews];
  }

  private async copies(): Promise<string[]> {
    const names = await readdir(this.folder.home);
    return names
      .filter((name) => name.startsWith("before-upgrade-"))
      .map((name) => join(this.folder.home, name));
  }

  /** Photos and graphics that no job, step, pattern, run or event names. */
  private async unused(): Promise<{ photos: string[]; graphics: string[] }> {
    const used = new Set<string>();
    for (const { table, column } of USES) {
      const keys = this.db.all<{ key: number }>(sql`SELECT rowid AS key FROM ${table}`);
      for (const { key } of keys) {
        const row = this.db.get<{ text: string }>(
          sql`SELECT ${column} AS text FROM ${table} WHERE rowid = ${key}`,
        );
        for (const [id] of row?.text.matchAll(/[0-9a-f]{64}/g) ?? []) used.add(id);
        await breathe();
      }
    }
    const old = new Date(Date.now() - LATELY);
    const left = (rows: { id: string; addedAt: Date }[]) =>
      rows.filter(({ id, addedAt }) => !used.has(id) && addedAt < old).map(({ id }) => id);
    const { id, addedAt } = photos;
    return {
      photos: left(this.db.select({ id, addedAt }).from(photos).all()),
      graphics: left(this.db.select().from(graphics).all()),
    };
  }
}

/** Where photos and graphics are named, by the hashes that are their ids. */
const USES = [
  { table: jobs, column: jobs.job },
  { table: revisions, column: revisions.patch },
  { table: patterns, column: patterns.job },
  { table: patterns, column: patterns.targets },
  { table: runJobs, column: runJobs.job },
  { table: eventPatterns, column: eventPatterns.job },
  { table: eventEntries, column: eventEntries.entry },
];

/** How many files lie in some folders and those inside them, and how many bytes they have. */
async function total(folders: readonly string[]): Promise<Sum> {
  const sum: Sum = { count: 0, bytes: 0 };
  for (const folder of folders) {
    if (!existsSync(folder)) continue;
    const entries = await readdir(folder, { withFileTypes: true, recursive: true });
    const files = entries.filter((entry) => entry.isFile());
    const { count, bytes } = await sizes(files.map(({ parentPath, name }) => join(parentPath, name)));
    sum.count += count;
    sum.bytes += bytes;
  }
  return sum;
}

async function sizes(paths: readonly string[]): Promise<Sum> {
  const sum: Sum = { count: 0, bytes: 0 };
  for (const path of paths) {
    const found = await stat(path).catch(() => null);
    if (!found) continue;
    sum.count++;
    sum.bytes += found.size;
  }
  return sum;
}
