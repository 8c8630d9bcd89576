import type { About, Job, Target } from "@wide-quilt/core";
import { useAppDispatch } from "../../app/hooks.ts";
import { edit } from "../../table/edits.ts";

/** Changes how a job is written; every change is a step that can be undone. */
export function usePress({ target, about }: Job) {
  const dispatch = useAppDispatch();
  const set = (change: Partial<Target>, gesture?: string) =>
    dispatch(edit({ do: "target", change }, gesture));
  return {
    press: target,
    about,
    set,
    setFile: (change: Partial<Target["file"]>, gesture?: string) =>
      set({ file: { ...target.file, ...change } }, gesture),
    setAbout: (change: Partial<About>) => dispatch(edit({ do: "about", change })),
  };
}
