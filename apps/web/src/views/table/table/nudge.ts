import { useCallback, useRef } from "react";
import { newId } from "../../../app/ids.ts";

/** Micrometres that an arrow key moves a photo or a cell; the same with Alt; and a cell with Shift. */
export const NUDGE = 500;
export const FINE_NUDGE = 100;
export const COARSE_NUDGE = 5000;

/** A pause longer than this ends a run of keys that is undone at once, in milliseconds. */
const PAUSE = 900;

export const ARROWS: Record<string, readonly [x: number, y: number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** Names for runs of the same key: those that follow each other quickly are one gesture, and one step to undo. */
export function useGestures(): (kind: string, now: number) => string {
  const run = useRef({ gesture: "", kind: "", last: 0 });
  return useCallback((kind, now) => {
    const { current } = run;
    if (current.kind !== kind || now - current.last > PAUSE) current.gesture = newId();
    current.kind = kind;
    current.last = now;
    return current.gesture;
  }, []);
}
