import type { DemoView } from "@wide-quilt/server/contract";
import { useEffect, useState } from "react";
import { server } from "../../api/client.ts";

/** Milliseconds after which it is asked again how far the demo is. */
const AGAIN = 700;

/** How far the demo is on its way in, at the first start; `onIn` is called once it is. */
export function useDemo(onIn: () => void): DemoView["coming"] {
  const [coming, setComing] = useState<DemoView["coming"]>(null);
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    let left = false;
    const ask = async (wasComing: boolean) => {
      // A server that does not answer is told of by the list of jobs.
      const { coming: now } = await server.demo().catch(() => ({ coming: null }));
      if (left) return;
      setComing(now);
      if (now) timer = setTimeout(() => void ask(true), AGAIN);
      else if (wasComing) onIn();
    };
    void ask(false);
    return () => {
      left = true;
      clearTimeout(timer);
    };
  }, [onIn]);
  return coming;
}
