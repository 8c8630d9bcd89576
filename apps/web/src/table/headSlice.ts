import { createSlice, type PayloadAction } from "@reduxjs/toolkit";
import type { HeadSearch } from "@wide-quilt/server/contract";

/** How the server’s search for heads in photos stands; no part of any job. */
export const headSearch = createSlice({
  name: "headSearch",
  initialState: { done: 0, of: 0, studies: 0, paused: false, why: null } as HeadSearch,
  reducers: {
    searchStands: (_, { payload }: PayloadAction<HeadSearch>) => payload,
  },
});

export const { searchStands } = headSearch.actions;
