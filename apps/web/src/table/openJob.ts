import { createSlice, original, type PayloadAction } from "@reduxjs/toolkit";
import {
  applyEdit,
  isSame,
  patched,
  type Job,
  type JobEdit,
  type PhotoRecord,
  type Seen,
} from "@wide-quilt/core";
import type { JobChange, JobView, OfPattern, StepsView } from "@wide-quilt/server/contract";
import type { SentEdit } from "../api/client.ts";

/** The job on the table. */
export interface OpenJob extends StepsView {
  id: string | null;
  /** With every edit made here, sent or not. */
  job: Job | null;
  /** As the server has it in `version`. */
  saved: Job | null;
  photos: Record<string, PhotoRecord>;
  /** What was found in photos that are not in the job yet: news may come before the photo does. */
  seenEarly: Record<string, Seen>;
  /** The server's version that this window has. */
  version: number;
  changedAt: string;
  /** Edits that the server has not confirmed. */
  pending: SentEdit[];
  /** An edit of the gesture under way, shown but not yet made: a drag. */
  held: JobEdit | null;
  /** Whether the server does not answer, and the edits are kept here until it does. */
  waits: boolean;
  /** Whether the server is further than this window can follow, and the job has to be asked for. */
  isBehind: boolean;
  /** Whether the job was deleted while it was open here. */
  isGone: boolean;
  /** Why the job could not be opened. */
  failure: string | null;
  /** The pattern that it was started from. */
  pattern: OfPattern | null;
}

const nothing: OpenJob = {
  id: null,
  job: null,
  saved: null,
  photos: {},
  seenEarly: {},
  version: 0,
  undo: null,
  redo: null,
  theirs: null,
  changedAt: "",
  pending: [],
  held: null,
  waits: false,
  isBehind: false,
  isGone: false,
  failure: null,
  pattern: null,
};

/**
 * The job with edits on top; one that does not fit it any more, or that a page of another version kept, is passed over, as
 * the server will say why.
 */
const withEdits = (job: Job, edits: readonly SentEdit[]): Job =>
  edits.reduce((before, { edit }) => {
    try {
      return applyEdit(before, edit);
    } catch {
      return before;
    }
  }, job);

/**
 * The new job, but with every part that says the same as before left as the same object: the server mostly confirms
 * what is already shown, and then nothing has to be laid out or drawn again.
 */
function keepingSame(before: Job | null, now: Job): Job {
  if (before === null) return now;
  const parts = Object.keys(now) as (keyof Job)[];
  const changed = parts.filter((part) => !isSame(before[part], now[part]));
  return changed.length === 0
    ? before
    : { ...before, ...Object.fromEntries(changed.map((part) => [part, now[part]])) };
}

/** What is left of edits once the last one that the server took in, and those before it, are confirmed. */
const afterTaken = (pending: readonly SentEdit[], taken: string | null): SentEdit[] =>
  pending.slice(pending.findIndex(({ id }) => id === taken) + 1);

/** Whether more is known of a photo than another record of it says. */
const isMore = ({ seen }: Pick<PhotoRecord, "seen">, than: PhotoRecord): boolean =>
  seen !== undefined && (!than.seen || (seen.study !== undefined && !than.seen.study));

/** A photo that came, with what was heard of it before. */
const known = ({ seenEarly }: Pick<OpenJob, "seenEarly">, id: string, record: PhotoRecord): PhotoRecord => {
  const seen = seenEarly[id];
  return seen && isMore({ seen }, record) ? { ...record, seen } : record;
};

/** The state once the server has said what the job is. */
function withSaved(
  before: OpenJob,
  saved: Job,
  said: Pick<JobChange, "version" | "changedAt" | "taken" | "photos"> & StepsView,
): OpenJob {
  const pending = afterTaken(before.pending, said.taken);
  const news = Object.keys(said.photos).filter(
    (id) => !(id in before.photos) || isMore(said.photos[id]!, before.photos[id]!),
  );
  const { version, changedAt, undo, redo, theirs } = said;
  return {
    ...before,
    saved,
    job: keepingSame(before.job, withEdits(saved, pending)),
    pending,
    photos:
      news.length === 0
        ? before.photos
        : {
            ...before.photos,
            ...Object.fromEntries(news.map((id) => [id, known(before, id, said.photos[id]!)])),
          },
    version,
    changedAt,
    undo,
    redo,
    theirs,
    isBehind: false,
    failure: null,
  };
}

export const openJob = createSlice({
  name: "openJob",
  initialState: nothing,
  reducers: {
    /** Another job comes on the table, with what the browser kept of edits to it. */
    opening: (_, { payload }: PayloadAction<{ id: string; pending: SentEdit[] }>) => ({
      ...nothing,
      ...payload,
    }),
    opened: (state, { payload }: PayloadAction<JobView>) => {
      const before = original(state)!;
      if (before.id !== payload.id || payload.version < before.version) return;
      return { ...withSaved(before, payload.job, payload), pattern: payload.pattern };
    },
    /** The pattern that the job is of from now on. */
    patternCame: (state, { payload }: PayloadAction<OfPattern>) => {
      state.pattern = payload;
    },
    notOpened: (state, { payload }: PayloadAction<string>) => {
      state.failure = payload;
    },
    /** An edit made here: seen at once, sent soon. */
    edited: (state, { payload }: PayloadAction<SentEdit>) => {
      if (!state.job) return;
      state.job = applyEdit(state.job, payload.edit);
      state.pending.push(payload);
      state.held = null;
    },
    held: (state, { payload }: PayloadAction<JobEdit | null>) => {
      state.held = payload;
    },
    waiting: (state, { payload }: PayloadAction<boolean>) => {
      state.waits = payload;
    },
    /** What the server made of edits, or what became of the job elsewhere. */
    changed: (state, { payload }: PayloadAction<JobChange>) => {
      const before = original(state)!;
      if (before.id !== payload.id || before.saved === null) return;
      // An answer that was overtaken by a later one says nothing new.
      if (payload.version < before.version) return;
      const saved =
        payload.job ?? (payload.from === before.version ? patched(before.saved, payload.patch) : null);
      if (saved) return withSaved(before, saved, payload);
      state.isBehind = payload.version > before.version;
    },
    /** Edits that the server refused are taken back. */
    refused: (state, { payload }: PayloadAction<string>) => {
      const before = original(state)!;
      const pending = before.pending.filter(({ id }) => id !== payload);
      return {
        ...before,
        pending,
        job: before.saved && keepingSame(before.job, withEdits(before.saved, pending)),
      };
    },
    gone: (state, { payload }: PayloadAction<string>) => {
      if (state.id === payload) Object.assign(state, { isGone: true, pending: [], waits: false });
    },
    photosCame: (state, { payload }: PayloadAction<Record<string, PhotoRecord>>) => {
      for (const [id, record] of Object.entries(payload)) state.photos[id] = known(state, id, record);
    },
    /** Where heads are in photos, found or set. */
    headsCame: (state, { payload }: PayloadAction<Record<string, Seen>>) => {
      for (const [photo, seen] of Object.entries(payload)) {
        const record = state.photos[photo];
        if (record) record.seen = seen;
        else state.seenEarly[photo] = seen;
      }
    },
  },
});

export const {
  opening,
  opened,
  patternCame,
  notOpened,
  edited,
  held,
  waiting,
  changed,
  refused,
  gone,
  photosCame,
  headsCame,
} = openJob.actions;
