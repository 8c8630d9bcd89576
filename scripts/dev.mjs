/** `npm run dev`: the server rebuilt and restarted on every change, the web side reloaded in place. */
import { spawn } from "node:child_process";
import { existsSync } from "node:fs";
import { setTimeout as wait } from "node:timers/promises";
import { join } from "node:path";
import { ensureInstalled, NODE_FLAGS, ROOT } from "./house.mjs";

ensureInstalled();
const { build, createServer } = await import("vite");
const entry = join(ROOT, "apps/server/dist/main.js");
await build({ root: join(ROOT, "apps/server"), build: { watch: {} }, logLevel: "warn" });
while (!existsSync(entry)) await wait(100);
const args = [...NODE_FLAGS, "--watch-path", join(ROOT, "apps/server/dist"), entry];
const server = spawn(process.execPath, [...args, "--port", "4178", ...process.argv.slice(2)], {
  cwd: ROOT,
  stdio: "inherit",
});
process.on("exit", () => server.kill());
const web = await createServer({ root: join(ROOT, "apps/web") });
await web.listen();
web.printUrls();
