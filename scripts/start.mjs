/**
 * `npm start`: one process on one port on loopback, with the demo data in a folder of its own.
 * `npm start -- --data DIR --port N --empty` for real use.
 */
import { spawn } from "node:child_process";
import { join } from "node:path";
import { ensureBuilt, ensureInstalled, NODE_FLAGS, ROOT } from "./house.mjs";

ensureInstalled();
await ensureBuilt();
const args = [...NODE_FLAGS, join(ROOT, "apps/server/dist/main.js"), ...process.argv.slice(2)];
const server = spawn(process.execPath, args, { cwd: ROOT, stdio: "inherit" });
for (const signal of ["SIGINT", "SIGTERM"]) process.on(signal, () => server.kill(signal));
server.on("exit", (code, signal) => process.exit(code ?? (signal ? 0 : 1)));
