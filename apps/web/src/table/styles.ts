import type { StyleChange } from "@wide-quilt/core";
import { useEffect } from "react";
import { server } from "../api/client.ts";
import { sentenceOf } from "../api/problem.ts";
import { useAppDispatch } from "../app/hooks.ts";
import { noticed } from "../app/noticeSlice.ts";
import type { Dispatch } from "../app/store.ts";
import { stylesCame } from "./styleSlice.ts";

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
