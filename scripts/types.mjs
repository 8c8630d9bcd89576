/** `npm run types`: the type checker over every workspace, two at a time. */
import { spawn } from "node:child_process";
import { existsSync } from "node:fs";
import { join } from "node:path";
import { ROOT } from "./house.mjs";

const projects = [
  "packages/core/tsconfig.json",
  "packages/core/tsconfig.test.json",
  "packages/colour/tsconfig.json",
  "packages/ipp/tsconfig.json",
  "devices/tsconfig.json",
  "packages/painters/tsconfig.json",
  "apps/server/tsconfig.json",
  "apps/web/tsconfig.json",
  "apps/cli/tsconfig.json",
  "demo/tsconfig.json",
  "e2e/tsconfig.json",
  "bench/tsconfig.json",
].filter((path) => existsSync(join(ROOT, path)));

let failed = false;
const next = async () => {
  for (let project = projects.shift(); project; project = projects.shift()) {
    const tsc = spawn(join(ROOT, "node_modules/.bin/tsc"), ["-p", project], { cwd: ROOT, stdio: "inherit" });
    const code = await new Promise((resolve) => tsc.on("exit", resolve));
    if (code !== 0) failed = true;
  }
};
await Promise.all([next(), next()]);
process.exit(failed ? 1 : 0);
