import { useCallback, useEffect, useState } from "react";
import type { Run, RunNaming } from "@wide-quilt/server/contract";
import { server } from "../../api/client.ts";
import { sentenceOf } from "../../api/problem.ts";
import { useDoing } from "../../app/useDoing.ts";
import { useAppDispatch } from "../../app/store.ts";
import { whenSaved } from "../../table/edits.ts";
import { noticed } from "../../table/view.ts";

const LOOK = 200;

export interface RunsState {
  folder: string;
  runs: Run[];
  /** Whether the list was fetched. */
  came: boolean;
  write(naming: RunNaming): void;
  act: RunActs;
}

/** What can be done with a run. */
export interface RunActs {
  cancel(id: string): void;
  pause(id: string): void;
  goOn(id: string): void;
  again(id: string): void;
}

/** What was written of a job, or of all where none is given; followed while something is being written. */
export function useRuns(jobId: string | null): RunsState {
  const dispatch = useAppDispatch();
  const doing = useDoing();
  const [folder, setFolder] = useState("");
  const [runs, setRuns] = useState<Run[]>([]);
  const [came, setCame] = useState(false);
  const load = useCallback(async () => {
    try {
      const list = await server.listRuns(jobId);
      setFolder(list.folder);
      setRuns(list.runs);
      setCame(true);
    } catch (error) {
      dispatch(noticed(sentenceOf(error), "wrong"));
    }
  }, [dispatch, jobId]);
  useEffect(() => {
    // eslint-disable-next-line react-hooks/set-state-in-effect -- the list is set once the server has answered
    void load();
  }, [load]);
  const underWay = runs.some(({ state }) => state === "painting" || state === "waiting");
  useEffect(() => {
    if (!underWay) return;
    const timer = setInterval(() => void load(), LOOK);
    return () => clearInterval(timer);
  }, [underWay, load]);
  const then = (act: () => Promise<unknown>) => void doing(() => act().then(load));
  return {
    folder,
    runs,
    came,
    // What was changed a moment ago belongs to it.
    write: (naming) =>
      jobId !== null && then(() => dispatch(whenSaved()).then(() => server.startRun(jobId, naming))),
    act: {
      cancel: (id) => then(() => server.cancelRun(id)),
      pause: (id) => then(() => server.pauseRun(id)),
      goOn: (id) => then(() => server.resumeRun(id)),
      again: (id) => then(() => server.runAgain(id)),
    },
  };
}
