import type { HeadNews, JobChange, Run } from "@wide-quilt/server/contract";
import { useEffect } from "react";
import { address } from "../api/client.ts";
import { lastingSource } from "../api/lastingSource.ts";
import { heardAgain, newsOfHeads } from "../table/heads.ts";
import { changed, gone } from "../table/openJob.ts";
import { lookAgain } from "../table/sending.ts";
import { useAppDispatch, useAppSelector } from "./hooks.ts";
import { store } from "./store.ts";
import { thisWindow } from "./thisWindow.ts";

/** A window that nobody looks at lets go of its line after this long, in milliseconds: browsers have few for a site. */
const UNSEEN = 120_000;

/** What is done with news of runs. */
export interface RunNews {
  onRun(run: Run): void;
  /** The line is open, for the first time or again: news may have been missed before. */
  onMissed(): void;
}

/**
 * Follows what happens to a job in other windows, and to runs, while the page is seen. `onWatched` is told when photos came into the
 * watched folder, or may have.
 */
export function useFollow(
  job: string | null,
  news: RunNews | null = null,
  onWatched: (() => void) | null = null,
): void {
  const dispatch = useAppDispatch();
  const isHere = useAppSelector(({ openJob }) => openJob.id === job && openJob.saved !== null);
  useEffect(() => {
    if (!("EventSource" in globalThis)) return;
    let end: (() => void) | null = null;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const close = () => {
      end?.();
      end = null;
    };
    const open = () => {
      // A line that broke is opened with the same version again: the server says what is newer than that.
      const from = () => (isHere ? store.getState().openJob.version : null);
      end ??= lastingSource(() => address.follow(job, from(), news !== null), listen);
    };
    const listen = (source: EventSource) => {
      source.addEventListener("open", () => {
        news?.onMissed();
        onWatched?.();
        void dispatch(heardAgain());
      });
      source.addEventListener("heads", ({ data }: MessageEvent<string>) =>
        dispatch(newsOfHeads(JSON.parse(data) as HeadNews)),
      );
      source.addEventListener("change", ({ data }: MessageEvent<string>) => {
        dispatch(changed(JSON.parse(data) as JobChange));
        if (store.getState().openJob.isBehind) void dispatch(lookAgain());
      });
      source.addEventListener("gone", ({ data }: MessageEvent<string>) =>
        dispatch(gone((JSON.parse(data) as { id: string }).id)),
      );
      source.addEventListener("watched", () => onWatched?.());
      source.addEventListener("run", ({ data }: MessageEvent<string>) =>
        news?.onRun(JSON.parse(data) as Run),
      );
    };
    const onSeen = () => {
      clearTimeout(timer);
      if (document.visibilityState === "visible") open();
      else timer = setTimeout(close, UNSEEN);
    };
    void thisWindow.settled.then(onSeen);
    document.addEventListener("visibilitychange", onSeen);
    return () => {
      document.removeEventListener("visibilitychange", onSeen);
      clearTimeout(timer);
      close();
    };
  }, [dispatch, job, isHere, news, onWatched]);
}
