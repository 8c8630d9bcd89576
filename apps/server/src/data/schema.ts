import type { ProfileFacts } from "@wide-quilt/colour";
import {
  SHIPPED_CURRENCY,
  type EventEntry,
  type Format,
  type Job,
  type Kind,
  type Patch,
  type PatternTarget,
  type PhotoRecord,
  type PortraitStudy,
  type Printer,
  type Seen,
  type StyleChange,
} from "@wide-quilt/core";
import type { RunNaming, WorkState } from "../contract.ts";
import { index, integer, primaryKey, real, sqliteTable, text } from "drizzle-orm/sqlite-core";

/** Photos, each once: the id is the hash of the file. */
export const photos = sqliteTable("photos", {
  id: text("id").primaryKey(),
  record: text("record", { mode: "json" }).$type<PhotoRecord>().notNull(),
  addedAt: integer("added_at", { mode: "timestamp_ms" }).notNull(),
});

/**
 * What photos are known for, by the hash of the file: where heads are in them, found or set by hand. A photo need not be
 * here: what a job file says of one waits for it.
 */
export const heads = sqliteTable("heads", {
  photo: text("photo").primaryKey(),
  heads: text("heads", { mode: "json" }).$type<Seen["heads"]>().notNull(),
  by: text("by").$type<Seen["by"]>().notNull(),
  /** What was measured in the pixels of a portrait; null where nobody has, or where it is none. */
  study: text("study", { mode: "json" }).$type<PortraitStudy>(),
});

/** Graphics, each once: the id is the hash of what is kept of the file. */
export const graphics = sqliteTable("graphics", {
  id: text("id").primaryKey(),
  addedAt: integer("added_at", { mode: "timestamp_ms" }).notNull(),
});

/** Jobs as they are now. */
export const jobs = sqliteTable("jobs", {
  id: text("id").primaryKey(),
  job: text("job", { mode: "json" }).$type<Job>().notNull(),
  /** What lists show of it, so that they need not read it: its name, its kind, how many photos it has. */
  name: text("name").notNull().default(""),
  kind: text("kind").$type<Kind>().notNull().default("copies"),
  count: integer("count").notNull().default(0),
  /** Counts every change, undo included. */
  version: integer("version").notNull(),
  /** The pattern, or the target of one, that it was started from; null for neither. */
  pattern: text("pattern"),
  /** Said once to whoever opens it next; null for nothing. */
  notice: text("notice"),
  createdAt: integer("created_at", { mode: "timestamp_ms" }).notNull(),
  changedAt: integer("changed_at", { mode: "timestamp_ms" }).notNull(),
  binnedAt: integer("binned_at", { mode: "timestamp_ms" }),
});

/** The steps of a job: what each changed. */
export const revisions = sqliteTable(
  "revisions",
  {
    jobId: text("job_id")
      .notNull()
      .references(() => jobs.id, { onDelete: "cascade" }),
    number: integer("number").notNull(),
    /** What changed, in a word or two. */
    says: text("says").notNull(),
    /** Edits of one gesture (a drag, a turn of the wheel) are one step. */
    gesture: text("gesture"),
    /** The window that made it; null for nobody’s in particular. */
    client: text("client"),
    patch: text("patch", { mode: "json" }).$type<Patch>().notNull().default([]),
    /** Whether it was taken back. */
    undone: integer("undone", { mode: "boolean" }).notNull().default(false),
  },
  (table) => [primaryKey({ columns: [table.jobId, table.number] })],
);

/** Windows that changed a job, and the last thing each of them did, so that what is sent twice is done once. */
export const clients = sqliteTable(
  "clients",
  {
    jobId: text("job_id")
      .notNull()
      .references(() => jobs.id, { onDelete: "cascade" }),
    client: text("client").notNull(),
    lastAct: text("last_act").notNull(),
    seenAt: integer("seen_at", { mode: "timestamp_ms" }).notNull(),
  },
  (table) => [primaryKey({ columns: [table.jobId, table.client] })],
);

/** Kept layouts: jobs without their photos. */
export const patterns = sqliteTable("patterns", {
  id: text("id").primaryKey(),
  name: text("name").notNull(),
  /** The folder it lies in; "" for none. */
  folder: text("folder").notNull(),
  job: text("job", { mode: "json" }).$type<Job>().notNull(),
  /** Other printers that it is made for. */
  targets: text("targets", { mode: "json" }).$type<PatternTarget[]>().notNull().default([]),
  createdAt: integer("created_at", { mode: "timestamp_ms" }).notNull(),
});

/** Styles and looks that were kept under a name. */
export const styles = sqliteTable("styles", {
  id: text("id").primaryKey(),
  name: text("name").notNull().unique(),
  style: text("style", { mode: "json" }).$type<StyleChange>().notNull(),
  createdAt: integer("created_at", { mode: "timestamp_ms" }).notNull(),
});

/** Jobs as they were when runs were made of them, each once. */
export const runJobs = sqliteTable("run_jobs", {
  /** The hash of the job’s text. */
  hash: text("hash").primaryKey(),
  job: text("job", { mode: "json" }).$type<Job>().notNull(),
});

