import type { Run, RunNaming } from "@wide-quilt/server/contract";
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { server } from "../../api/client.ts";
import { sentenceOf } from "../../api/problem.ts";
import { useAppDispatch } from "../../app/hooks.ts";
import { noticed } from "../../app/noticeSlice.ts";
import { useDoing } from "../../app/useDoing.ts";
import { useFollow } from "../../app/useFollow.ts";
import { whenSaved } from "../../table/edits.ts";

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
  /** Says whether the sheet that is in doubt came out of the printer. */
  answer(id: string, cameOut: boolean): void;
}

/** The list with a run as it is now, in its place or as the newest. */
const withRun = (runs: Run[], run: Run): Run[] =>
  runs.some(({ id }) => id === run.id) ? runs.map((one) => (one.id === run.id ? run : one)) : [run, ...runs];

/** What was written of a job, or of all where none is given; followed as it happens. */
export function useRuns(jobId: string | null): RunsState {
  const dispatch = useAppDispatch();
  const doing = useDoing();
  const [folder, setFolder] = useState("");
  const [runs, setRuns] = useState<Run[]>([]);
  const [came, setCame] = useState(false);
  /** The lists that are being asked for, each with the news that came meanwhile: an answer may be older than those. */
  const asked = useRef(new Set<Run[]>());
  const load = useCallback(async () => {
    const meanwhile: Run[] = [];
    asked.current.add(meanwhile);
    try {
      const list = await server.listRuns(jobId);
      setFolder(list.folder);
      setRuns(meanwhile.reduce(withRun, list.runs));
      setCame(true);
    } catch (error) {
      dispatch(noticed(sentenceOf(error), "wrong"));
    } finally {
      asked.current.delete(meanwhile);
    }
  }, [dispatch, jobId]);
  useEffect(() => {
    // eslint-disable-next-line react-hooks/set-state-in-effect -- the list is set once the server has answered
    void load();
  }, [load]);
  const news = useMemo(
    () => ({
      onRun: (run: Run) => {
        if (jobId !== null && run.jobId !== jobId) return;
        for (const meanwhile of asked.current) meanwhile.push(run);
        setRuns((before) => withRun(before, run));
      },
      onMissed: () => void load(),
    }),
    [jobId, load],
  );
  useFollow(jobId, news);
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
      answer: (id, cameOut) => then(() => server.answerDoubt(id, cameOut)),
    },
  };
}
