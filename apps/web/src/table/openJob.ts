import { createSlice, type PayloadAction } from "@reduxjs/toolkit";
import { applyEdit, type Job, type JobEdit, type PhotoRecord } from "@wide-quilt/core";
import type { JobView } from "@wide-quilt/server/contract";
import type { SentEdit } from "../api/client.ts";

/** The job on the table. */
export interface OpenJob {
  id: string | null;
  /** With every edit made here, sent or not. */
  job: Job | null;
  photos: Record<string, PhotoRecord>;
  /** The server's version that the next edits are made on. */
  version: number;
  undo: string | null;
  redo: string | null;
  changedAt: string;
  /** Edits that the server has not confirmed. */
  pending: SentEdit[];
  /** An edit of the gesture under way, shown but not yet made: a drag. */
  held: JobEdit | null;
  /** Whether the server does not answer, and the edits are kept here until it does. */
  waits: boolean;
  /** Why the job could not be opened. */
  failure: string | null;
}

const nothing: OpenJob = {
  id: null,
  job: null,
  photos: {},
  version: 0,
  undo: null,
  redo: null,
  changedAt: "",
  pending: [],
  held: null,
  waits: false,
  failure: null,
};

/** Takes over what the server says of the job, with the edits that it does not know yet on top. */
function takeOver(state: OpenJob, view: JobView): void {
  const job = state.pending.reduce((before, { edit }) => applyEdit(before, edit), view.job);
  state.job = state.job === null ? job : keepingSame(state.job, job);
  const news = Object.keys(view.photos).filter((id) => !(id in state.photos));
  for (const id of news) state.photos[id] = view.photos[id]!;
  state.version = view.version;
  state.undo = view.undo;
  state.redo = view.redo;
  state.changedAt = view.changedAt;
}

/**
 * The new job, but with every part that says the same as before left as the same object: the server mostly confirms
 * what is already shown, and then nothing has to be laid out or drawn again.
 */
function keepingSame(before: Job, now: Job): Job {
  const parts = Object.keys(now) as (keyof Job)[];
  const changed = parts.filter((part) => JSON.stringify(before[part]) !== JSON.stringify(now[part]));
  return changed.length === 0
    ? before
    : { ...before, ...Object.fromEntries(changed.map((part) => [part, now[part]])) };
}

export const openJob = createSlice({
  name: "openJob",
  initialState: nothing,
  reducers: {
    opening: (_, { payload }: PayloadAction<string>) => ({ ...nothing, id: payload }),
    opened: (state, { payload }: PayloadAction<JobView>) => {
      if (state.id !== payload.id) return;
      takeOver(state, payload);
      state.failure = null;
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
    waiting: (state) => {
      state.waits = true;
    },
    /** The server has taken in the edits with these names. */
    confirmed: (state, { payload }: PayloadAction<{ ids: string[]; view: JobView }>) => {
      if (state.id !== payload.view.id) return;
      state.pending = state.pending.filter(({ id }) => !payload.ids.includes(id));
      state.waits = false;
      takeOver(state, payload.view);
    },
    photosCame: (state, { payload }: PayloadAction<Record<string, PhotoRecord>>) => {
      Object.assign(state.photos, payload);
    },
  },
});

export const { opening, opened, notOpened, edited, held, waiting, confirmed, photosCame } = openJob.actions;
