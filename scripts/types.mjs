/** `npm run types`: the type checker over everything, in as few programs as libraries allow, two at a time. */
import { spawn } from "node:child_process";
import { join } from "node:path";
import { ROOT } from "./house.mjs";

const projects = [
  // React and the DOM; it takes longest, so it goes first.
  "apps/web/tsconfig.json",
  // What runs on Node.js, and the core with its tests.
  "tsconfig.node.json",
  // What drives a browser from Node.js.
  "tsconfig.tools.json",
  // The core by itself, without any platform.
  "packages/core/tsconfig.json",
];

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
