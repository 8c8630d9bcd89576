import { fileURLToPath } from "node:url";
import Database from "better-sqlite3";
import { drizzle, type BetterSQLite3Database } from "drizzle-orm/better-sqlite3";
import { migrate } from "drizzle-orm/better-sqlite3/migrator";
import * as schema from "./schema.ts";
import { bringUpToDate } from "./upToDate.ts";

export type Db = BetterSQLite3Database<typeof schema>;

/** Opens the database so that what was answered as saved survives a crash, and brings it up to date. */
export function openDatabase(path: string): { db: Db; close(): void } {
  const client = new Database(path);
  client.pragma("journal_mode = WAL");
  client.pragma("synchronous = FULL");
  client.pragma("foreign_keys = ON");
  client.pragma("busy_timeout = 5000");
  const db = drizzle(client, { schema });
  migrate(db, { migrationsFolder: fileURLToPath(new URL("../drizzle", import.meta.url)) });
  bringUpToDate(db);
  return { db, close: () => client.close() };
}

/** What the database is asked for by, in Nest's container. */
export const DB = Symbol("database");
