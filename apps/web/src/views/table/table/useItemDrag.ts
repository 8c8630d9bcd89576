import {
  nearest,
  snap,
  um,
  type ItemPlan,
  type JobEdit,
  type SheetPlan,
  type SnapTo,
} from "@wide-quilt/core";
import { useRef, type PointerEvent } from "react";
import { useAppDispatch } from "../../../app/hooks.ts";
import { store } from "../../../app/store.ts";
import { edit } from "../../../table/edits.ts";
import { held } from "../../../table/openJob.ts";
import { itemChosen, snappedTo } from "../../../table/view.ts";
import { itemEdit } from "./items.ts";
import { shifted } from "./places.ts";
import { resized, STILL, turnedTo, type Handle } from "./pulling.ts";
import { snapTargets } from "./snapping.ts";

interface Drag {
  handle: Handle;
  item: ItemPlan;
  targets: SnapTo;
  from: { x: number; y: number };
  /** Where the pointer began on the sheet, in µm. */
  start: { x: number; y: number };
  edit: JobEdit | null;
}

/** Moves, resizes and turns a box of words or a block as cells are: shown meanwhile, one edit when the pointer lets go. */
export function useItemDrag(sheet: SheetPlan, px: (um: number) => number) {
  const dispatch = useAppDispatch();
  const drag = useRef<Drag | null>(null);
  const perPixel = 1000 / px(1000);

  const end = (keep: boolean) => {
    const done = drag.current;
    drag.current = null;
    dispatch(snappedTo([]));
    const stillHeld = store.getState().openJob.held !== null;
    if (!done?.edit || !keep || !stillHeld) return dispatch(held(null));
    dispatch(edit(done.edit));
  };

  const onPointerDown = (event: PointerEvent<HTMLElement>) => {
    const { job } = store.getState().openJob;
    const target = event.target as Element;
    const name = target.closest("[data-item]")?.getAttribute("data-item") ?? store.getState().view.item;
    const item = sheet.items.find((one) => one.name === name);
    if (event.button !== 0 || !job || !item) return;
    dispatch(itemChosen(item));
    if (item.laid) return;
    const box = event.currentTarget.getBoundingClientRect();
    event.currentTarget.setPointerCapture(event.pointerId);
    drag.current = {
      handle: (target.getAttribute("data-handle") as Handle | null) ?? "move",
      item,
      targets: snapTargets(job, sheet, [], store.getState().view, perPixel),
      from: { x: event.clientX, y: event.clientY },
      start: { x: (event.clientX - box.left) * perPixel, y: (event.clientY - box.top) * perPixel },
      edit: null,
    };
  };

  const onPointerMove = (event: PointerEvent<HTMLElement>) => {
    const now = drag.current;
    const { job, held: holds } = store.getState().openJob;
    if (!now || !job || (now.edit && holds === null)) return;
    const by = { x: event.clientX - now.from.x, y: event.clientY - now.from.y };
    if (!now.edit && Math.hypot(by.x, by.y) < STILL) return;
    const { item, handle } = now;
    const targets = event.altKey ? { ...now.targets, within: um(0) } : now.targets;
    const far = { x: by.x * perPixel, y: by.y * perPixel };
    if (handle === "turn") {
      now.edit = itemEdit(job, item, { turn: turnedTo(item.finished, now, event) });
    } else if (handle === "move") {
      const moved = shifted(item.finished, nearest(far.x), nearest(far.y));
      const { dx, dy, lines } = snap(moved, targets);
      now.edit = itemEdit(job, item, shifted(moved, dx, dy));
      dispatch(snappedTo(lines));
    } else {
      const { rect, lines } = resized(item, handle, far, targets, event.shiftKey);
      now.edit = itemEdit(job, item, rect);
      dispatch(snappedTo(lines));
    }
    dispatch(held(now.edit));
  };

  return {
    onPointerDown,
    onPointerMove,
    onPointerUp: () => drag.current && end(true),
    onPointerCancel: () => drag.current && end(false),
  };
}
