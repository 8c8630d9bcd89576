/** Ours: the year 2027 on A3 with a cover, twelve photos of 24 megapixels and days that mean something, as a PDF. */
import { readFileSync, statSync } from "node:fs";
import { join } from "node:path";
import { applyEdit, arrange, freshJob, type DaySource, type DayStyle, type JobEdit } from "@wide-quilt/core";
import { paintPdf } from "@wide-quilt/painters";
import { HEIGHT, WIDTH } from "../samples.ts";

const [folder, style, ...photos] = process.argv.slice(2) as [string, DayStyle, ...string[]];
const diary: DaySource = {
  name: "Diary",
  from: { kind: "typed" },
  colour: "#1f6f54",
  words: true,
  mark: "dot",
  off: false,
  shown: true,
  days: Array.from({ length: 52 }, (_, i) => ({
    day: new Date(Date.UTC(2027, 0, 4 + 7 * i)).toISOString().slice(0, 10),
    text: `Wetland count ${i + 1}`,
  })),
};
const edits: JobEdit[] = [
  { do: "ticket", change: { style } },
  { do: "add photos", photos: photos.map((id) => ({ id, name: id.slice(-40) })) },
  { do: "days", sources: { diary } },
];
const job = edits.reduce(applyEdit, freshJob("calendar", "Tides 2027", "en-GB", undefined, 2027));
const records = Object.fromEntries(photos.map((id) => [id, { width: WIDTH, height: HEIGHT }]));
const path = join(folder, "ours.pdf");
const start = performance.now();
const sheets = arrange(job, records);
if (sheets.length !== 13 || sheets.some(({ cells }) => cells.length !== 1))
  throw new Error("This is not the calendar that the bare script makes.");
await paintPdf(sheets, (id) => id, path);
const peak = Number(/VmHWM:\s+(\d+)/.exec(readFileSync("/proc/self/status", "utf8"))![1]) / 1024;
const bare = statSync(join(folder, "bare.pdf")).size;
if (statSync(path).size < bare) throw new Error("The photos are not all in the PDF.");
console.log(`${performance.now() - start} ${peak}`);
