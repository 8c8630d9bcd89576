import type { WatchView } from "@wide-quilt/server/contract";
import { useCallback, useEffect, useRef, useState } from "react";
import { server } from "../../api/client.ts";
import { NoAnswer, sentenceOf } from "../../api/problem.ts";
import { useAppDispatch } from "../../app/hooks.ts";
import { noticed } from "../../app/noticeSlice.ts";
import { useDoing } from "../../app/useDoing.ts";
import { useFollow } from "../../app/useFollow.ts";
import { taken } from "../../table/camera.ts";

const NONE: WatchView = { folder: null, before: 0, came: [], fault: null };

/** The folder that is watched for a job. What comes goes to `person`; `onCame` is told once it is there. */
export function useWatched(job: string, person: number | null, onCame: () => void) {
  const [watched, setWatched] = useState<WatchView>(NONE);
  const dispatch = useAppDispatch();
  const doing = useDoing();
  const now = useRef({ person, onCame, last: 0, folder: null as string | null });
  useEffect(() => {
    now.current = { ...now.current, person, onCame };
  });
  const keep = useCallback((view: WatchView) => {
    now.current.folder = view.folder;
    setWatched(view);
  }, []);
  const watchAgain = useCallback(
    async (folder: string) => {
      now.current.last = 0;
      try {
        keep(await server.watchFolder(job, folder));
        dispatch(
          noticed(
            `Wide Quilt was started again, and watches ${folder} again. What came there meanwhile stayed out: add it as files.`,
            "look",
          ),
        );
      } catch (error) {
        if (error instanceof NoAnswer) throw error;
        // It is not watched any more, and that must not look as if it were.
        keep(NONE);
        dispatch(noticed(sentenceOf(error), "wrong"));
      }
    },
    [job, dispatch, keep],
  );
  // One look after the other, so that nothing is taken twice.
  const line = useRef<Promise<unknown>>(Promise.resolve());
  const look = useCallback(() => {
    line.current = line.current
      .then(async () => {
        const view = await server.watched(job, now.current.last);
        const { folder } = now.current;
        if (view.folder === null && folder !== null) {
          await watchAgain(folder);
          return;
        }
        keep(view);
        const last = view.came.at(-1)?.number;
        if (last === undefined) return;
        now.current.last = last;
        const { person } = now.current;
        const isIn = view.came.map((one) => dispatch(taken(one.taken, person)));
        if (person !== null && isIn.includes(true)) now.current.onCame();
        // What was taken here is nobody’s again: not after a reload, and not where it was taken once more since.
        await server.watchedTaken(job, last);
      })
      // The line to the server opens again by itself, and this is called then.
      .catch(() => undefined);
  }, [job, dispatch, keep, watchAgain]);
  useFollow(job, null, look);
  return {
    watched,
    start: (folder: string) =>
      void doing(async () => {
        now.current.last = 0;
        keep(await server.watchFolder(job, folder));
      }),
    stop: () =>
      void doing(async () => {
        now.current.folder = null;
        await server.stopWatching(job);
        keep(NONE);
      }),
  };
}
