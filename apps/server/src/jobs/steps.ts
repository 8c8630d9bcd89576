import { and, asc, count, desc, eq, inArray, sql } from "drizzle-orm";
import { joinedPatch, meets, type Patch } from "@wide-quilt/core";
import type { StepsView } from "../contract.ts";
import type { Db } from "../data/db.ts";
import { revisions } from "../data/schema.ts";

type Step = typeof revisions.$inferSelect;

/** Steps that are kept one by one; older ones are folded together, some at a time. */
const FINE = 500;
const FOLDED = 25;
/** Folded steps that are kept; older ones are forgotten. */
const COARSE = 40;

/** The windows whose steps are left alone by one that asks: others that are open just now. */
export type Others = (client: string) => boolean;

/**
 * The steps of jobs, each belonging to the window that made it. A window takes back its own, and those of windows that
 * are gone.
 *
 *     number   1 ── 2 ── 3 ── 4 ── 5          undone: 5, 4 …  (the last done of one’s own is taken back first)
 *     client   A    B    A    A    A
 */
export class Steps {
  constructor(private readonly db: Db) {}

  view(job: string, others: Others): StepsView {
    const last = this.newest(job);
    return {
      undo: this.lastOwn(job, others)?.says ?? null,
      redo: this.nextUndone(job, others)?.says ?? null,
      theirs: last?.client && others(last.client) ? last.says : null,
    };
  }

  /** Remembers a change as a step, or as part of the step that the same gesture of the same window began. */
  remember(job: string, step: Pick<Step, "says" | "gesture" | "client" | "patch">, others: Others): void {
    const { gesture, client, patch } = step;
    const forgotten = this.undone(job).filter((one) => isOwn(one, others));
    this.remove(
      job,
      forgotten.map(({ number }) => number),
    );
    const last = this.newest(job);
    if (gesture !== null && last?.gesture === gesture && last.client === client) {
      this.set(job, last.number, { patch: joinedPatch(last.patch, patch) });
      return;
    }
    const most = this.db
      .select({ number: sql<number>`coalesce(max(${revisions.number}), 0)` })
      .from(revisions)
      .where(eq(revisions.jobId, job))
      .get()!;
    const number = most.number + 1;
    this.db
      .insert(revisions)
      .values({ jobId: job, number, ...step })
      .run();
    if (number % FOLDED === 0) this.fold(job);
  }

  /** The step that “Undo” takes back for a window, and what stands in its way. */
  toUndo(job: string, others: Others): { step: Step; inTheWay: Step | null } | null {
    const done = this.done(job, desc(revisions.number));
    const at = done.findIndex((one) => isOwn(one, others));
    if (at < 0) return null;
    const step = done[at]!;
    return { step, inTheWay: done.slice(0, at).find((later) => meets(step.patch, later.patch)) ?? null };
  }

  /** The step that “Redo” makes again for a window. */
  nextUndone(job: string, others: Others): Step | null {
    return this.undone(job).find((one) => isOwn(one, others)) ?? null;
  }

  /** The last step of a job, whoever made it. */
  newest(job: string): Step | null {
    return this.done(job, desc(revisions.number), 1)[0] ?? null;
  }

  /** A gesture that was taken back is over: what comes next is a step of its own. */
  setUndone(job: string, { number }: Step, undone: boolean): void {
    this.set(job, number, { undone, gesture: null });
  }

  private lastOwn(job: string, others: Others): Step | null {
    for (let from = 0; ; from += FOLDED) {
      const some = this.done(job, desc(revisions.number), FOLDED, from);
      const own = some.find((one) => isOwn(one, others));
      if (own || some.length < FOLDED) return own ?? null;
    }
  }

  private done(job: string, order: ReturnType<typeof desc>, most = -1, from = 0): Step[] {
    return this.db
      .select()
      .from(revisions)
      .where(and(eq(revisions.jobId, job), eq(revisions.undone, false)))
      .orderBy(order)
      .limit(most)
      .offset(from)
      .all();
  }

  private undone(job: string): Step[] {
    return this.db
      .select()
      .from(revisions)
      .where(and(eq(revisions.jobId, job), eq(revisions.undone, true)))
      .orderBy(asc(revisions.number))
      .all();
  }

  /** Draws the oldest steps together. */
  private fold(job: string): void {
    const all = this.db
      .select({ count: count() })
      .from(revisions)
      .where(and(eq(revisions.jobId, job), eq(revisions.undone, false)))
      .get()!.count;
    if (all <= FINE + COARSE) return;
    const oldest = this.done(job, asc(revisions.number), all - FINE);
    const [coarse, fine] = [oldest.filter(isFolded), oldest.filter((one) => !isFolded(one))];
    const some = fine.slice(0, FOLDED);
    if (some.length === FOLDED) {
      const patch = some.reduce<Patch>((joined, step) => joinedPatch(joined, step.patch), []);
      this.remove(
        job,
        some.slice(1).map(({ number }) => number),
      );
      this.set(job, some[0]!.number, { patch, says: `${FOLDED} earlier steps`, gesture: FOLD, client: null });
    }
    this.remove(
      job,
      coarse.slice(0, -COARSE).map(({ number }) => number),
    );
  }

  private set(job: string, number: number, values: Partial<Step>): void {
    this.db
      .update(revisions)
      .set(values)
      .where(and(eq(revisions.jobId, job), eq(revisions.number, number)))
      .run();
  }

  private remove(job: string, numbers: readonly number[]): void {
    if (numbers.length === 0) return;
    this.db
      .delete(revisions)
      .where(and(eq(revisions.jobId, job), inArray(revisions.number, [...numbers])))
      .run();
  }
}

/** The gesture that steps drawn together have. */
const FOLD = "folded";
const isFolded = ({ gesture }: Step): boolean => gesture === FOLD;

const isOwn = ({ client }: Step, others: Others): boolean => client === null || !others(client);
