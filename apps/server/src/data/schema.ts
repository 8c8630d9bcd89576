import type { ProfileFacts } from "@wide-quilt/colour";
import type { Format, Job, PhotoRecord, Printer, StyleChange } from "@wide-quilt/core";
import type { RunNaming, WorkState } from "../contract.ts";
import { index, integer, primaryKey, real, sqliteTable, text } from "drizzle-orm/sqlite-core";

/** Photos, each once: the id is the hash of the file. */
export const photos = sqliteTable("photos", {
  id: text("id").primaryKey(),
  record: text("record", { mode: "json" }).$type<PhotoRecord>().notNull(),
  addedAt: integer("added_at", { mode: "timestamp_ms" }).notNull(),
});

/** Jobs as they are now. */
export const jobs = sqliteTable("jobs", {
  id: text("id").primaryKey(),
  job: text("job", { mode: "json" }).$type<Job>().notNull(),
  /** Counts every change, undo included; a change must say which version it was made on. */
  version: integer("version").notNull(),
  /** The revision that the job stands at; 0 before the first. Undo lowers it. */
  at: integer("at").notNull(),
  /** The last edit taken in, so that one that is sent twice is applied once. */
  lastEdit: text("last_edit"),
  createdAt: integer("created_at", { mode: "timestamp_ms" }).notNull(),
  changedAt: integer("changed_at", { mode: "timestamp_ms" }).notNull(),
  binnedAt: integer("binned_at", { mode: "timestamp_ms" }),
});

/** The steps of a job: the parts that a step changed, before and after. */
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
    before: text("before", { mode: "json" }).$type<Partial<Job>>().notNull(),
    after: text("after", { mode: "json" }).$type<Partial<Job>>().notNull(),
  },
  (table) => [primaryKey({ columns: [table.jobId, table.number] })],
);

/** Kept layouts: jobs without their photos. */
export const patterns = sqliteTable("patterns", {
  id: text("id").primaryKey(),
  name: text("name").notNull(),
  /** The folder it lies in; "" for none. */
  folder: text("folder").notNull(),
  job: text("job", { mode: "json" }).$type<Job>().notNull(),
  createdAt: integer("created_at", { mode: "timestamp_ms" }).notNull(),
});

/** Styles and looks that were kept under a name. */
export const styles = sqliteTable("styles", {
  id: text("id").primaryKey(),
  name: text("name").notNull().unique(),
  style: text("style", { mode: "json" }).$type<StyleChange>().notNull(),
  createdAt: integer("created_at", { mode: "timestamp_ms" }).notNull(),
});

/** Every output that was made: the job as it was, how it was written, what came of it. */
export const runs = sqliteTable(
  "runs",
  {
    id: text("id").primaryKey(),
    jobId: text("job_id").notNull(),
    job: text("job", { mode: "json" }).$type<Job>().notNull(),
    format: text("format").$type<Format>().notNull(),
    quality: integer("quality").notNull(),
    state: text("state").$type<WorkState>().notNull(),
    /** Why it failed, in a sentence. */
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
    /** The printer that it goes to; null for files. */
    printer: text("printer", { mode: "json" }).$type<{ name: string; address: string }>(),
    /** How many of its documents the printer has reported as printed: none of them is sent again. */
    printed: integer("printed").notNull().default(0),
    /** The run that it is made exactly as. */
    again: text("again"),
  },
  (table) => [index("runs_by_job").on(table.jobId)],
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
