/** `npm run bench`: our work beside a bare script that does the same, in one run. It is no test. */
import { availableParallelism } from "node:os";
import { resolve } from "node:path";
import { benchCore } from "./core.ts";
import { benchDrag } from "./drag.ts";
import { benchPreviews } from "./previews.ts";
import { samples } from "./samples.ts";
import { benchSheet } from "./sheet.ts";

console.log(`Node ${process.version}, ${availableParallelism()} processors`);
const paths = await samples(resolve(".wide-quilt/bench"));
benchCore();
await benchSheet(paths[0]!);
await benchPreviews(paths);
await benchDrag(paths[0]!);
