import { createSlice, type PayloadAction } from "@reduxjs/toolkit";
import type { Printer } from "@wide-quilt/core";
import type { ProfileView } from "@wide-quilt/server/contract";

/** Places to print at and the profiles of their papers, as the server keeps them; null until they came. */
export const places = createSlice({
  name: "places",
  initialState: { printers: null as Printer[] | null, profiles: null as ProfileView[] | null },
  reducers: {
    printersCame: (state, { payload }: PayloadAction<Printer[]>) => {
      state.printers = payload;
    },
    profilesCame: (state, { payload }: PayloadAction<ProfileView[]>) => {
      state.profiles = payload;
    },
  },
});

export const { printersCame, profilesCame } = places.actions;
