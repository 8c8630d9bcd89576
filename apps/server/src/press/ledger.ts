import { createHash } from "node:crypto";
import { Inject, Injectable } from "@nestjs/common";
import { and, asc, desc, eq, inArray, isNull, ne, notInArray, or, sql } from "drizzle-orm";
import type { Job } from "@wide-quilt/core";
import type { WorkState } from "../contract.ts";
import { DB } from "../data/database.ts";
import type { Db } from "../data/db.ts";
import { runJobs, runs, runSheets } from "../data/schema.ts";
import { Problem } from "../safety/problem.ts";
import type { PaintedPart } from "./task.ts";

export type RunRow = typeof runs.$inferSelect;
/** A file or a printed document of a run, as far as it is made. */
export type SheetRow = typeof runSheets.$inferSelect;

/** The size of a document that is to be painted again. */
const UNPAINTED = -1;

/** States of runs that are not over. */
export const OPEN: WorkState[] = ["waiting", "painting", "paused", "asking"];

/** What is known of runs, in the database before anything is done about it. */
@Injectable()
export class Ledger {
  constructor(@Inject(DB) private readonly db: Db) {}

  /** Enters a new run, with its job as it is now; the same job is kept once. */
  enter(
    job: Job,
    row: Omit<RunRow, "number" | "jobHash" | "deaths" | "trusts" | "price" | "why" | "doneAt">,
  ): void {
    const text = JSON.stringify(job);
    const hash = createHash("sha256").update(text).digest("hex");
    this.db.transaction((tx) => {
      tx.insert(runJobs).values({ hash, job }).onConflictDoNothing().run();
      const { last } = tx
        .select({ last: sql<number>`coalesce(max(${runs.number}), 0)` })
        .from(runs)
        .get()!;
      tx.insert(runs)
        .values({ ...row, number: last + 1, jobHash: hash })
        .run();
    });
  }

  has(id: string): boolean {
    return this.db.select({ id: runs.id }).from(runs).where(eq(runs.id, id)).get() !== undefined;
  }

  row(id: string): RunRow {
    const row = this.db.select().from(runs).where(eq(runs.id, id)).get();
    if (!row) throw Problem.notFound("run", "There is no such run.");
    return row;
  }

  job({ jobHash }: Pick<RunRow, "jobHash">): Job {
    return this.db.select().from(runJobs).where(eq(runJobs.hash, jobHash)).get()!.job;
  }

  /** The newest first. */
  newest(most: number, jobId?: string): RunRow[] {
    const all = this.db.select().from(runs);
    return (jobId ? all.where(eq(runs.jobId, jobId)) : all).orderBy(desc(runs.number)).limit(most).all();
  }

  /** Runs in a state, the oldest first. */
  inState(...states: WorkState[]): RunRow[] {
    return this.db.select().from(runs).where(inArray(runs.state, states)).orderBy(asc(runs.number)).all();
  }

  /** Runs that are over and made nothing half. */
  over(): string[] {
    return this.db
      .select({ id: runs.id })
      .from(runs)
      .where(notInArray(runs.state, [...OPEN, "failed"]))
      .all()
      .map(({ id }) => id);
  }

  set(id: string, values: Partial<RunRow>): void {
    this.db.update(runs).set(values).where(eq(runs.id, id)).run();
  }

  sheets(run: string): SheetRow[] {
    return this.db
      .select()
      .from(runSheets)
      .where(eq(runSheets.runId, run))
      .orderBy(asc(runSheets.number))
      .all();
  }

  painted(run: string, number: number, { bytes, coverage }: PaintedPart): void {
    this.db
      .insert(runSheets)
      .values({ runId: run, number, bytes, coverage })
      .onConflictDoUpdate({ target: [runSheets.runId, runSheets.number], set: { bytes, coverage } })
      .run();
  }

  /** Has the documents of a run painted again that are not printed: what was passed on may be lost after a power cut. */
  distrust(run: string): void {
    this.db
      .update(runSheets)
      .set({ bytes: UNPAINTED })
      .where(and(eq(runSheets.runId, run), or(isNull(runSheets.sent), ne(runSheets.sent, "printed"))))
      .run();
  }

  setSheet(run: string, number: number, values: Pick<Partial<SheetRow>, "sent" | "printerJob">): void {
    this.db
      .update(runSheets)
      .set(values)
      .where(and(eq(runSheets.runId, run), eq(runSheets.number, number)))
      .run();
  }

  /** Forgets what was painted of a run that begins anew; what went to a printer is never forgotten. */
  forgetPainted(run: string): void {
    this.db
      .delete(runSheets)
      .where(and(eq(runSheets.runId, run), sql`${runSheets.sent} IS NULL`))
      .run();
  }
}
