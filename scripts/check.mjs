/** `npm run check`: what everyday work wants to know within a minute: types, lint, and the tests of what changed. */
import { ensureInstalled, run, runBin } from "./house.mjs";

ensureInstalled();
run("node", ["scripts/types.mjs"]);
run("node", ["scripts/lint.mjs", "--cache"]);
runBin("vitest", ["run", "--changed", "--project", "core", "--project", "painters", "--project", "web"]);
