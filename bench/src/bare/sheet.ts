/** Bare: one 24-megapixel photo, eight times 35 × 45 mm on a sheet of 1800 × 1200 px, as a JPEG. */
import { readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import sharp from "sharp";

const [folder, photo, light] = process.argv.slice(2) as [string, string, string?];
const px = (mm: number) => Math.round((mm * 300) / 25.4);
const start = performance.now();
// In linear light, where that is asked for.
const photoIn = light ? sharp(photo).pipelineColourspace("scrgb").toColourspace("srgb") : sharp(photo);
const cell = await photoIn
  .autoOrient()
  .resize(px(35), px(45), { fit: "cover" })
  .raw()
  .toBuffer({ resolveWithObject: true });
const raw = { width: cell.info.width, height: cell.info.height, channels: cell.info.channels };
const cells = [3.2, 40.2, 77.2, 114.2].flatMap((x) =>
  [4.8, 51.8].map((y) => ({ input: cell.data, raw, left: px(x), top: px(y) })),
);
const sheet = await sharp({ create: { width: 1800, height: 1200, channels: 3, background: "#ffffff" } })
  .composite(cells)
  .withIccProfile("srgb")
  .withDensity(300)
  .jpeg({ quality: 92, chromaSubsampling: "4:4:4" })
  .toBuffer();
writeFileSync(join(folder, "bare.jpg"), sheet);
const peak = Number(/VmHWM:\s+(\d+)/.exec(readFileSync("/proc/self/status", "utf8"))![1]) / 1024;
console.log(`${performance.now() - start} ${peak}`);
