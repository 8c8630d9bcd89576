import { randomUUID } from "node:crypto";
import { readSync } from "node:fs";
import { mkdir, open, rm, type FileHandle } from "node:fs/promises";
import { join } from "node:path";
import type { PhotoId, PixelBox } from "@wide-quilt/core";
import { meanOf, opened, samplesOf, type Decoded, type Wanted } from "./decode.ts";

/** Photos of fewer bytes than this are quickly decoded, and are kept in memory. */
const LARGE = 16_000_000;
/** What libvips writes before the pixels of its own format (vips_file: magic, size, bands and format, 64 bytes). */
const HEADER = 64;
/** Rows after which others get their turn. */
const BREATH = 500;

/** A photo as it was decoded, its pixels on the disk. */
export interface Stored extends Omit<Decoded, "data"> {
  /** Reads a box of it. */
  read(box: PixelBox): Promise<Pick<Decoded, "data" | "held">>;
}

/**
 * Large photos that many sheets show a part of each: decoded once, to the disk, so that memory holds what one sheet shows.
 * Their files have no name as soon as they are written: they go with the process, however that ends.
 */
export class StoredPhotos {
  private readonly known = new Map<string, Promise<{ file: FileHandle; stored: Stored } | null>>();

  /** `folder`: on a disk with room for them. */
  constructor(private readonly folder: string) {}

  /** The photo as it is wanted, or null where it has to be decoded into memory: it is small, or lies on its side. */
  async get(photo: PhotoId, path: string, wanted: Wanted): Promise<Stored | null> {
    const key = JSON.stringify([photo, wanted]);
    let entry = this.known.get(key);
    if (!entry) {
      // Without room on the disk there may still be room in memory.
      entry = this.store(path, wanted).catch(() => null);
      this.known.set(key, entry);
    }
    return (await entry)?.stored ?? null;
  }

  /** Forgets all of them, which gives their room back. */
  async release(): Promise<void> {
    const entries = [...this.known.values()];
    this.known.clear();
    for (const entry of entries) await (await entry)?.file.close();
  }

  private async store(path: string, wanted: Wanted) {
    if (wanted.turn !== 0) return null;
    const { image, colours, part, finer, byLight } = await opened(path, wanted);
    const { width, height } = wanted.size;
    const bytes = colours.channels * (colours.depth / 8);
    if (meanOf({ finer, byLight }) > 1) return null;
    if (width * height * Math.min(1, finer) ** 2 * bytes < LARGE) return null;
    await mkdir(this.folder, { recursive: true, mode: 0o700 });
    const to = join(this.folder, `${randomUUID()}.v`);
    try {
      const info = await image.toFile(to);
      const file = await open(to, "r");
      const { channels } = info;
      const size = { width: info.width, height: info.height };
      const read: Stored["read"] = async (box) => {
        const row = box.width * bytes;
        const data = Buffer.allocUnsafe(row * box.height);
        for (let y = 0; y < box.height; y++) {
          const from = HEADER + ((box.top + y) * size.width + box.left) * bytes;
          // Thousands of short reads of what was just written: waiting for each takes longer than reading it.
          readSync(file.fd, data, y * row, row, from);
          if (y % BREATH === BREATH - 1) await new Promise((go) => setImmediate(go));
        }
        const held = { left: box.left, top: box.top, width: box.width };
        return { data: samplesOf(data, { ...box, channels }, colours.depth), held };
      };
      return { file, stored: { ...size, channels, colours, part, byLight, read } };
    } finally {
      await rm(to, { force: true });
    }
  }
}
