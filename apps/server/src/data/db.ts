import type { BetterSQLite3Database } from "drizzle-orm/better-sqlite3";
import type * as schema from "./schema.ts";

/** The database of a data folder. */
export type Db = BetterSQLite3Database<typeof schema>;
