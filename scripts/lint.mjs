/** `npm run lint`: ESLint, which files may import which, and Prettier; with --cache only what changed is looked at again. */
import { runBin } from "./house.mjs";

const cache = process.argv.includes("--cache");
runBin("eslint", cache ? ["--cache", "--cache-location", "node_modules/.cache/eslint", "."] : ["."]);
runBin("depcruise", [
  "--config",
  ".dependency-cruiser.mjs",
  ...["packages", "apps", "demo", "devices", "e2e", "bench"],
]);
runBin("prettier", ["--check", ...(cache ? ["--cache"] : []), "--log-level", "warn", "."]);
