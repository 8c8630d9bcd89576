/** `npm run check`: what everyday work wants to know within a minute: types, lint, and the tests of what changed. */
import { CRUISE, ensureInstalled, run, runBin } from "./house.mjs";

ensureInstalled();
run("node", ["scripts/types.mjs"]);
runBin("eslint", ["--cache", "--cache-location", "node_modules/.cache/eslint", "."]);
runBin("depcruise", CRUISE);
runBin("prettier", ["--check", "--cache", "--log-level", "warn", "."]);
runBin("vitest", ["run", "--changed", "--project", "core", "--project", "painters", "--project", "web"]);
