import { createSlice, type PayloadAction } from "@reduxjs/toolkit";
import type { JobEdit } from "@wide-quilt/core";

/** A sentence shown for a while at the foot of the page. */
export interface Notice {
  id: number;
  text: string;
  level: "right" | "look" | "wrong";
  /** What else could have been meant, and the edit that does that instead; it stays then. */
  offer?: { says: string; edit: JobEdit };
  /** Whether it offers to load the page again; it stays then. */
  reloads?: true;
}

let nextNotice = 1;

/** What the page tells in passing, the oldest first. */
export const notices = createSlice({
  name: "notices",
  initialState: [] as Notice[],
  reducers: {
    noticed: {
      prepare: (text: string, level: Notice["level"] = "look", offer?: Notice["offer"]) => ({
        payload: { id: nextNotice++, text, level, ...(offer && { offer }) },
      }),
      reducer: (state, { payload }: PayloadAction<Notice>): Notice[] => {
        // The same sentence twice says no more than once.
        return [...state.filter(({ text }) => text !== payload.text), payload].slice(-4);
      },
    },
    /** The server is a newer one than this page. */
    newerNoticed: (state) => {
      state.push({
        id: nextNotice++,
        text: "Wide Quilt was updated. What you did is saved; load the page again to go on with the new one.",
        level: "look",
        reloads: true,
      });
    },
    noticeClosed: (state, { payload }: PayloadAction<number>) => {
      return state.filter(({ id }) => id !== payload);
    },
  },
});

export const { noticed, newerNoticed, noticeClosed } = notices.actions;
