/**
 * `npm start`: one process on one port on loopback, with the demo data in a folder of its own.
 * `npm start -- --data DIR --port N --empty` for real use.
 */
import { spawn } from "node:child_process";
import { setInterval } from "node:timers";
import { join } from "node:path";
import { ensureBuilt, ensureInstalled, expectNode, NODE_FLAGS, ROOT } from "./house.mjs";

/** How often it is looked whether whoever started this is still there, in milliseconds. */
const LOOK = 500;

expectNode();
ensureInstalled();
await ensureBuilt();
const args = [...NODE_FLAGS, join(ROOT, "apps/server/dist/main.js"), ...process.argv.slice(2)];
// Relative folders lie where the command was given, which npm leaves.
const env = { ...process.env, WIDE_QUILT_FROM: process.env.INIT_CWD ?? process.cwd() };
const server = spawn(process.execPath, args, {
  cwd: ROOT,
  env,
  stdio: ["inherit", "inherit", "inherit", "ipc"],
});
for (const signal of ["SIGINT", "SIGTERM", "SIGHUP"]) process.on(signal, () => server.kill(signal));
// npm does not always pass on what it is told; the server ends with whoever started it.
const parent = process.ppid;
setInterval(() => process.ppid !== parent && server.kill("SIGTERM"), LOOK).unref();
server.on("exit", (code, signal) => process.exit(code ?? (signal ? 0 : 1)));
