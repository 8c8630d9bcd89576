import { randomUUID } from "node:crypto";
import { rm, writeFile } from "node:fs/promises";
import { join } from "node:path";
import { Inject, Injectable } from "@nestjs/common";
import type { BackdropFill } from "@wide-quilt/core";
import { BadPhoto, photoHash } from "@wide-quilt/painters";
import { DataFolder } from "../data/folder.ts";
import { Problem } from "../safety/problem.ts";
import { inThread } from "./inThread.ts";
import { PhotosService } from "./photos.service.ts";
import { Queue } from "./queue.ts";

const WORKER = new URL("./backdrop.worker.js", import.meta.url);

/** What the thread is given: paths of the photo and of its mask. */
export interface BackdropWork {
  photo: string;
  mask: string;
  fill: BackdropFill;
}

/** Photos with something else behind the person: made from a photo and a mask, and kept as photos of their own. */
@Injectable()
export class BackdropsService {
  private readonly queue = new Queue();

  constructor(
    @Inject(PhotosService) private readonly photos: PhotosService,
    @Inject(DataFolder) private readonly folder: DataFolder,
  ) {}

  /** Makes one and gives back its id. The photo that it is made from stays as it is. */
  async make(photo: string, mask: string, fill: BackdropFill): Promise<string> {
    for (const id of [photo, mask]) {
      if (!this.photos.record(id))
        throw Problem.notFound("photo", "This photo is not here. Drop its file in again.");
    }
    const work = { photo: this.folder.readable(photo), mask: this.folder.original(mask), fill };
    const jpeg = await this.queue
      .run(() => inThread(WORKER, work))
      .catch((error: unknown) => {
        if (error instanceof BadPhoto) throw new Problem(422, "bad-mask", "Not made", error.message);
        throw error;
      });
    const path = join(this.folder.arriving, randomUUID());
    try {
      await writeFile(path, jpeg);
      const hash = photoHash(jpeg);
      return await this.photos.takeIn({ path, hash, tooLarge: false });
    } finally {
      await rm(path, { force: true });
    }
  }
}
