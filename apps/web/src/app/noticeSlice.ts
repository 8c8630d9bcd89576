import { createSlice, type PayloadAction } from "@reduxjs/toolkit";

/** A sentence shown for a while at the foot of the page. */
export interface Notice {
  id: number;
  text: string;
  level: "right" | "look" | "wrong";
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
      prepare: (text: string, level: Notice["level"] = "look") => ({
        payload: { id: nextNotice++, text, level },
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
