import {
  accessSync,
  closeSync,
  constants,
  existsSync,
  fsyncSync,
  mkdirSync,
  openSync,
  readdirSync,
  readFileSync,
  readSync,
  renameSync,
  rmSync,
  writeFileSync,
} from "node:fs";
import { join } from "node:path";
import { DataFolder, HOME } from "./folder.ts";
import { expectNotRunning, lock, LOCK_FILES, type Lock } from "./lock.ts";
import { Refused, refusedPath } from "./refused.ts";

/** How things lie in a data folder. Raise it when that changes, so that an older program keeps its hands off. */
const LAYOUT = 2;
const MARKER = "wide-quilt.json";
const UNMARKED = `${MARKER}.new`;
const FORMAT = "wide-quilt-data";

/** What the first layout kept beside the person's own files; its database is what it is known by. */
const FIRST_LAYOUT = [
  "photos",
  "profiles",
  "graphics",
  "demo-is-in",
  "wide-quilt.sqlite-wal",
  "wide-quilt.sqlite",
];
/** What it painted runs in, between the person’s files: named after the run. */
const HALF_PAINTED = /^\.[0-9a-f]{8}-(?:[0-9a-f]{4}-){3}[0-9a-f]{12}\.unfinished$/;
/** The first bytes of a SQLite database (the file format's documentation, 1.3). */
const SQLITE = "SQLite format 3\0";

/** Files that a system leaves in folders by itself. */
const NOBODYS = new Set([".DS_Store", "Thumbs.db", "desktop.ini", "lost+found", ".directory"]);

/** A data folder that is this server's alone, until it is given back. */
export interface Claim extends Lock {
  folder: DataFolder;
}

/**
 * Takes a folder for this server. A folder with something in it that is not ours is refused, and so is one of a newer
 * program or one that another server works over; nothing in it is touched then. Throws `Refused`.
 */
export function claim(root: string): Claim {
  try {
    mkdirSync(root, { recursive: true, mode: 0o700 });
    const isFirst = expectOurs(root);
    accessSync(root, constants.R_OK | constants.W_OK | constants.X_OK);
    const folder = new DataFolder(root);
    mkdirSync(folder.home, { recursive: true, mode: 0o700 });
    const held = lock(folder.home);
    if (isFirst) bringFirstLayoutUp(root, folder);
    markOurs(folder.home);
    for (const passing of [folder.proofs, folder.arriving]) rmSync(passing, { recursive: true, force: true });
    for (const needed of [folder.out, folder.proofs, folder.arriving, folder.unfinished])
      mkdirSync(needed, { recursive: true, mode: 0o700 });
    return { ...held, folder };
  } catch (error) {
    return refusedPath(root, error);
  }
}

/** Throws `AlreadyRunning` where another server works over a folder. */
export const expectFree = (root: string): void => expectNotRunning(join(root, HOME));

/** Throws `Refused` for a folder that is somebody else's or a newer program's. Says whether it has the first layout. */
function expectOurs(root: string): boolean {
  const home = join(root, HOME);
  const marker = join(home, MARKER);
  if (existsSync(marker)) {
    const version = versionIn(marker);
    if (version > LAYOUT) {
      throw new Refused(
        `${root} was written by a newer Wide Quilt (version ${version} of the folder; this one knows ${LAYOUT}). Update Wide Quilt, or choose another folder with --data DIR.`,
      );
    }
    return false;
  }
  const inside = readdirSync(root).filter((name) => !NOBODYS.has(name));
  // A first start that was cut off leaves nothing but what it locked with.
  const isBegun =
    !existsSync(home) || readdirSync(home).every((name) => LOCK_FILES.has(name) || name === UNMARKED);
  if (isBegun && inside.every((name) => name === HOME)) return false;
  if (isDatabase(join(root, "wide-quilt.sqlite")) || isDatabase(join(home, "wide-quilt.sqlite"))) return true;
  throw new Refused(
    `${root} has something else in it (${inside.slice(0, 3).join(", ")}${inside.length > 3 ? " …" : ""}), and nothing says that it is Wide Quilt’s. Choose a new or an empty folder with --data DIR.`,
  );
}

function versionIn(marker: string): number {
  try {
    const { format, version } = JSON.parse(readFileSync(marker, "utf8")) as Record<string, unknown>;
    if (format === FORMAT && typeof version === "number") return version;
  } catch {
    // Said below.
  }
  throw new Refused(`${marker} is damaged. Take it away if the folder around it is Wide Quilt’s.`);
}

function isDatabase(path: string): boolean {
  if (!existsSync(path)) return false;
  const file = openSync(path, "r");
  const head = Buffer.alloc(SQLITE.length);
  readSync(file, head);
  closeSync(file);
  return head.toString("latin1") === SQLITE;
}

/** Moves what the first layout kept under our one name; broken off, it goes on at the next start. */
function bringFirstLayoutUp(root: string, { home }: DataFolder): void {
  for (const name of FIRST_LAYOUT) {
    const [from, to] = [join(root, name), join(home, name)];
    if (existsSync(from) && !existsSync(to)) renameSync(from, to);
  }
  rmSync(join(home, "photos", "arriving"), { recursive: true, force: true });
  const out = join(root, "out");
  if (!existsSync(out)) return;
  for (const name of readdirSync(out))
    if (HALF_PAINTED.test(name)) rmSync(join(out, name), { recursive: true, force: true });
}

function markOurs(home: string): void {
  const marker = join(home, MARKER);
  if (existsSync(marker)) return;
  const temporary = join(home, UNMARKED);
  writeFileSync(temporary, JSON.stringify({ format: FORMAT, version: LAYOUT }), { mode: 0o600, flush: true });
  renameSync(temporary, marker);
  const list = openSync(home, "r");
  fsyncSync(list);
  closeSync(list);
}
