import { createSlice, type PayloadAction } from "@reduxjs/toolkit";
import { useEffect } from "react";
import type { StyleChange } from "@wide-quilt/core";
import type { StyleView } from "@wide-quilt/server/contract";
import { server } from "../api/client.ts";
import { sentenceOf } from "../api/problem.ts";
import { useAppDispatch, type Dispatch } from "../app/store.ts";
import { noticed } from "./view.ts";

/** Styles and looks that were kept on the server. */
export const styles = createSlice({
  name: "styles",
  initialState: [] as StyleView[],
  reducers: {
    stylesCame: (_, { payload }: PayloadAction<StyleView[]>) => payload,
  },
});

const { stylesCame } = styles.actions;

/** Fetches the kept styles, once something was done with them; says what went wrong. */
const reloading = (first?: () => Promise<unknown>) => async (dispatch: Dispatch) => {
  try {
    await first?.();
    dispatch(stylesCame(await server.listStyles()));
  } catch (error) {
    dispatch(noticed(sentenceOf(error), "wrong"));
  }
};

export const keepStyle = (name: string, style: StyleChange) => reloading(() => server.keepStyle(name, style));

export const removeStyle = (id: string) => reloading(() => server.deleteStyle(id));

/** Fetches the kept styles when they are first looked at. */
export function useKeptStyles(): void {
  const dispatch = useAppDispatch();
  useEffect(() => void dispatch(reloading()), [dispatch]);
}
