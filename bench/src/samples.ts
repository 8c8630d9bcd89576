import { existsSync } from "node:fs";
import { mkdir } from "node:fs/promises";
import { join } from "node:path";
import sharp from "sharp";

export const COUNT = 24;
export const WIDTH = 6000;
export const HEIGHT = 4000;

/** Different JPEGs of 24 megapixels with the noise of a sensor, made once and kept. */
export async function samples(folder: string): Promise<string[]> {
  await mkdir(folder, { recursive: true });
  const paths = Array.from({ length: COUNT }, (_, i) => join(folder, `sample-${i}.jpg`));
  for (const [i, path] of paths.entries()) {
    if (existsSync(path)) continue;
    console.log(`  making ${path}`);
    const noise = sharp({
      create: {
        width: WIDTH / 2,
        height: HEIGHT / 2,
        channels: 3,
        background: "#000",
        noise: { type: "gaussian", mean: 110 + i, sigma: 40 },
      },
    });
    await sharp(await noise.png({ compressionLevel: 0 }).toBuffer())
      .blur(1.2)
      .resize(WIDTH, HEIGHT)
      .jpeg({ quality: 90 })
      .toFile(path);
  }
  return paths;
}
