import { existsSync, readdirSync, readFileSync, rmSync } from "node:fs";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";
import Database from "better-sqlite3";
import { drizzle } from "drizzle-orm/better-sqlite3";
import { migrate } from "drizzle-orm/better-sqlite3/migrator";
import type { Db } from "./db.ts";
import type { DataFolder } from "./folder.ts";
import { Refused } from "./refused.ts";
import * as schema from "./schema.ts";
import { bringUpToDate, isUpToDate } from "./upToDate.ts";

/** What the database is asked for by, in Nest's container. */
export const DB = Symbol("database");

const MIGRATIONS = fileURLToPath(new URL("../drizzle", import.meta.url));

/** Copies from before an upgrade that are kept; the oldest goes first. */
const COPIES = 3;
const COPY = /^before-upgrade-\d+\.sqlite$/;
/** SQLite’s answers to a file that is no database, or a broken one. */
const BROKEN = new Set(["SQLITE_NOTADB", "SQLITE_CORRUPT"]);

type Say = (line: string) => void;

export interface OpenDatabase {
  db: Db;
  /** Brings everything into the main file and lets go of it. */
  close(): void;
}

/**
 * Opens the database so that what was answered as saved survives a crash, and brings it up to date; a copy of it as it
 * was is made before. Throws `Refused` for one that is broken or of a newer program.
 */
export function openDatabase(
  { database: path, graphics }: DataFolder,
  say: Say = () => undefined,
): OpenDatabase {
  const isNew = !existsSync(path);
  const client = new Database(path);
  client.transaction = transactionOf(client) as typeof client.transaction;
  try {
    // Has to be said before the first table; what is freed is then given back to the disk.
    if (isNew) client.exec("PRAGMA auto_vacuum = INCREMENTAL");
    client.pragma("journal_mode = WAL");
    client.pragma("synchronous = FULL");
    client.pragma("foreign_keys = ON");
    client.pragma("busy_timeout = 5000");
    client.pragma("journal_size_limit = 1048576");
    const db = drizzle(client, { schema });
    const isBare = hasNoTables(client);
    if (isBare || needsUpgrade(client, path)) {
      if (!isBare) keepCopy(client, path, say);
      migrate(db, { migrationsFolder: MIGRATIONS });
      bringUpToDate(db, graphics);
      if (!isNew) client.exec("PRAGMA auto_vacuum = INCREMENTAL; VACUUM");
    }
    return {
      db,
      close: () => {
        client.exec("PRAGMA wal_checkpoint(TRUNCATE)");
        client.close();
      },
    };
  } catch (error) {
    client.close();
    throw BROKEN.has((error as { code?: string }).code ?? "") ? brokenAt(path) : error;
  }
}

/**
 * Transactions that throw what went wrong in them. The library’s own roll back what SQLite has rolled back by itself, as
 * it does on a full disk, and throw that that cannot be done.
 */
function transactionOf(client: Database.Database) {
  return (work: (...args: unknown[]) => unknown) => {
    const run = (...args: unknown[]): unknown => {
      client.exec("BEGIN IMMEDIATE");
      try {
        const result = work(...args);
        client.exec("COMMIT");
        return result;
      } catch (error) {
        try {
          client.exec("ROLLBACK");
        } catch {
          // There is no transaction any more.
        }
        throw error;
      }
    };
    return Object.assign(run, { default: run, deferred: run, immediate: run, exclusive: run });
  };
}

/** Whether the database is a new one, or a first start was cut off before it had its first table. */
const hasNoTables = (client: Database.Database): boolean =>
  client.prepare("SELECT 1 FROM sqlite_master LIMIT 1").get() === undefined;

/** Whether a step of the schema or a job's form is behind this program's. Throws `Refused` where one is ahead. */
function needsUpgrade(client: Database.Database, path: string): boolean {
  const steps = (
    JSON.parse(readFileSync(join(MIGRATIONS, "meta/_journal.json"), "utf8")) as {
      entries: { when: number }[];
    }
  ).entries;
  const done = client.prepare("SELECT max(created_at) AS at FROM __drizzle_migrations").get() as
    { at: number | null } | undefined;
  const [ours, theirs] = [steps.at(-1)!.when, Number(done?.at ?? 0)];
  if (theirs > ours) {
    throw new Refused(
      `${path} was written by a newer Wide Quilt. Update Wide Quilt, or choose another folder with --data DIR.`,
    );
  }
  return theirs < ours || !isUpToDate(client);
}

function keepCopy(client: Database.Database, path: string, say: Say): void {
  const home = dirname(path);
  const copy = join(home, `before-upgrade-${Date.now()}.sqlite`);
  client.prepare("VACUUM INTO ?").run(copy);
  say(`Bringing what is kept up to this version; a copy as it was is ${copy}`);
  const old = readdirSync(home)
    .filter((name) => COPY.test(name))
    .sort();
  for (const name of old.slice(0, -COPIES)) rmSync(join(home, name));
}

const brokenAt = (path: string): Refused => {
  const copies = existsSync(dirname(path))
    ? readdirSync(dirname(path)).filter((name) => COPY.test(name))
    : [];
  const last = copies.sort().at(-1);
  const help = last
    ? `A copy from before the last upgrade is beside it: ${last}.`
    : "Take a copy of yours, or choose another folder with --data DIR.";
  return new Refused(`The database ${path} is damaged and cannot be read. Nothing was changed. ${help}`);
};
