/**
 * `npm run test:long`: the tests that try something many times, at length: hundreds of hostile files and kills. `npm test`
 * has the same tests with a tenth of the tries. Takes half an hour; what is given after `--` is passed on to Vitest.
 */
import { ensureBuilt, ensureInstalled, runBin } from "./house.mjs";

ensureInstalled();
const { ensureTools } = await import("./tools.mjs");
await ensureTools();
await ensureBuilt();
const env = { ...process.env, WIDE_QUILT_LONG: "1" };
runBin("vitest", ["run", "--project", "server", ...process.argv.slice(2)], { env });
