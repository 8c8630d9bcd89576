/** Bare: the same decode and resize as bringing photos in, on as many threads, with nothing around it. */
import { readFileSync, writeFileSync } from "node:fs";
import { availableParallelism } from "node:os";
import { join } from "node:path";
import sharp from "sharp";

const [folder, ...paths] = process.argv.slice(2) as [string, ...string[]];
const start = performance.now();
let next = 0;
const lane = async () => {
  for (let i = next++; i < paths.length; i = next++) {
    const { data, info } = await sharp(paths[i]!)
      .autoOrient()
      .resize({ width: 1600, height: 1600, fit: "inside" })
      .raw()
      .toBuffer({ resolveWithObject: true });
    const raw = { width: info.width, height: info.height, channels: info.channels };
    const [small, medium, large] = await Promise.all([
      sharp(data, { raw })
        .resize({ width: 320, height: 320, fit: "inside" })
        .jpeg({ quality: 82 })
        .toBuffer(),
      sharp(data, { raw })
        .resize({ width: 800, height: 800, fit: "inside" })
        .jpeg({ quality: 82 })
        .toBuffer(),
      sharp(data, { raw }).jpeg({ quality: 82 }).toBuffer(),
    ]);
    writeFileSync(join(folder, `${i}-320.jpg`), small);
    writeFileSync(join(folder, `${i}-800.jpg`), medium);
    writeFileSync(join(folder, `${i}-1600.jpg`), large);
  }
};
await Promise.all(Array.from({ length: availableParallelism() }, lane));
const peak = Number(/VmHWM:\s+(\d+)/.exec(readFileSync("/proc/self/status", "utf8"))![1]) / 1024;
console.log(`${performance.now() - start} ${peak}`);
