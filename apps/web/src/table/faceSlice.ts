import { createSlice, type PayloadAction } from "@reduxjs/toolkit";
import { opening } from "./openJob.ts";

/** How the search for faces in the job's photos stands; no part of the job. */
export interface Faces {
  /** Photos that are being looked at, and how many of these are done; null when nothing is looked for. */
  looking: { done: number; of: number } | null;
  /** What the search said of a photo, where it said something. */
  said: Record<string, string>;
  /** Photos that were looked at since the job was opened: none is looked at twice by itself. */
  looked: Record<string, true>;
}

const fresh: Faces = { looking: null, said: {}, looked: {} };

export const faces = createSlice({
  name: "faces",
  initialState: fresh,
  reducers: {
    lookingAt: (state, { payload }: PayloadAction<Faces["looking"]>) => {
      state.looking = payload;
    },
    lookedAt: (state, { payload: { photo, why } }: PayloadAction<{ photo: string; why: string }>) => {
      state.looked[photo] = true;
      if (why === "") delete state.said[photo];
      else state.said[photo] = why;
    },
  },
  // What was found belongs to the job that was open.
  extraReducers: (builder) => builder.addCase(opening, () => fresh),
});

export const { lookingAt, lookedAt } = faces.actions;
