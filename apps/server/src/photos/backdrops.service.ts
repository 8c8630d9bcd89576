import { randomUUID } from "node:crypto";
import { rm } from "node:fs/promises";
import { join } from "node:path";
import { Inject, Injectable } from "@nestjs/common";
import type { BackdropFill } from "@wide-quilt/core";
import { BadPhoto } from "@wide-quilt/painters";
import { DataFolder } from "../data/folder.ts";
import { Problem } from "../safety/problem.ts";
import { PhotosService } from "./photos.service.ts";
import { Reading, type ReadBackdrop } from "./reading.ts";

/** The longer side of photos that have a picture behind, in pixels: 15 cm at 400 ppi. */
const SIDE = 2400;

/** Photos with something else behind the person: made from a photo and a mask, and kept as photos of their own. */
@Injectable()
export class BackdropsService {
  constructor(
    @Inject(PhotosService) private readonly photos: PhotosService,
    @Inject(DataFolder) private readonly folder: DataFolder,
    @Inject(Reading) private readonly reading: Reading,
  ) {}

  /** A photo with a picture behind who is in it, by its mask; as fine as a print of up to 15 cm needs. Throws BadPhoto. */
  async withPicture(photo: string, mask: Uint8Array, picture: string): Promise<string> {
    const fill = { kind: "picture" as const, path: this.folder.readable(picture), side: SIDE };
    return this.made({ photo: this.folder.readable(photo), mask, fill });
  }

  /** Makes one and gives back its id. The photo that it is made from stays as it is. */
  async make(photo: string, mask: string, fill: BackdropFill): Promise<string> {
    for (const id of [photo, mask]) {
      if (!this.photos.record(id))
        throw Problem.notFound("photo", "This photo is not here. Drop its file in again.");
    }
    try {
      const files = { photo: this.folder.readable(photo), mask: this.folder.original(mask) };
      return await this.made({ ...files, fill });
    } catch (error) {
      if (error instanceof BadPhoto) throw new Problem(422, "bad-mask", "Not made", error.message);
      throw error;
    }
  }

  private async made(of: Omit<ReadBackdrop, "to">): Promise<string> {
    const to = join(this.folder.arriving, randomUUID());
    try {
      const hash = await this.reading.backdrop({ ...of, to });
      return await this.photos.takeIn({ path: to, hash, tooLarge: false });
    } finally {
      await rm(to, { force: true });
    }
  }
}
