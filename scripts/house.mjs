/** What every command of the house needs first: the packages installed and the programs built, and nothing twice. */
import { spawnSync } from "node:child_process";
import { createHash } from "node:crypto";
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from "node:fs";
import { join, relative } from "node:path";
import { fileURLToPath } from "node:url";

export const ROOT = fileURLToPath(new URL("..", import.meta.url));
/**
 * How the server is run: photos pass through as many short-lived buffers, which want a nursery that is large from the start,
 * or the whole heap is gone through for every few of them; a larger one makes the server stand still while it is emptied.
 */
export const NODE_FLAGS = ["--enable-source-maps", "--min-semi-space-size=16", "--max-semi-space-size=64"];

/** The oldest Node.js that everything here runs on; “engines” in package.json says the same. */
const OLDEST = [20, 19];

/** Ends with a sentence where this Node.js is too old. */
export function expectNode() {
  const [major, minor] = process.versions.node.split(".").map(Number);
  if (major > OLDEST[0] || (major === OLDEST[0] && minor >= OLDEST[1])) return;
  console.error(
    `Wide Quilt needs Node.js ${OLDEST.join(".")} or newer; this is ${process.versions.node}. Install a newer one, then start again.`,
  );
  process.exit(1);
}

/** For each program, the fingerprint of the sources that it was last built from. */
const STAMPS = join(ROOT, ".wide-quilt/built");

/** Runs a command in the house and ends this one with its code where it fails. */
export function run(command, args, options = {}) {
  const done = spawnSync(command, args, { cwd: ROOT, stdio: "inherit", ...options });
  if (done.error) throw done.error;
  if (done.status !== 0) process.exit(done.status ?? 1);
}

/** Runs a program that came with a package. */
export const runBin = (name, args, options) => run(join(ROOT, "node_modules/.bin", name), args, options);

/** Installs the packages when they are missing or the lock file is newer than they are. */
export function ensureInstalled() {
  const mark = join(ROOT, "node_modules/.package-lock.json");
  const lock = join(ROOT, "package-lock.json");
  const fresh = existsSync(mark) && statSync(mark).mtimeMs >= statSync(lock).mtimeMs - 1000;
  if (fresh) return;
  console.log("Installing packages (npm ci) …");
  run("npm", ["ci", "--no-audit", "--no-fund"]);
}

/** Builds those of web, server, shell and devices whose sources changed since their last build. */
export async function ensureBuilt(apps = ["server", "cli", "web"]) {
  const now = fingerprint();
  const stale = apps.filter((app) => !existsSync(dist(app)) || builtFrom(app) !== now);
  if (stale.length === 0) return;
  console.error("Building …");
  const { build } = await import("vite");
  for (const app of stale) {
    await build({ root: home(app), logLevel: "warn" });
    mkdirSync(STAMPS, { recursive: true });
    writeFileSync(join(STAMPS, app), now);
  }
}

/** Devices are no part of the application, so they stand beside it. */
const home = (app) => (app === "devices" ? join(ROOT, app) : join(ROOT, "apps", app));

const dist = (app) => join(home(app), "dist");

const builtFrom = (app) => {
  const stamp = join(STAMPS, app);
  return existsSync(stamp) ? readFileSync(stamp, "utf8") : null;
};

/** Names, sizes and times of everything that goes into a build. */
function fingerprint() {
  const hash = createHash("sha256");
  const visit = (folder) => {
    for (const entry of readdirSync(folder, { withFileTypes: true })) {
      if (["node_modules", "dist", "test"].includes(entry.name)) continue;
      const path = join(folder, entry.name);
      if (entry.isDirectory()) visit(path);
      else {
        const { size, mtimeMs } = statSync(path);
        hash.update(`${relative(ROOT, path)} ${size} ${mtimeMs}\n`);
      }
    }
  };
  for (const folder of ["packages", "apps", "demo", "devices"]) visit(join(ROOT, folder));
  for (const file of ["package-lock.json", "tsconfig.base.json", "vite.node.ts"])
    hash.update(readFileSync(join(ROOT, file)));
  return hash.digest("hex");
}
