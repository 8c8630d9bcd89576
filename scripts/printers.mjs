/** `npm run printers`: simulated printers to print on, in a process of their own. */
import { ensureBuilt, ensureInstalled, run } from "./house.mjs";

ensureInstalled();
await ensureBuilt(["devices"]);
run(process.execPath, ["devices/dist/main.js"]);
