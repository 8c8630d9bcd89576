import { sentenceOf } from "../api/problem.ts";
import { useAppDispatch } from "./hooks.ts";
import { noticed } from "./noticeSlice.ts";

/** Does work that can fail: what went wrong is said in a sentence; what went right, where there is something to say. */
export function useDoing(): (work: () => Promise<unknown>, said?: string) => Promise<void> {
  const dispatch = useAppDispatch();
  return async (work, said) => {
    try {
      await work();
      if (said) dispatch(noticed(said, "right"));
    } catch (error) {
      dispatch(noticed(sentenceOf(error), "wrong"));
    }
  };
}
