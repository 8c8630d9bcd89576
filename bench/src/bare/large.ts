/** Bare: 24 photos of 24 megapixels, four by six on a sheet of 7200 × 10 800 px, as a JPEG. */
import { readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import sharp from "sharp";

const [folder, ...photos] = process.argv.slice(2) as [string, ...string[]];
const [width, height] = [1800, 1800];
const start = performance.now();
const cells = [];
for (const [i, photo] of photos.entries()) {
  const input = await sharp(photo).autoOrient().resize(width, height, { fit: "cover" }).raw().toBuffer();
  const raw = { width, height, channels: 3 } as const;
  cells.push({ input, raw, left: (i % 4) * width, top: Math.floor(i / 4) * height });
}
const sheet = await sharp({ create: { width: 7200, height: 10_800, channels: 3, background: "#ffffff" } })
  .composite(cells)
  .withIccProfile("srgb")
  .withDensity(300)
  .jpeg({ quality: 92, chromaSubsampling: "4:4:4" })
  .toBuffer();
writeFileSync(join(folder, "bare.jpg"), sheet);
const peak = Number(/VmHWM:\s+(\d+)/.exec(readFileSync("/proc/self/status", "utf8"))![1]) / 1024;
console.log(`${performance.now() - start} ${peak}`);
