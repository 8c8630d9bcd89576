import { useCallback } from "react";
import { sentenceOf } from "../api/problem.ts";
import { changed, type Listed } from "../api/queries.ts";
import { useAppDispatch } from "./hooks.ts";
import { noticed } from "./noticeSlice.ts";

/** What is said of work that went right, and the lists that it changed. */
export interface Done {
  said?: string;
  changes?: Listed;
}

/** Does work that can fail: what went wrong is said in a sentence; what went right, where there is something to say. */
export function useDoing(): (work: () => Promise<unknown>, done?: Done) => Promise<void> {
  const dispatch = useAppDispatch();
  return useCallback(
    async (work, { said, changes } = {}) => {
      try {
        await work();
        if (said) dispatch(noticed(said, "right"));
      } catch (error) {
        dispatch(noticed(sentenceOf(error), "wrong"));
      }
      if (changes) dispatch(changed(changes));
    },
    [dispatch],
  );
}
