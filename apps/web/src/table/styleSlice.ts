import { createSlice, type PayloadAction } from "@reduxjs/toolkit";
import type { StyleView } from "@wide-quilt/server/contract";

/** Styles and looks that were kept on the server. */
export const styles = createSlice({
  name: "styles",
  initialState: [] as StyleView[],
  reducers: {
    stylesCame: (_, { payload }: PayloadAction<StyleView[]>) => payload,
  },
});

export const { stylesCame } = styles.actions;
