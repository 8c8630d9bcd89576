import { existsSync } from "node:fs";
import { mkdir } from "node:fs/promises";
import { join } from "node:path";
import sharp from "sharp";

/** How many photos there are, and their size: what a camera sends to a telephone. */
export const SMALL = { count: 400, width: 1500, height: 1000 };

/** Four hundred different small JPEGs, made once and kept. */
export async function smallPhotos(folder: string): Promise<string> {
  await mkdir(folder, { recursive: true });
  for (let i = 0; i < SMALL.count; i++) {
    const path = join(folder, `${i}.jpg`);
    if (existsSync(path)) continue;
    await sharp({
      create: {
        width: SMALL.width / 4,
        height: SMALL.height / 4,
        channels: 3,
        background: "#000",
        noise: { type: "gaussian", mean: 60 + (i % 140), sigma: 40 },
      },
    })
      .resize(SMALL.width, SMALL.height)
      .jpeg({ quality: 88 })
      .toFile(path);
  }
  return folder;
}
