import { styleOfAll, type JobEdit, type Style, type StyleChange, type StylePart } from "@wide-quilt/core";
import { useAppDispatch, useAppSelector } from "../../../app/hooks.ts";
import { edit } from "../../../table/edits.ts";
import { selectChosen, selectJob } from "../../../table/sheets.ts";
import { useWords, type Words } from "../../../words/words.ts";

/** What the editors of the finish work on: all cells, or those that are chosen. */
export interface Finish {
  scope: "all" | "chosen";
  style: Style;
  words: Words;
  /** Parts that are set by hand for the chosen cells. */
  byHand: readonly StylePart[];
  set(change: StyleChange, gesture?: string): void;
  /** Gives parts of the chosen cells back to what all wear. */
  giveBack(parts: readonly StylePart[]): void;
  change(next: JobEdit, gesture?: string): void;
}

/** What every editor of the finish is given. */
export interface EditorProps {
  finish: Finish;
}

export function useFinish(): Finish | null {
  const dispatch = useAppDispatch();
  const job = useAppSelector(selectJob);
  const chosen = useAppSelector(selectChosen);
  const asked = useAppSelector((state) => state.view.finishes.scope);
  const words = useWords(job?.target.ppi);
  if (!job) return null;
  const change = (next: JobEdit, gesture?: string) => void dispatch(edit(next, gesture));
  const all = styleOfAll(job);
  const [first] = chosen;
  if (asked === "all" || !first) {
    return {
      scope: "all",
      style: all,
      words,
      byHand: [],
      set: (own, gesture) => change({ do: "style", change: own }, gesture),
      giveBack: () => undefined,
      change,
    };
  }
  const cells = chosen.map(({ key }) => key);
  return {
    scope: "chosen",
    style: { ...all, ...job.cells[first.key]?.style },
    words,
    byHand: first.styled,
    set: (own, gesture) => change({ do: "style cells", cells, change: own }, gesture),
    giveBack: (parts) => change({ do: "unstyle", cells, parts: [...parts] }),
    change,
  };
}
