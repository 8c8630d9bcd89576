/** `npm run camera -- FOLDER`: a simulated camera that writes to a folder, in a process of its own. */
import { ensureBuilt, ensureInstalled, run } from "./house.mjs";

ensureInstalled();
await ensureBuilt(["devices"]);
run(process.execPath, ["devices/dist/main.js", "camera", ...process.argv.slice(2)]);
