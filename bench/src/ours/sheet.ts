/** Ours: the sheet of the first job from a 24-megapixel photo, in a process of its own like the bare script. */
import { readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { applyEdit, arrange, freshJob } from "@wide-quilt/core";
import { encodeSheet, paintSheet } from "@wide-quilt/painters";
import { HEIGHT, WIDTH } from "../samples.ts";

const [folder, photo, light] = process.argv.slice(2) as [string, string, string?];
const job = applyEdit(freshJob("copies", "Bench"), { do: "add photos", photos: [{ id: "p", name: "p" }] });
const start = performance.now();
const [plan] = arrange(job, { p: { width: WIDTH, height: HEIGHT } });
const sheet = await paintSheet(plan!, () => photo, {}, { light: light !== undefined });
const file = await encodeSheet(sheet, 300, { format: "jpeg", quality: 92 });
writeFileSync(join(folder, "ours.jpg"), file);
const peak = Number(/VmHWM:\s+(\d+)/.exec(readFileSync("/proc/self/status", "utf8"))![1]) / 1024;
console.log(`${performance.now() - start} ${peak}`);
