import { createStore, del, entries, set } from "idb-keyval";
import { readEdit } from "@wide-quilt/core";
import type { SentEdit } from "../api/client.ts";

/** Edits of one job that the server has not confirmed, as the browser keeps them. */
interface Kept {
  job: string;
  client: string;
  edits: SentEdit[];
}

/** Where there is no store (a private window, a test), edits are kept in memory alone. */
const kept = typeof indexedDB === "undefined" ? undefined : createStore("wide-quilt", "edits");

const keyOf = (job: string, client: string): string => `${job} ${client}`;

/** Writes follow each other, so that the last one stays. */
let line: Promise<unknown> = Promise.resolve();
const inLine = (act: () => Promise<unknown>): Promise<unknown> =>
  (line = line.then(act).catch(() => undefined));

/** Keeps what a window has not got confirmed of a job, over reloads and crashes; nothing where there is nothing left. */
export function keepPending(job: string, client: string, edits: readonly SentEdit[]): void {
  if (!kept) return;
  const key = keyOf(job, client);
  void inLine(() =>
    edits.length === 0 ? del(key, kept) : set(key, { job, client, edits: [...edits] } satisfies Kept, kept),
  );
}

/** What windows have not got confirmed of a job; pages of an older version may have kept some of it. */
export async function pendingOf(job: string): Promise<Kept[]> {
  if (!kept) return [];
  await line;
  const all = await entries<string, Kept>(kept).catch(() => []);
  return all
    .map(([, value]) => value)
    .filter((one) => one.job === job && one.edits.length > 0)
    .map((one) => ({ ...one, edits: one.edits.map(asToday) }));
}

/** An edit as it is made today; one that cannot be read stays as it is, for the server to refuse with a sentence. */
function asToday(sent: SentEdit): SentEdit {
  const reading = readEdit(sent.edit);
  return reading.ok ? { ...sent, edit: reading.edit } : sent;
}
