import { useEffect, useRef, useState } from "react";

/** Counts whole seconds down and then acts, once; anew whenever `of` is another. Null for not counting. */
export function useCountdown(of: string | null, from: number, then: () => void, each?: () => void): number {
  const [counted, setCounted] = useState<{ of: string | null; left: number }>({ of, left: from });
  const acts = useRef({ then, each });
  useEffect(() => {
    acts.current = { then, each };
  });
  useEffect(() => {
    if (of === null) return undefined;
    let now = from;
    acts.current.each?.();
    const timer = setInterval(() => {
      now--;
      setCounted({ of, left: Math.max(0, now) });
      if (now > 0) acts.current.each?.();
      else {
        clearInterval(timer);
        acts.current.then();
      }
    }, 1000);
    return () => clearInterval(timer);
  }, [of, from]);
  return counted.of === of ? counted.left : from;
}
