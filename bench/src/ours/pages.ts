/** Ours: 200 different photo files on 200 pages of one PDF. */
import { mkdirSync, readFileSync, statSync, symlinkSync } from "node:fs";
import { join } from "node:path";
import { applyEdit, arrange, freshJob } from "@wide-quilt/core";
import { paintPdf } from "@wide-quilt/painters";
import { HEIGHT, WIDTH } from "../samples.ts";

const PAGES = 200;

const [folder, ...photos] = process.argv.slice(2) as [string, ...string[]];
// Each page has a photo of its own by its name, so that none is stored once for several.
const files = join(folder, "photos");
mkdirSync(files, { recursive: true });
const ids = Array.from({ length: PAGES }, (_, i) => {
  const path = join(files, `${i}.jpg`);
  symlinkSync(photos[i % photos.length]!, path);
  return path;
});
const job = applyEdit(freshJob("single", "Pages"), {
  do: "add photos",
  photos: ids.map((id) => ({ id, name: id.slice(-40) })),
});
const start = performance.now();
const sheets = arrange(job, Object.fromEntries(ids.map((id) => [id, { width: WIDTH, height: HEIGHT }])));
if (sheets.length !== PAGES) throw new Error(`${sheets.length} sheets instead of ${PAGES}.`);
const path = join(folder, "pages.pdf");
await paintPdf(sheets, (id) => id, path);
const peak = Number(/VmHWM:\s+(\d+)/.exec(readFileSync("/proc/self/status", "utf8"))![1]) / 1024;
if (statSync(path).size < PAGES * 5e6) throw new Error("The photos are not all in the PDF.");
console.log(`${performance.now() - start} ${peak}`);
