import { useRef, type PointerEvent } from "react";
import {
  boundsOf,
  LIMITS,
  nearest,
  snap,
  um,
  type CellPlan,
  type JobEdit,
  type Moving,
  type Place,
  type Rect,
  type SheetPlan,
  type SnapTo,
} from "@wide-quilt/core";
import { store, useAppDispatch } from "../../../app/store.ts";
import { edit } from "../../../table/edits.ts";
import { held } from "../../../table/openJob.ts";
import { selectChosen } from "../../../table/sheets.ts";
import { cellSelected, cellsSelected, cellToggled, snappedTo } from "../../../table/view.ts";
import { placeEdit, shifted } from "./places.ts";
import { snapTargets } from "./snapping.ts";

/** Pixels that a press may wander and still be a press. */
const STILL = 3;

/** Which handle of a chosen cell is held: a side or corner, the turning handle, or the cell itself. */
export type Handle = "move" | "turn" | "nw" | "n" | "ne" | "e" | "se" | "s" | "sw" | "w";

interface Drag {
  handle: Handle | "draw";
  cells: CellPlan[];
  targets: SnapTo;
  from: { x: number; y: number };
  /** Where the pointer began on the sheet, in µm. */
  start: { x: number; y: number };
  edit: JobEdit | null;
}

/**
 * Moves, resizes, turns and draws cells: shown while the pointer moves, one edit when it lets go, none after Escape.
 * Held with Alt nothing is caught.
 */
export function useCellDrag(
  sheet: SheetPlan,
  px: (um: number) => number,
  cellOf: (event: PointerEvent) => CellPlan | undefined,
) {
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
    if (done.edit.do === "add cells") selectNewest(dispatch);
  };

  const onPointerDown = (event: PointerEvent<HTMLElement>) => {
    const { job } = store.getState().openJob;
    if (event.button !== 0 || !job) return;
    const cell = cellOf(event);
    const handle = ((event.target as Element).getAttribute("data-handle") as Handle | null) ?? "move";
    if (cell && (event.shiftKey || event.ctrlKey || event.metaKey)) return dispatch(cellToggled(cell.key));
    let chosen = selectChosen(store.getState());
    if (cell && !chosen.some(({ key }) => key === cell.key)) {
      dispatch(cellSelected(cell.key));
      chosen = [cell];
    }
    if (cell && handle === "move") (event.target as HTMLElement).focus({ preventScroll: true });
    const box = event.currentTarget.getBoundingClientRect();
    const cells = chosen.filter(({ locked }) => !locked);
    const draws = !cell && handle === "move";
    if (draws) dispatch(cellSelected(null));
    else if (cells.length === 0) return;
    event.currentTarget.setPointerCapture(event.pointerId);
    drag.current = {
      handle: draws ? "draw" : handle,
      cells: draws ? [] : cells,
      targets: snapTargets(job, sheet, draws ? [] : cells, store.getState().view, perPixel),
      from: { x: event.clientX, y: event.clientY },
      start: { x: (event.clientX - box.left) * perPixel, y: (event.clientY - box.top) * perPixel },
      edit: null,
    };
  };

  const onPointerMove = (event: PointerEvent<HTMLElement>) => {
    const now = drag.current;
    const { job, held: holds } = store.getState().openJob;
    if (!now || !job || (now.edit && holds === null)) return;
    const right = event.clientX - now.from.x;
    const down = event.clientY - now.from.y;
    if (!now.edit && Math.hypot(right, down) < STILL) return;
    const targets = event.altKey ? { ...now.targets, within: um(0) } : now.targets;
    const by = { x: right * perPixel, y: down * perPixel };
    const next = STEPS[stepOf(now.handle)]({ now, by, targets, event, sheet });
    now.edit =
      "add" in next
        ? { do: "add cells", cells: [{ place: bare(sheet.id, next.add), photo: null }] }
        : placeEdit(
            job,
            sheet.id,
            now.cells.map((cell, i) => ({ cell, to: next.to[i]! })),
          );
    dispatch(snappedTo(next.lines));
    dispatch(held(now.edit));
  };

  return {
    onPointerDown,
    onPointerMove,
    onPointerUp: () => drag.current && end(true),
    onPointerCancel: () => drag.current && end(false),
  };
}

const bare = (sheet: string, rect: Rect): Place => ({
  sheet,
  ...rect,
  angle: 0,
  order: 0,
  locked: false,
  proportion: false,
});

function selectNewest(dispatch: ReturnType<typeof useAppDispatch>): void {
  const keys = Object.keys(store.getState().openJob.job?.cells ?? {}).filter((key) => key.startsWith("o"));
  const newest = keys.reduce((a, b) => (Number(b.slice(1)) > Number(a.slice(1)) ? b : a), keys[0] ?? "");
  if (newest) dispatch(cellsSelected([newest]));
}

interface Step {
  now: Drag;
  by: { x: number; y: number };
  targets: SnapTo;
  event: PointerEvent;
  sheet: SheetPlan;
}

type Next = { lines: ReturnType<typeof snap>["lines"] } & ({ to: Partial<Place>[] } | { add: Rect });

const stepOf = (handle: Drag["handle"]) =>
  handle === "move" || handle === "turn" || handle === "draw" ? handle : "resize";

