import { existsSync } from "node:fs";
import { readFile, writeFile } from "node:fs/promises";
import { Inject, Injectable } from "@nestjs/common";
import { BadPhoto, isDrawn, photoHash, takeGraphic, writeWhole } from "@wide-quilt/painters";
import type { GraphicView } from "../contract.ts";
import { DataFolder } from "../data/folder.ts";
import { Problem } from "../safety/problem.ts";

/** Stamps, overlays, backings and watermarks: each file once, by the hash of what is kept of it. */
@Injectable()
export class GraphicsService {
  constructor(@Inject(DataFolder) private readonly folder: DataFolder) {}

  /** Keeps a graphic. Throws a Problem that says why a file cannot be one. */
  async keep(bytes: Buffer, name: string): Promise<GraphicView> {
    try {
      const { file, proportion, said } = await takeGraphic(bytes);
      const id = photoHash(file);
      const path = this.folder.graphic(id);
      if (!existsSync(path)) await writeWhole(path, (to) => writeFile(to, file));
      return { id, name, proportion, said };
    } catch (error) {
      if (!(error instanceof BadPhoto)) throw error;
      throw new Problem(422, "bad-graphic", "Not a graphic that can be used", `${name}: ${error.message}`);
    }
  }

  async file(id: string): Promise<{ type: string; data: Buffer }> {
    const known = /^[0-9a-f]{64}$/.test(id);
    const data = known ? await readFile(this.folder.graphic(id)).catch(() => null) : null;
    if (!data) throw Problem.notFound("graphic", "This graphic is not here. Bring its file in again.");
    return { type: isDrawn(data) ? "image/svg+xml" : "image/png", data };
  }
}
