import { eq, sql } from "drizzle-orm";
import type { PatternTarget } from "@wide-quilt/core";
import type { OfPattern } from "../contract.ts";
import type { Db } from "../data/db.ts";
import { patterns } from "../data/schema.ts";

/** Finds patterns by their names in addresses, or by those of their targets. */
export class OfPatterns {
  constructor(private readonly db: Db) {}

  /** The pattern that is called so, or whose target is. */
  find(id: string): { row: typeof patterns.$inferSelect; target: PatternTarget | null } | null {
    const row = this.db.select().from(patterns).where(eq(patterns.id, id)).get();
    if (row) return { row, target: null };
    const isTarget = sql`EXISTS (SELECT 1 FROM json_each(${patterns.targets}) WHERE json_extract(value, '$.id') = ${id})`;
    const of = this.db.select().from(patterns).where(isTarget).get();
    return of ? { row: of, target: of.targets.find((one) => one.id === id) ?? null } : null;
  }

  /** What a job is told of where it comes from; null where that is not in the book any more. */
  view(id: string | null): OfPattern | null {
    const found = id === null ? null : this.find(id);
    if (!found) return null;
    const { row, target } = found;
    return {
      id: row.id,
      name: row.name,
      targets: row.targets.length,
      target: target && { id: target.id, name: target.for.name },
    };
  }
}
