import { randomUUID } from "node:crypto";
import { Inject, Injectable } from "@nestjs/common";
import { asc, eq } from "drizzle-orm";
import { readPattern, SHIPPED_PATTERNS, withoutPhotos, writePattern, type Pattern } from "@wide-quilt/core";
import type { JobView, PatternView } from "../contract.ts";
import { DB } from "../data/database.ts";
import type { Db } from "../data/db.ts";
import { patterns } from "../data/schema.ts";
import { JobsService } from "../jobs/jobs.service.ts";
import { Problem } from "../safety/problem.ts";

type PatternRow = typeof patterns.$inferSelect;

/** The pattern book: layouts kept without their photos, and jobs started from them. */
@Injectable()
export class PatternsService {
  constructor(
    @Inject(DB) private readonly db: Db,
    @Inject(JobsService) private readonly jobs: JobsService,
  ) {}

  list(): PatternView[] {
    const kept = this.db
      .select()
      .from(patterns)
      .orderBy(asc(patterns.folder), asc(patterns.name))
      .all()
      .map(viewOf);
    return [...kept, ...SHIPPED_PATTERNS.map((pattern) => ({ ...pattern, keptAt: null }))];
  }

  keepJob(job: string, name: string, folder: string): PatternView {
    return this.keep({ name: name.trim(), folder: folder.trim(), job: withoutPhotos(this.jobs.job(job)) });
  }

  /** Keeps a pattern that was read from a file. Throws a Problem that says what is wrong with it. */
  import(file: unknown): PatternView {
    const reading = readPattern(file);
    if (reading.ok) return this.keep(reading.pattern);
    const why = reading.faults
      .map((fault) => fault.why)
      .slice(0, 3)
      .join(" ");
    throw new Problem(422, "not-a-pattern", "Not a pattern that can be read", why, {
      field: reading.faults[0]!.field,
      faults: reading.faults,
    });
  }

  file(id: string) {
    return writePattern(this.pattern(id));
  }

  change(id: string, change: { name?: string; folder?: string }): PatternView {
    const row = this.row(id);
    const name = change.name?.trim() ?? row.name;
    const folder = change.folder?.trim() ?? row.folder;
    this.db.update(patterns).set({ name, folder }).where(eq(patterns.id, id)).run();
    return viewOf({ ...row, name, folder });
  }

  remove(id: string): void {
    this.row(id);
    this.db.delete(patterns).where(eq(patterns.id, id)).run();
  }

  /** Starts a job with a pattern's layout, under the pattern's name. */
  start(id: string): JobView {
    const { name, job } = this.pattern(id);
    return this.jobs.keep({ ...job, name });
  }

  private keep(pattern: Pattern): PatternView {
    const row = { id: randomUUID(), ...pattern, createdAt: new Date() };
    this.db.insert(patterns).values(row).run();
    return viewOf(row);
  }

  /** A pattern that was kept, or one that comes with the program. */
  pattern(id: string): Pattern {
    return SHIPPED_PATTERNS.find((pattern) => pattern.id === id) ?? this.row(id);
  }

  private row(id: string): PatternRow {
    const row = this.db.select().from(patterns).where(eq(patterns.id, id)).get();
    if (!row) throw Problem.notFound("pattern", "This pattern is not in the book any more.");
    return row;
  }
}

const viewOf = ({ createdAt, ...row }: PatternRow): PatternView => ({
  ...row,
  keptAt: createdAt.toISOString(),
});
