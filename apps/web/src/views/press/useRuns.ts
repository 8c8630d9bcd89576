import { useCallback, useEffect, useState } from "react";
import type { Run } from "@wide-quilt/server/contract";
import { server, type RunAsked } from "../../api/client.ts";
import { sentenceOf } from "../../api/problem.ts";
import { useAppDispatch } from "../../app/store.ts";
import { noticed } from "../../table/view.ts";

const LOOK = 200;

export interface RunsState {
  folder: string;
  runs: Run[];
  write(how: RunAsked): void;
  cancel(id: string): void;
}

/** What was written of a job, followed while something is being written. */
export function useRuns(jobId: string): RunsState {
  const dispatch = useAppDispatch();
  const [folder, setFolder] = useState("");
  const [runs, setRuns] = useState<Run[]>([]);
  const load = useCallback(async () => {
    try {
      const list = await server.listRuns(jobId);
      setFolder(list.folder);
      setRuns(list.runs);
    } catch (error) {
      dispatch(noticed(sentenceOf(error), "wrong"));
    }
  }, [dispatch, jobId]);
  useEffect(() => {
    // eslint-disable-next-line react-hooks/set-state-in-effect -- the list is set once the server has answered
    void load();
  }, [load]);
  const underWay = runs.some(({ state }) => state === "painting");
  useEffect(() => {
    if (!underWay) return;
    const timer = setInterval(() => void load(), LOOK);
    return () => clearInterval(timer);
  }, [underWay, load]);
  return {
    folder,
    runs,
    write: (how) =>
      void server
        .startRun(jobId, how)
        .then((run) => setRuns((before) => [run, ...before]))
        .catch((error: unknown) => dispatch(noticed(sentenceOf(error), "wrong"))),
    cancel: (id) => void server.cancelRun(id).then(load, () => undefined),
  };
}
