import { existsSync } from "node:fs";
import { readFile, rename, rm, writeFile } from "node:fs/promises";
import { randomUUID } from "node:crypto";
import { dirname, join } from "node:path";
import { Inject, Injectable } from "@nestjs/common";
import type { Edges, Search } from "@wide-quilt/core";
import { BadPhoto, flush, isDrawn, makeFolder, type ArtFound } from "@wide-quilt/painters";
import type { GraphicView } from "../contract.ts";
import { DB } from "../data/database.ts";
import type { Db } from "../data/db.ts";
import { DataFolder } from "../data/folder.ts";
import { graphics } from "../data/schema.ts";
import { Reading, type TakenFile } from "../photos/reading.ts";
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
    await writeFile(path, bytes);
    try {
      return await this.made(name, (to) => this.reading.graphic({ path, to }));
    } finally {
      await rm(path, { force: true });
    }
  }

  /** The transparent windows of a graphic. Throws a Problem that says why none can be found. */
  async windows(id: string, search: Partial<Search>): Promise<ArtFound> {
    const path = this.pathOf(id);
    return this.reading.windows({ path, search }).catch((error: unknown) => refuse(error, "The artwork"));
  }

  /** Keeps a graphic that is larger at its sides by the pixels at its edges. */
  async widen(id: string, name: string, more: Record<keyof Edges, number>): Promise<GraphicView> {
    const path = this.pathOf(id);
    return this.made(name, (to) => this.reading.widened({ path, more, to }));
  }

  /** Keeps what a process made of a graphic, where it was told to. */
  private async made(name: string, make: (to: string) => Promise<TakenFile>): Promise<GraphicView> {
    const to = join(this.folder.arriving, `${randomUUID()}-kept`);
    try {
      const { id, proportion, said } = await make(to);
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
      return refuse(error, `“${name.slice(0, 80)}”`);
    } finally {
      await rm(to, { force: true });
    }
  }

  private pathOf(id: string): string {
    const path = /^[0-9a-f]{64}$/.test(id) ? this.folder.graphic(id) : null;
    if (path === null || !existsSync(path)) throw notHere();
    return path;
  }

  async file(id: string): Promise<{ type: string; data: Buffer }> {
    const data = await readFile(this.pathOf(id));
    return { type: isDrawn(data) ? "image/svg+xml" : "image/png", data };
  }
}

const notHere = () => Problem.notFound("graphic", "This graphic is not here. Bring its file in again.");

/** What is wrong with a graphic becomes a sentence; everything else is thrown on. */
function refuse(error: unknown, what: string): never {
  if (!(error instanceof BadPhoto)) throw error;
  throw new Problem(422, "bad-graphic", "Not a graphic that can be used", `${what}: ${error.message}`);
}
