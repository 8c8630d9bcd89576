import type { DaySource } from "@wide-quilt/core";
import { useState } from "react";
import { sentenceOf } from "../api/problem.ts";
import { useAppDispatch } from "../app/hooks.ts";
import { edit } from "../table/edits.ts";

/** Changes where days come from, and says what of them could not be read. */
export function useSources() {
  const dispatch = useAppDispatch();
  const [busy, setBusy] = useState(false);
  const [said, setSaid] = useState<string[]>([]);

  const put = (name: string, source: DaySource | null, gesture?: string) =>
    void dispatch(edit({ do: "days", sources: { [name]: source } }, gesture));

  /** Does what brings days in, one thing at a time. */
  const bring = async (work: () => Promise<string[]>): Promise<void> => {
    setBusy(true);
    setSaid([]);
    try {
      setSaid(await work());
    } catch (error) {
      setSaid([sentenceOf(error)]);
    } finally {
      setBusy(false);
    }
  };

  return { busy, said, put, bring };
}
