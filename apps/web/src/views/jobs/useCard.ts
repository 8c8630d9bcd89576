import type { JobCardView, JobSummary } from "@wide-quilt/server/contract";
import { useEffect, useRef, useState, type RefObject } from "react";
import { server } from "../../api/client.ts";

/** How far outside the window a card is fetched already. */
const AHEAD = "400px";

/** The picture and sums of a job, fetched when its card comes near the window, and anew when the job has changed. */
export function useCard({ id, version }: JobSummary): [RefObject<HTMLLIElement | null>, JobCardView | null] {
  const seen = useRef<HTMLLIElement>(null);
  const [card, setCard] = useState<JobCardView | null>(null);
  useEffect(() => {
    const stop = new AbortController();
    const watch = new IntersectionObserver(
      ([entry]) => {
        if (!entry?.isIntersecting) return;
        watch.disconnect();
        // A card without its picture is still a card; the list itself says what is wrong.
        server.jobCard(id, stop.signal).then(setCard, () => undefined);
      },
      { rootMargin: AHEAD },
    );
    if (seen.current) watch.observe(seen.current);
    return () => {
      stop.abort();
      watch.disconnect();
    };
  }, [id, version]);
  return [seen, card];
}
