import { dragged, holdOf, onPiece, type CellPlan, type Hold, type JobEdit } from "@wide-quilt/core";
import { useRef, type PointerEvent } from "react";
import { useAppDispatch } from "../../../app/hooks.ts";
import { store } from "../../../app/store.ts";
import { edit } from "../../../table/edits.ts";
import { held } from "../../../table/openJob.ts";
import { cellSelected } from "../../../table/view.ts";

/** Pixels that a press may wander and still be a press. */
const STILL = 3;

interface Drag {
  cell: CellPlan;
  hold: Hold;
  from: { x: number; y: number };
  edit: JobEdit | null;
}

/** Moves a photo inside its cell: shown while the pointer moves, one edit when it lets go, none after Escape. */
export function usePhotoDrag(
  px: (um: number) => number,
  cellOf: (event: PointerEvent) => CellPlan | undefined,
) {
  const dispatch = useAppDispatch();
  const drag = useRef<Drag | null>(null);

  const end = (keep: boolean) => {
    const done = drag.current;
    drag.current = null;
    // Escape lets go of what was held, and with it of the move.
    const stillHeld = store.getState().openJob.held !== null;
    if (done?.edit && keep && stillHeld) dispatch(edit(done.edit));
    else dispatch(held(null));
  };
  return {
    onPointerDown: (event: PointerEvent<HTMLElement>) => {
      const cell = cellOf(event);
      if (event.button !== 0 || !cell) return;
      dispatch(cellSelected(cell.key));
      (event.target as HTMLElement).focus({ preventScroll: true });
      const hold = holdOf(store.getState().openJob.photos, cell);
      if (!hold) return;
      event.currentTarget.setPointerCapture(event.pointerId);
      drag.current = { cell, hold, from: { x: event.clientX, y: event.clientY }, edit: null };
    },
    onPointerMove: (event: PointerEvent<HTMLElement>) => {
      const now = drag.current;
      if (!now || (now.edit && store.getState().openJob.held === null)) return;
      const right = event.clientX - now.from.x;
      const down = event.clientY - now.from.y;
      if (!now.edit && Math.hypot(right, down) < STILL) return;
      const perPixel = 1000 / px(1000);
      const { dx, dy } = onPiece(now.cell, right * perPixel, down * perPixel);
      now.edit = { do: "shot", shot: now.cell.shot, change: dragged(now.hold, dx, dy) };
      dispatch(held(now.edit));
    },
    onPointerUp: () => drag.current && end(true),
    onPointerCancel: () => drag.current && end(false),
  };
}
