/**
 * `npm run test:long`: the tests that try something many times, at length: hundreds of hostile files and kills, every
 * sitter by every rule. `npm test` has the same tests with fewer tries. Takes half an hour; what is given after `--` is passed on to Vitest.
 */
import { ensureBuilt, ensureInstalled, runBin } from "./house.mjs";

ensureInstalled();
const { ensureTools } = await import("./tools.mjs");
await ensureTools();
await ensureBuilt();
const env = { ...process.env, WIDE_QUILT_LONG: "1" };
runBin("vitest", ["run", "--project", "server", "--project", "seeing", ...process.argv.slice(2)], { env });
