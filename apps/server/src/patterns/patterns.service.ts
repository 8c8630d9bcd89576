import { randomUUID } from "node:crypto";
import { Inject, Injectable } from "@nestjs/common";
import { asc, eq } from "drizzle-orm";
import {
  correctionsOf,
  makeFor,
  PATTERN_TARGETS,
  readMadeFor,
  readPattern,
  SHIPPED_PATTERNS,
  withoutPhotos,
  writePattern,
  type Job,
  type MadeFor,
  type Pattern,
  type PatternTarget,
} from "@wide-quilt/core";
import type { JobView, PatternView } from "../contract.ts";
import { DB } from "../data/database.ts";
import type { Db } from "../data/db.ts";
import { patterns } from "../data/schema.ts";
import { JobsService } from "../jobs/jobs.service.ts";
import { Problem } from "../safety/problem.ts";
import { OfPatterns } from "./ofPatterns.ts";

type PatternRow = typeof patterns.$inferSelect;

/** The pattern book: layouts kept without their photos, made for one printer or several, and jobs started from them. */
@Injectable()
export class PatternsService {
  private readonly of: OfPatterns;

  constructor(
    @Inject(DB) private readonly db: Db,
    @Inject(JobsService) private readonly jobs: JobsService,
  ) {
    this.of = new OfPatterns(db);
  }

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
    const layout = withoutPhotos(this.jobs.job(job));
    const kept = this.keep({ name: name.trim(), folder: folder.trim(), job: layout, targets: [] });
    this.jobs.setPattern(job, kept.id);
    return kept;
  }

  /**
   * The layout of a job that was started from a pattern goes back into it: as the pattern’s own, whose targets are all made
   * anew by that; or, of a job for one of its targets, as what is set by hand for that one.
   */
  keepInto(job: string): PatternView {
    const pattern = this.jobs.ofPattern(job);
    if (!pattern) {
      throw Problem.notFound(
        "pattern",
        "The pattern that this job was started from is not in the book any more. Keep it as a new one.",
      );
    }
    const row = this.row(pattern.id);
    const layout = withoutPhotos(this.jobs.job(job));
    const target = row.targets.find(({ id }) => id === pattern.target?.id);
    if (!target) return this.set(row, { job: { ...layout, name: row.job.name } });
    const { computed } = makeFor(row.job, target);
    const corrections = correctionsOf(computed, { ...layout, name: computed.name });
    return this.set(row, { targets: changed(row.targets, { ...target, corrections }) });
  }

  /** Makes a pattern for one more printer. One that comes with the program is copied into the book for it. */
  addTarget(id: string, value: unknown): PatternView {
    const madeFor = this.read(value);
    const row = this.own(id);
    if (row.targets.length >= PATTERN_TARGETS) {
      throw new Problem(
        409,
        "too-many-targets",
        "Not made",
        `A pattern is made for ${PATTERN_TARGETS} printers at most. Take one out first.`,
      );
    }
    return this.set(row, {
      targets: [...row.targets, { id: randomUUID(), for: madeFor, corrections: [] }],
    });
  }

  changeTarget(id: string, target: string, value: unknown): PatternView {
    const madeFor = this.read(value);
    const row = this.row(id);
    return this.set(row, { targets: changed(row.targets, { ...targetOf(row, target), for: madeFor }) });
  }

  /** Forgets what was set by hand for a target. */
  uncorrect(id: string, target: string): PatternView {
    const row = this.row(id);
    return this.set(row, { targets: changed(row.targets, { ...targetOf(row, target), corrections: [] }) });
  }

  removeTarget(id: string, target: string): PatternView {
    const row = this.row(id);
    const gone = targetOf(row, target);
    return this.set(row, { targets: row.targets.filter((one) => one !== gone) });
  }

  /** Keeps a pattern that was read from a file. Throws a Problem that says what is wrong with it. */
  import(file: unknown): PatternView {
    const reading = readPattern(file);
    if (!reading.ok) throw notRead("not-a-pattern", "Not a pattern that can be read", reading.faults);
    const { targets, ...pattern } = reading.pattern;
    // The same file may be brought in twice: its targets are others each time.
    return this.keep({ ...pattern, targets: targets.map((one) => ({ ...one, id: randomUUID() })) });
  }

  file(id: string) {
    return writePattern(this.whole(id));
  }

  change(id: string, change: { name?: string; folder?: string }): PatternView {
    const row = this.row(id);
    const name = change.name?.trim() ?? row.name;
    const folder = change.folder?.trim() ?? row.folder;
    return this.set(row, { name, folder });
  }

  remove(id: string): void {
    this.row(id);
    this.db.delete(patterns).where(eq(patterns.id, id)).run();
  }

  /** Starts a job with the layout of a pattern, or of one of its targets, under the pattern’s name. */
  start(id: string): JobView {
    const { name, job } = this.pattern(id);
    return this.jobs.keep({ ...job, name }, id);
  }

  /** A layout of the book: of a pattern that was kept or comes with the program, or of one of its targets. */
  pattern(id: string): { name: string; job: Job } {
    const shipped = SHIPPED_PATTERNS.find((pattern) => pattern.id === id);
    if (shipped) return shipped;
    const found = this.of.find(id);
    if (!found) throw notHere();
    const { row, target } = found;
    if (!target) return row;
    return { name: `${row.name}, ${target.for.name}`.slice(0, 200), job: makeFor(row.job, target).job };
  }

  private keep(pattern: Pattern): PatternView {
    const row = { id: randomUUID(), ...pattern, createdAt: new Date() };
    this.db.insert(patterns).values(row).run();
    return viewOf(row);
  }

  private set(row: PatternRow, change: Partial<Pattern>): PatternView {
    this.db.update(patterns).set(change).where(eq(patterns.id, row.id)).run();
    return viewOf({ ...row, ...change });
  }

  /** A pattern that can be changed: the book’s own, or a copy of one that comes with the program. */
  private own(id: string): PatternRow {
    const shipped = SHIPPED_PATTERNS.find((pattern) => pattern.id === id);
    if (!shipped) return this.row(id);
    const { name, folder, job, targets } = shipped;
    return this.row(this.keep({ name, folder, job, targets }).id);
  }

  private whole(id: string): Pattern {
    return SHIPPED_PATTERNS.find((pattern) => pattern.id === id) ?? this.row(id);
  }

  private row(id: string): PatternRow {
    const row = this.db.select().from(patterns).where(eq(patterns.id, id)).get();
    if (!row) throw notHere();
    return row;
  }

  private read(value: unknown): MadeFor {
    const reading = readMadeFor(value);
    if (!reading.ok) throw notRead("not-a-target", "Not something to make it for", reading.faults);
    return reading.madeFor;
  }
}

const notHere = () => Problem.notFound("pattern", "This pattern is not in the book any more.");

function notRead(type: string, title: string, faults: readonly { field: string; why: string }[]): Problem {
  const why = faults
    .map((fault) => fault.why)
    .slice(0, 3)
    .join(" ");
  return new Problem(422, type, title, why, { field: faults[0]!.field, faults: [...faults] });
}

function targetOf({ targets }: PatternRow, id: string): PatternTarget {
  const target = targets.find((one) => one.id === id);
  if (!target) throw Problem.notFound("target", "The pattern is not made for this printer any more.");
  return target;
}

const changed = (targets: readonly PatternTarget[], to: PatternTarget): PatternTarget[] =>
  targets.map((one) => (one.id === to.id ? to : one));

const viewOf = ({ createdAt, ...row }: PatternRow): PatternView => ({
  ...row,
  keptAt: createdAt.toISOString(),
});
