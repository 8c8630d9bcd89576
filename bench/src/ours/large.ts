/** Ours: 24 photos of 24 megapixels, four by six on paper of 24 × 36 in, as a JPEG. */
import { readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { applyEdit, arrange, freshJob, inch, NO_EDGES, um, type JobEdit } from "@wide-quilt/core";
import { encodeSheet, paintSheet } from "@wide-quilt/painters";
import { HEIGHT, WIDTH } from "../samples.ts";

const [folder, ...photos] = process.argv.slice(2) as [string, ...string[]];
const edits: JobEdit[] = [
  { do: "ticket", change: { way: "grid", columns: 4, rows: 6, gap: um(0) } },
  {
    do: "sheet",
    change: {
      paper: { name: "24 × 36 in", width: inch(24), height: inch(36) },
      lie: "portrait",
      margins: NO_EDGES,
    },
  },
  { do: "target", change: { ppi: 300 } },
  { do: "add photos", photos: photos.map((id) => ({ id, name: id.slice(-40) })) },
];
const job = edits.reduce(applyEdit, freshJob("collage", "Large"));
const start = performance.now();
const [plan] = arrange(job, Object.fromEntries(photos.map((id) => [id, { width: WIDTH, height: HEIGHT }])));
if (plan!.cells.length !== 24 || plan!.pixels.width !== 7200 || plan!.pixels.height !== 10_800)
  throw new Error("This is not the sheet that the bare script makes.");
const file = await encodeSheet(await paintSheet(plan!, (id) => id), 300, { format: "jpeg", quality: 92 });
writeFileSync(join(folder, "ours.jpg"), file);
const peak = Number(/VmHWM:\s+(\d+)/.exec(readFileSync("/proc/self/status", "utf8"))![1]) / 1024;
console.log(`${performance.now() - start} ${peak}`);