/** Every output that was made: how it was written, what came of it, and what lists show of its job. */
export const runs = sqliteTable(
  "runs",
  {
    id: text("id").primaryKey(),
    /** Counts up: runs are done and shown in this order, whatever the clock says. */
    number: integer("number").notNull().default(0),
    jobId: text("job_id").notNull(),
    jobHash: text("job_hash").notNull().default(""),
    jobName: text("job_name").notNull().default(""),
    /** The printer or way that it is made by, as the ticket has it. */
    madeBy: text("made_by").notNull().default(""),
    profile: text("profile"),
    format: text("format").$type<Format>().notNull(),
    quality: integer("quality").notNull(),
    state: text("state").$type<WorkState>().notNull(),
    /** Why it failed, or what else is to be said of its end, in a sentence. */
    why: text("why"),
    files: text("files", { mode: "json" }).$type<{ name: string; bytes: number }[]>().notNull(),
    createdAt: integer("created_at", { mode: "timestamp_ms" }).notNull(),
    doneAt: integer("done_at", { mode: "timestamp_ms" }),
    /** How its files are named and divided; null in runs of before this was kept. */
    naming: text("naming", { mode: "json" }).$type<RunNaming>(),
    /** The date that stands in its files: the same again gives the same bytes. */
    stamp: integer("stamp", { mode: "timestamp_ms" }),
    sheets: integer("sheets"),
    /** What it cost, about, paper and ink. */
    price: real("price"),
    /** What the price is in (ISO 4217). */
    currency: text("currency").notNull().default(SHIPPED_CURRENCY),
    /** The printer that it goes to; null for files. */
    printer: text("printer", { mode: "json" }).$type<{ name: string; address: string }>(),
    /** How many times painting it ended the painting process. */
    deaths: integer("deaths").notNull().default(0),
    /** Whether a person said that sheets which the printer forgot came out. */
    trusts: integer("trusts", { mode: "boolean" }).notNull().default(false),
    /** The run that it is made exactly as. */
    again: text("again"),
  },
  (table) => [index("runs_by_job").on(table.jobId), index("runs_by_number").on(table.number)],
);

/** What is known of each file or printed document of a run. */
export const runSheets = sqliteTable(
  "run_sheets",
  {
    runId: text("run_id")
      .notNull()
      .references(() => runs.id, { onDelete: "cascade" }),
    /** From 0, in the order of the files. */
    number: integer("number").notNull(),
    /** Its size once it is painted. */
    bytes: integer("bytes").notNull(),
    /** How much of each of its sheets the inks cover. */
    coverage: text("coverage", { mode: "json" }).$type<number[]>().notNull(),
    /** How far it is on its way to a printer; null before. */
    sent: text("sent").$type<"sending" | "sent" | "printed" | "unsure">(),
    /** Its number at the printer. */
    printerJob: integer("printer_job"),
  },
  (table) => [primaryKey({ columns: [table.runId, table.number] })],
);

/** Events that run by themselves. */
export const events = sqliteTable("events", {
  id: text("id").primaryKey(),
  name: text("name").notNull(),
  /** The end of the guests’ address, which nobody guesses. */
  guests: text("guests").notNull().unique(),
  /** What links of single sets are made with; it never leaves this computer. */
  secret: text("secret").notNull().default(""),
  /** What leaves the guests’ page; null for nothing. */
  pin: text("pin"),
  createdAt: integer("created_at", { mode: "timestamp_ms" }).notNull(),
  endedAt: integer("ended_at", { mode: "timestamp_ms" }),
});

/** The layouts of events’ sets as they were when they were chosen, by their names in the set-up. */
export const eventPatterns = sqliteTable(
  "event_patterns",
  {
    eventId: text("event_id")
      .notNull()
      .references(() => events.id, { onDelete: "cascade" }),
    id: text("id").notNull(),
    job: text("job", { mode: "json" }).$type<Job>().notNull(),
  },
  (table) => [primaryKey({ columns: [table.eventId, table.id] })],
);

/** What happened at events, in order, before anything was done about it. Nothing is ever changed here. */
export const eventEntries = sqliteTable(
  "event_entries",
  {
    eventId: text("event_id")
      .notNull()
      .references(() => events.id, { onDelete: "cascade" }),
    number: integer("number").notNull(),
    at: integer("at").notNull(),
    entry: text("entry", { mode: "json" }).$type<EventEntry>().notNull(),
  },
  (table) => [primaryKey({ columns: [table.eventId, table.number] })],
);

/** Files of an event’s folder that were dealt with, and what each was like then. */
export const eventFiles = sqliteTable(
  "event_files",
  {
    eventId: text("event_id")
      .notNull()
      .references(() => events.id, { onDelete: "cascade" }),
    file: text("file").notNull(),
    state: text("state").notNull(),
  },
  (table) => [primaryKey({ columns: [table.eventId, table.file] })],
);

/** Colour profiles that were added; the id is the hash of the file. */
export const profiles = sqliteTable("profiles", {
  id: text("id").primaryKey(),
  name: text("name").notNull(),
  of: text("of").$type<ProfileFacts["of"]>().notNull(),
  space: text("space").$type<ProfileFacts["space"]>().notNull(),
  /** Whether it is offered; one that was taken out is kept for runs that were made with it. */
  listed: integer("listed", { mode: "boolean" }).notNull(),
  createdAt: integer("created_at", { mode: "timestamp_ms" }).notNull(),
});

/** Places to print at. */
export const printers = sqliteTable("printers", {
  id: text("id").primaryKey(),
  printer: text("printer", { mode: "json" }).$type<Printer>().notNull(),
  /** Its place in the list. */
  place: integer("place").notNull(),
});
