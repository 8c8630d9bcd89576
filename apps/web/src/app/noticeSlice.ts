import { createSlice, type PayloadAction } from "@reduxjs/toolkit";

/** A sentence shown for a while at the foot of the page. */
export interface Notice {
  id: number;
  text: string;
  level: "right" | "look" | "wrong";
  /** What else could have been meant: that two people change their photos over; it stays then. */
  offer?: ChangeOver;
  /** Whether it offers to load the page again; it stays then. */
  reloads?: true;
}

/** Two people of a job who are shown by one photo, and what the one had before. */
export interface ChangeOver {
  job: string;
  photo: string;
  one: { shot: number; name: string; photo: string | null };
  other: number;
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
