import { useRef, type PointerEvent } from "react";
import { um, type Job, type JobEdit, type SnapLine, type SnapTo } from "@wide-quilt/core";
import { useAppDispatch } from "../../../app/hooks.ts";
import { store } from "../../../app/store.ts";
import { edit } from "../../../table/edits.ts";
import { held } from "../../../table/openJob.ts";
import { snappedTo } from "../../../table/view.ts";
import { STILL } from "./pulling.ts";

/** What the pointer has taken hold of. */
interface Taken {
  /** What it can catch on; null for what catches on nothing. */
  targets: SnapTo | null;
}

/** Where a drag began: in the window in CSS pixels, and on the sheet in µm. */
export interface Begun {
  from: { x: number; y: number };
  start: { x: number; y: number };
}

interface Ways<T extends Taken> {
  /** Takes hold of what the pointer is on; null for nothing. */
  take(event: PointerEvent<HTMLElement>, job: Job): T | null;
  /** What the job becomes once it was dragged so far, in µm, and the lines that it caught. */
  drag(
    taken: T & Begun,
    by: { x: number; y: number },
    event: PointerEvent<HTMLElement>,
    job: Job,
  ): { edit: JobEdit; lines?: SnapLine[] };
  /** After it was let go of. */
  after?(edit: JobEdit): void;
}

/**
 * Drags something on a sheet, or in a cell of it: shown while the pointer moves, one edit when it lets go, none after Escape. Held with Alt
 * nothing is caught.
 */
export function useHeldDrag<T extends Taken>(px: (um: number) => number, { take, drag, after }: Ways<T>) {
  const dispatch = useAppDispatch();
  const going = useRef<{ taken: T & Begun; edit: JobEdit | null } | null>(null);
  const perPixel = 1000 / px(1000);

  const end = (keep: boolean) => {
    const done = going.current;
    going.current = null;
    if (store.getState().view.snapped.length > 0) dispatch(snappedTo([]));
    // Escape lets go of what was held, and with it of the move.
    const stillHeld = store.getState().openJob.held !== null;
    if (!done?.edit || !keep || !stillHeld) return dispatch(held(null));
    dispatch(edit(done.edit));
    after?.(done.edit);
  };

  const onPointerDown = (event: PointerEvent<HTMLElement>) => {
    const { job } = store.getState().openJob;
    if (event.button !== 0 || !job) return;
    const box = event.currentTarget.getBoundingClientRect();
    const taken = take(event, job);
    if (!taken) return;
    event.currentTarget.setPointerCapture(event.pointerId);
    const from = { x: event.clientX, y: event.clientY };
    const start = { x: (from.x - box.left) * perPixel, y: (from.y - box.top) * perPixel };
    going.current = { taken: { ...taken, from, start }, edit: null };
  };

  const onPointerMove = (event: PointerEvent<HTMLElement>) => {
    const now = going.current;
    const { job, held: holds } = store.getState().openJob;
    if (!now || !job || (now.edit && holds === null)) return;
    const { from, targets } = now.taken;
    const by = { x: event.clientX - from.x, y: event.clientY - from.y };
    if (!now.edit && Math.hypot(by.x, by.y) < STILL) return;
    const caught = event.altKey && targets ? { targets: { ...targets, within: um(0) } } : {};
    const next = drag({ ...now.taken, ...caught }, { x: by.x * perPixel, y: by.y * perPixel }, event, job);
    now.edit = next.edit;
    if (next.lines) dispatch(snappedTo(next.lines));
    dispatch(held(now.edit));
  };

  return {
    onPointerDown,
    onPointerMove,
    onPointerUp: () => going.current && end(true),
    onPointerCancel: () => going.current && end(false),
  };
}
