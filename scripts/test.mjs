/** `npm test`: everything that has to hold, on a fresh clone too: types, lint, unit, server and browser tests. */
import { ensureBuilt, ensureInstalled, run, runBin } from "./house.mjs";

ensureInstalled();
const { ensureTools } = await import("./tools.mjs");
await ensureTools();
run("node", ["scripts/types.mjs"]);
run("node", ["scripts/lint.mjs"]);
run("node", ["scripts/notice.mjs", "--check"]);
run("node", ["scripts/wasm.mjs", "--check"]);
await ensureBuilt();
runBin("vitest", ["run"]);
runBin("playwright", ["test", "--config", "e2e/playwright.config.ts"]);
