/** Bare: one photo as 12 000 × 18 000 px in 6 × 6 sheets, decoded once to raw pixels, each sheet extracted as a JPEG. */
import { readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import sharp from "sharp";

const [folder, photo] = process.argv.slice(2) as [string, string];
const [width, height] = [12_000, 18_000];
const start = performance.now();
const data = await sharp(photo, { limitInputPixels: false })
  .autoOrient()
  .resize(width, height, { fit: "fill" })
  .raw()
  .toBuffer();
for (let i = 0; i < 36; i++) {
  const [left, top] = [(i % 6) * 2000, Math.floor(i / 6) * 3000];
  const sheet = await sharp(data, { raw: { width, height, channels: 3 }, limitInputPixels: false })
    .extract({ left, top, width: 2000, height: 3000 })
    .withIccProfile("srgb")
    .withDensity(200)
    .jpeg({ quality: 92, chromaSubsampling: "4:4:4" })
    .toBuffer();
  writeFileSync(join(folder, `bare-${i}.jpg`), sheet);
}
const peak = Number(/VmHWM:\s+(\d+)/.exec(readFileSync("/proc/self/status", "utf8"))![1]) / 1024;
console.log(`${performance.now() - start} ${peak}`);
