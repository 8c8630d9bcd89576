/** `npm test`: everything that has to hold, on a fresh clone too: types, lint, unit, server and browser tests. */
import { CRUISE, ensureBuilt, ensureInstalled, run, runBin } from "./house.mjs";

ensureInstalled();
const { ensureTools } = await import("./tools.mjs");
await ensureTools();
run("node", ["scripts/types.mjs"]);
runBin("eslint", ["."]);
runBin("depcruise", CRUISE);
run("node", ["scripts/notice.mjs", "--check"]);
run("node", ["scripts/wasm.mjs", "--check"]);
runBin("prettier", ["--check", "--log-level", "warn", "."]);
await ensureBuilt();
runBin("vitest", ["run"]);
runBin("playwright", ["test", "--config", "e2e/playwright.config.ts"]);
