import { randomBytes } from "node:crypto";
import {
  eventBefore,
  eventStep,
  type EventEffect,
  type EventEntry,
  type EventState,
  type Job,
} from "@wide-quilt/core";
import { asc, eq } from "drizzle-orm";
import type { Db } from "../data/db.ts";
import { eventEntries, eventPatterns, events } from "../data/schema.ts";

export type EventRow = typeof events.$inferSelect;

export const newSecret = (): string => randomBytes(32).toString("base64url");

/** An event that is known: what it is now, from the entries in the database. */
export class Stage {
  private constructor(
    private readonly db: Db,
    readonly row: EventRow,
    public state: EventState,
    private layouts: Readonly<Record<string, Job>>,
    /** How many entries there are. */
    public entries: number,
  ) {}

  /** Begins an event; its set-up is the first thing that happens at it. */
  static begin(
    db: Db,
    row: EventRow,
    layouts: Readonly<Record<string, Job>>,
    entry: Extract<EventEntry, { do: "setup" }>,
  ): Stage {
    return db.transaction((tx) => {
      tx.insert(events).values(row).run();
      for (const [id, job] of Object.entries(layouts))
        tx.insert(eventPatterns).values({ eventId: row.id, id, job }).run();
      const at = row.createdAt.getTime();
      tx.insert(eventEntries).values({ eventId: row.id, number: 1, at, entry }).run();
      return new Stage(db, row, eventBefore(entry.setup), layouts, 1);
    });
  }

  /** Plays an event from its first entry; null where there is no such event. */
  static replay(db: Db, id: string): Stage | null {
    const row = db.select().from(events).where(eq(events.id, id)).get();
    if (!row) return null;
    // Events of before sets had links.
    if (row.secret === "") {
      row.secret = newSecret();
      db.update(events).set({ secret: row.secret }).where(eq(events.id, id)).run();
    }
    const all = db
      .select()
      .from(eventEntries)
      .where(eq(eventEntries.eventId, id))
      .orderBy(asc(eventEntries.number))
      .all();
    const [first] = all;
    if (first?.entry.do !== "setup") throw new Error(`Event ${id} does not begin with its set-up`);
    const state = all.reduce(
      (before, { entry, at }) => eventStep(before, entry, at).state,
      eventBefore(first.entry.setup),
    );
    const layouts = db.select().from(eventPatterns).where(eq(eventPatterns.eventId, id)).all();
    return new Stage(db, row, state, Object.fromEntries(layouts.map((one) => [one.id, one.job])), all.length);
  }

  get patterns(): Readonly<Record<string, Job>> {
    return this.layouts;
  }

  /** Keeps further layouts with the event. */
  addPatterns(added: Readonly<Record<string, Job>>): void {
    for (const [id, job] of Object.entries(added))
      this.db.insert(eventPatterns).values({ eventId: this.row.id, id, job }).onConflictDoNothing().run();
    this.layouts = { ...this.layouts, ...added };
  }

  /** Enters what happened, before anything is done about it. Says what is to be done; null where it changed nothing. */
  enter(entry: EventEntry, at: number): EventEffect[] | null {
    const { state, effects } = eventStep(this.state, entry, at);
    if (state === this.state) return null;
    const eventId = this.row.id;
    this.db
      .insert(eventEntries)
      .values({ eventId, number: this.entries + 1, at, entry })
      .run();
    this.state = state;
    this.entries++;
    return effects;
  }
}
