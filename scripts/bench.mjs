/** `npm run bench`: our work beside a bare script that does the same, in one run; ratios and peak memory. */
import { ensureBuilt, ensureInstalled, run } from "./house.mjs";

ensureInstalled();
await ensureBuilt();
const { build } = await import("vite");
await build({ root: "bench", logLevel: "warn" });
run("node", ["--expose-gc", "bench/dist/main.js", ...process.argv.slice(2)]);