const STEPS: Record<"move" | "turn" | "draw" | "resize", (step: Step) => Next> = {
  move: ({ now, by, targets }) => {
    const rects = now.cells.map(({ finished }) => shifted(finished, nearest(by.x), nearest(by.y)));
    const { dx, dy, lines } = snap(boundsOf(rects), targets);
    return { to: rects.map((rect) => shifted(rect, dx, dy)), lines };
  },

  turn: ({ now, event }) => {
    const [cell] = now.cells;
    const box = (event.currentTarget as HTMLElement).getBoundingClientRect();
    const perPixel = now.start.x === 0 ? 1 : (now.from.x - box.left) / now.start.x;
    const { x, y, width, height } = cell!.finished;
    const middle = { x: box.left + (x + width / 2) * perPixel, y: box.top + (y + height / 2) * perPixel };
    const degrees = (Math.atan2(middle.x - event.clientX, event.clientY - middle.y) * 180) / Math.PI;
    // Whole degrees, and with Shift steps of fifteen.
    const step = event.shiftKey ? 15 : 1;
    const angle = Math.round(degrees / step) * step;
    return { to: [{ angle: angle > 180 ? angle - 360 : angle }], lines: [] };
  },

  draw: ({ now, by, targets, event }) => {
    const at = shifted(
      { x: nearest(now.start.x), y: nearest(now.start.y), width: um(1), height: um(1) },
      0,
      0,
    );
    const first = snap(at, targets, { x: "left", y: "top" });
    const [x, y] = [at.x + first.dx, at.y + first.dy];
    const end = {
      x: now.start.x + by.x,
      y: now.start.y + (event.shiftKey ? Math.sign(by.y || 1) * Math.abs(by.x) : by.y),
    };
    const rect = between(x, y, end.x, end.y);
    const moving: Moving = { x: end.x > x ? "right" : "left", y: end.y > y ? "bottom" : "top" };
    const { dx, dy, lines } = snap(rect, targets, moving);
    return { add: notTooSmall(between(x, y, end.x + dx, end.y + dy)), lines };
  },

  resize: ({ now, by, targets, event }) => {
    const [cell] = now.cells;
    const { handle } = now;
    const moving: Exclude<Moving, "all"> = {
      x: handle.includes("w") ? "left" : handle.includes("e") ? "right" : null,
      y: handle.includes("n") ? "top" : handle.includes("s") ? "bottom" : null,
    };
    const { finished, angle } = cell!;
    const own = turned(by, -angle);
    const pulled = pull(finished, moving, own.x, own.y);
    const caught = cell!.angle === 0 ? snap(pulled, targets, moving) : { dx: um(0), dy: um(0), lines: [] };
    const rect = pull(pulled, moving, caught.dx, caught.dy);
    const { job } = store.getState().openJob;
    const keeps = (job?.cells[cell!.key]?.place?.proportion ?? false) !== event.shiftKey;
    const sized = keeps ? inProportion(finished, rect, moving) : rect;
    return { to: [heldFast(finished, sized, angle)], lines: keeps ? [] : caught.lines };
  },
};

/** A movement turned by some degrees clockwise. */
function turned({ x, y }: { x: number; y: number }, degrees: number): { x: number; y: number } {
  const radians = (degrees * Math.PI) / 180;
  const [cos, sin] = [Math.cos(radians), Math.sin(radians)];
  return { x: x * cos - y * sin, y: x * sin + y * cos };
}

/**
 * A tilted cell turns about its own middle, which moves when it is resized; so that the side that is not held stays
 * where it is on the paper, the middle moves along the tilt.
 */
function heldFast(before: Rect, after: Rect, angle: number): Rect {
  if (angle === 0) return after;
  const moved = {
    x: after.x + after.width / 2 - before.x - before.width / 2,
    y: after.y + after.height / 2 - before.y - before.height / 2,
  };
  const tilted = turned(moved, angle);
  return shifted(after, nearest(tilted.x - moved.x), nearest(tilted.y - moved.y));
}

function between(x1: number, y1: number, x2: number, y2: number): Rect {
  const [left, right] = [Math.min(x1, x2), Math.max(x1, x2)].map(Math.round) as [number, number];
  const [top, bottom] = [Math.min(y1, y2), Math.max(y1, y2)].map(Math.round) as [number, number];
  return { x: um(left), y: um(top), width: um(right - left), height: um(bottom - top) };
}

const atLeast = (length: number) => um(Math.max(LIMITS.piece.least, Math.round(length)));

const notTooSmall = (rect: Rect): Rect => ({
  ...rect,
  width: atLeast(rect.width),
  height: atLeast(rect.height),
});

/** A rectangle with one or two of its edges moved; it never gets smaller than a piece may be. */
function pull(rect: Rect, moving: Exclude<Moving, "all">, dx: number, dy: number): Rect {
  const width = atLeast(rect.width + (moving.x === "left" ? -dx : moving.x === "right" ? dx : 0));
  const height = atLeast(rect.height + (moving.y === "top" ? -dy : moving.y === "bottom" ? dy : 0));
  return {
    x: um(moving.x === "left" ? rect.x + rect.width - width : rect.x),
    y: um(moving.y === "top" ? rect.y + rect.height - height : rect.y),
    width,
    height,
  };
}

/** The same pull with the proportion kept: the side that was pulled further decides. */
function inProportion(before: Rect, rect: Rect, moving: Exclude<Moving, "all">): Rect {
  const factor =
    moving.x === null
      ? rect.height / before.height
      : moving.y === null
        ? rect.width / before.width
        : Math.max(rect.width / before.width, rect.height / before.height);
  const width = atLeast(before.width * factor);
  const height = atLeast(before.height * factor);
  return {
    x: um(moving.x === "left" ? before.x + before.width - width : before.x),
    y: um(moving.y === "top" ? before.y + before.height - height : before.y),
    width,
    height,
  };
}
