import { existsSync } from "node:fs";
import { readFile, rename, rm, writeFile } from "node:fs/promises";
import { randomUUID } from "node:crypto";
import { dirname, join } from "node:path";
import { Inject, Injectable } from "@nestjs/common";
import { BadPhoto, flush, isDrawn, makeFolder } from "@wide-quilt/painters";
import type { GraphicView } from "../contract.ts";
import { DB } from "../data/database.ts";
import type { Db } from "../data/db.ts";
import { DataFolder } from "../data/folder.ts";
import { graphics } from "../data/schema.ts";
import { Reading } from "../photos/reading.ts";
import { Problem } from "../safety/problem.ts";

/** Stamps, overlays, backings and watermarks: each file once, by the hash of what is kept of it. */
@Injectable()
export class GraphicsService {
  constructor(
    @Inject(DB) private readonly db: Db,
    @Inject(DataFolder) private readonly folder: DataFolder,
    @Inject(Reading) private readonly reading: Reading,
  ) {}

  /** Keeps a graphic. Throws a Problem that says why a file cannot be one. */
  async keep(bytes: Buffer, name: string): Promise<GraphicView> {
    const path = join(this.folder.arriving, randomUUID());
    const to = `${path}-kept`;
    try {
      await writeFile(path, bytes);
      const { id, proportion, said } = await this.reading.graphic({ path, to });
      const place = this.folder.graphic(id);
      if (!existsSync(place)) {
        await flush(to);
        await makeFolder(dirname(place));
        await rename(to, place);
        await flush(dirname(place));
      }
      this.db.insert(graphics).values({ id, addedAt: new Date() }).onConflictDoNothing().run();
      return { id, name, proportion, said };
    } catch (error) {
      if (!(error instanceof BadPhoto)) throw error;
      throw new Problem(
        422,
        "bad-graphic",
        "Not a graphic that can be used",
        `“${name.slice(0, 80)}”: ${error.message}`,
      );
    } finally {
      await Promise.all([rm(path, { force: true }), rm(to, { force: true })]);
    }
  }

  async file(id: string): Promise<{ type: string; data: Buffer }> {
    const known = /^[0-9a-f]{64}$/.test(id);
    const data = known ? await readFile(this.folder.graphic(id)).catch(() => null) : null;
    if (!data) throw Problem.notFound("graphic", "This graphic is not here. Bring its file in again.");
    return { type: isDrawn(data) ? "image/svg+xml" : "image/png", data };
  }
}
