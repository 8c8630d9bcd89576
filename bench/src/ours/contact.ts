/** Ours: a contact sheet of 400 photos on A4, in a process of its own like the bare script. */
import { readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { applyEdit, arrange, freshJob } from "@wide-quilt/core";
import { encodeSheet, paintSheet } from "@wide-quilt/painters";
import { SMALL } from "../smallPhotos.ts";

const [folder, photos] = process.argv.slice(2) as [string, string];
const stash = Array.from({ length: SMALL.count }, (_, i) => ({ id: String(i), name: `IMG_${i}.jpg` }));
const job = applyEdit(freshJob("contact", "Bench"), { do: "add photos", photos: stash });
const { width, height } = SMALL;
const exposure = { shutter: 1 / 250, aperture: 8, iso: 200 };
const records = Object.fromEntries(stash.map(({ id }) => [id, { width, height, exposure }]));
const start = performance.now();
for (const [i, plan] of arrange(job, records).entries()) {
  const pixels = await paintSheet(plan, (id) => join(photos, `${id}.jpg`));
  writeFileSync(
    join(folder, `ours-${i}.jpg`),
    await encodeSheet(pixels, 300, { format: "jpeg", quality: 92 }),
  );
}
const peak = Number(/VmHWM:\s+(\d+)/.exec(readFileSync("/proc/self/status", "utf8"))![1]) / 1024;
console.log(`${performance.now() - start} ${peak}`);
