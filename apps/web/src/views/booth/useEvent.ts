import { eventStep, type EventEntry, type EventSetup } from "@wide-quilt/core";
import type { EventAbout, EventNews, EventView } from "@wide-quilt/server/contract";
import { useCallback, useEffect, useState } from "react";
import { address, server } from "../../api/client.ts";
import { lastingSource } from "../../api/lastingSource.ts";
import { sentenceOf } from "../../api/problem.ts";
import { useDoing } from "../../app/useDoing.ts";
import { thisWindow } from "../../app/thisWindow.ts";

export interface EventHere {
  view: EventView | null;
  /** Why it is not here, in a sentence. */
  failure: string | null;
  /** Whether the server is heard: what is shown is what is. */
  isHeard: boolean;
  tell(entry: EventEntry): Promise<void>;
  setUp(setup: EventSetup, pin?: string): Promise<void>;
}

/**
 * An event as it is. It goes on from entry to entry by the same machine as on the server; where one was missed, and whenever the line
 * was broken, it is asked for anew.
 */
export function useEvent(id: string): EventHere {
  const [view, setView] = useState<EventView | null>(null);
  const [failure, setFailure] = useState<string | null>(null);
  const [isHeard, setHeard] = useState(false);
  const doing = useDoing();
  const ask = useCallback(async () => {
    try {
      setView(await server.event(id));
      setFailure(null);
    } catch (error) {
      setFailure(sentenceOf(error));
    }
  }, [id]);
  useEffect(() => {
    let gone = false;
    let end: (() => void) | null = null;
    const onNews = ({ data }: MessageEvent<string>) => {
      const news = JSON.parse(data) as EventNews;
      // New patterns, and whether there is a PIN, are not in the entry.
      if (news.entry.do === "setup") return void ask();
      setView((before) => {
        if (!before || news.number <= before.entries) return before;
        if (news.number > before.entries + 1) {
          void ask();
          return before;
        }
        return stepped(before, news);
      });
    };
    const listen = (source: EventSource) => {
      source.addEventListener("open", () => {
        setHeard(true);
        void ask();
      });
      source.addEventListener("error", () => setHeard(false));
      source.addEventListener("entry", onNews);
      source.addEventListener("about", ({ data }: MessageEvent<string>) => {
        const about = JSON.parse(data) as EventAbout;
        setView((before) => before && { ...before, about });
      });
      source.addEventListener("waits", ({ data }: MessageEvent<string>) => {
        const { printer, why } = JSON.parse(data) as { printer: string; why: string | null };
        setView((before) => before && { ...before, about: waiting(before.about, printer, why) });
      });
    };
    void thisWindow.settled.then(() => {
      if (gone) return;
      void ask();
      end = lastingSource(() => address.followEvent(id), listen);
    });
    return () => {
      gone = true;
      end?.();
    };
  }, [id, ask]);
  const tell = useCallback((entry: EventEntry) => doing(() => server.tellEvent(id, entry)), [doing, id]);
  const setUp = useCallback(
    (setup: EventSetup, pin?: string) => {
      // What was chosen is seen at once; what the server refuses is taken back.
      setView((before) => before && { ...before, state: { ...before.state, setup } });
      return doing(() => server.setUpEvent(id, setup, pin).finally(() => void ask()));
    },
    [doing, id, ask],
  );
  return { view, failure, isHeard, tell, setUp };
}

function stepped(before: EventView, { number, at, entry, record }: EventNews): EventView {
  const { state } = eventStep(before.state, entry, at);
  const about = entry.do === "printed" || entry.do === "failed" ? without(before, entry.print) : before.about;
  return {
    ...before,
    state,
    about,
    entries: number,
    name: state.setup.name,
    ...(record && entry.do === "shot" && { records: { ...before.records, [entry.photo]: record } }),
  };
}

/** A printer that is done with a print waits for nothing. */
function without({ about, state }: EventView, print: number): EventAbout {
  const printer = state.prints[print - 1]?.printer;
  return printer ? waiting(about, printer, null) : about;
}

function waiting(about: EventAbout, printer: string, why: string | null): EventAbout {
  const { [printer]: _before, ...others } = about.waits;
  return { ...about, waits: why === null ? others : { ...others, [printer]: why } };
}
