import type { Job, Press } from "@wide-quilt/core";
import { useAppDispatch } from "../../app/store.ts";
import { edit } from "../../table/edits.ts";

/** Changes how a job is written; every change is a step that can be undone. */
export function usePress({ press }: Job) {
  const dispatch = useAppDispatch();
  const set = (change: Partial<Press>, gesture?: string) => dispatch(edit({ do: "press", change }, gesture));
  return {
    press,
    set,
    setFile: (change: Partial<Press["file"]>, gesture?: string) =>
      set({ file: { ...press.file, ...change } }, gesture),
    setAbout: (change: Partial<Press["about"]>, gesture?: string) =>
      set({ about: { ...press.about, ...change } }, gesture),
  };
}
