/** `npm run screenshots`: every picture in docs/screenshots, made anew from the demo data at 1280 × 800. */
import { ensureBuilt, ensureInstalled, runBin } from "./house.mjs";
import { ensureTools } from "./tools.mjs";

ensureInstalled();
await ensureTools();
await ensureBuilt();
runBin("playwright", ["test", "--config", "e2e/screenshots.config.ts"]);
