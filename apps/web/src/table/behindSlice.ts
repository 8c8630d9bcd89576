import { createSlice, type PayloadAction } from "@reduxjs/toolkit";

/** How far it is to put something behind everybody; null while nobody asks for it. */
export const behindAll = createSlice({
  name: "behindAll",
  initialState: null as { done: number; of: number } | null,
  reducers: {
    behindStands: (_, { payload }: PayloadAction<{ done: number; of: number } | null>) => payload,
  },
});

export const { behindStands } = behindAll.actions;
