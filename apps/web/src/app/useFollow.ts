import { useEffect } from "react";
import type { JobChange, Run } from "@wide-quilt/server/contract";
import { address } from "../api/client.ts";
import { changed, gone } from "../table/openJob.ts";
import { lookAgain } from "../table/sending.ts";
import { store, useAppDispatch } from "./store.ts";
import { thisWindow } from "./thisWindow.ts";

/** A window that nobody looks at lets go of its line after this long, in milliseconds: browsers have few for a site. */
const UNSEEN = 120_000;

/** What is done with news of runs. */
export interface RunNews {
  onRun(run: Run): void;
  /** News may have been missed: everything is asked for anew. */
  onMissed(): void;
}

/** Follows what happens to a job in other windows, and to runs, while the page is seen. */
export function useFollow(job: string | null, news: RunNews | null = null): void {
  const dispatch = useAppDispatch();
  useEffect(() => {
    if (!("EventSource" in globalThis)) return;
    let source: EventSource | null = null;
    let wasOpen = false;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const close = () => {
      source?.close();
      source = null;
    };
    const open = () => {
      if (source) return;
      source = new EventSource(address.follow(job, news !== null));
      source.addEventListener("open", () => {
        if (wasOpen) {
          void dispatch(lookAgain());
          news?.onMissed();
        }
        wasOpen = true;
      });
      source.addEventListener("change", ({ data }: MessageEvent<string>) => {
        dispatch(changed(JSON.parse(data) as JobChange));
        if (store.getState().openJob.isBehind) void dispatch(lookAgain());
      });
      source.addEventListener("gone", ({ data }: MessageEvent<string>) =>
        dispatch(gone((JSON.parse(data) as { id: string }).id)),
      );
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
  }, [dispatch, job, news]);
}
