import {
  boundsOf,
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
import { useRef, type PointerEvent } from "react";
import { useAppDispatch } from "../../../app/hooks.ts";
import { store } from "../../../app/store.ts";
import { edit } from "../../../table/edits.ts";
import { held } from "../../../table/openJob.ts";
import { selectChosen } from "../../../table/sheets.ts";
import { cellSelected, cellsSelected, cellToggled, snappedTo } from "../../../table/view.ts";
import { placeEdit, shifted } from "./places.ts";
import { between, notTooSmall, resized, STILL, turnedTo, type Handle } from "./pulling.ts";
import { snapTargets } from "./snapping.ts";

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

  turn: ({ now, event }) => ({
    to: [{ angle: turnedTo(now.cells[0]!.finished, now, event) }],
    lines: [],
  }),

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
    const cell = now.cells[0]!;
    const { job } = store.getState().openJob;
    const keeps = (job?.cells[cell.key]?.place?.proportion ?? false) !== event.shiftKey;
    const { rect, lines } = resized(cell, now.handle as Handle, by, targets, keeps);
    return { to: [rect], lines };
  },
};
