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
import type { PointerEvent } from "react";
import { useAppDispatch } from "../../../app/hooks.ts";
import { store } from "../../../app/store.ts";
import { selectChosen } from "../../../table/sheets.ts";
import { cellSelected, cellsSelected, cellToggled } from "../../../table/view.ts";
import { placeEdit, shifted } from "./places.ts";
import { between, notTooSmall, resized, turnedTo, type Handle } from "./pulling.ts";
import { snapTargets } from "./snapping.ts";
import { useHeldDrag, type Begun } from "./useHeldDrag.ts";

/** Cells that a handle holds, or bare paper that one is drawn on. */
interface Taken {
  handle: Handle | "draw";
  cells: CellPlan[];
  targets: SnapTo;
}

/** Moves, resizes, turns and draws cells. */
export function useCellDrag(
  sheet: SheetPlan,
  px: (um: number) => number,
  cellOf: (event: PointerEvent) => CellPlan | undefined,
) {
  const dispatch = useAppDispatch();
  return useHeldDrag<Taken>(px, {
    take: (event, job) => {
      const cell = cellOf(event);
      const handle = ((event.target as Element).getAttribute("data-handle") as Handle | null) ?? "move";
      if (cell && (event.shiftKey || event.ctrlKey || event.metaKey)) {
        dispatch(cellToggled(cell.key));
        return null;
      }
      let chosen = selectChosen(store.getState());
      if (cell && !chosen.some(({ key }) => key === cell.key)) {
        dispatch(cellSelected(cell.key));
        chosen = [cell];
      }
      if (cell && handle === "move") (event.target as HTMLElement).focus({ preventScroll: true });
      const draws = !cell && handle === "move";
      if (draws) dispatch(cellSelected(null));
      const cells = draws ? [] : chosen.filter(({ locked }) => !locked);
      if (!draws && cells.length === 0) return null;
      const targets = snapTargets(job, sheet, cells, store.getState().view, 1000 / px(1000));
      return { handle: draws ? "draw" : handle, cells, targets };
    },
    drag: (now, by, event, job) => {
      const next = STEPS[stepOf(now.handle)]({ now, by, event });
      const edit: JobEdit =
        "add" in next
          ? { do: "add cells", cells: [{ place: bare(sheet.id, next.add), photo: null }] }
          : placeEdit(
              job,
              sheet.id,
              now.cells.map((cell, i) => ({ cell, to: next.to[i]! })),
            );
      return { edit, lines: next.lines };
    },
    after: ({ do: done }) => done === "add cells" && selectNewest(dispatch),
  });
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
  now: Taken & Begun;
  by: { x: number; y: number };
  event: PointerEvent;
}

type Next = { lines: ReturnType<typeof snap>["lines"] } & ({ to: Partial<Place>[] } | { add: Rect });

const stepOf = (handle: Taken["handle"]) =>
  handle === "move" || handle === "turn" || handle === "draw" ? handle : "resize";

const STEPS: Record<"move" | "turn" | "draw" | "resize", (step: Step) => Next> = {
  move: ({ now, by }) => {
    const rects = now.cells.map(({ finished }) => shifted(finished, nearest(by.x), nearest(by.y)));
    const { dx, dy, lines } = snap(boundsOf(rects), now.targets);
    return { to: rects.map((rect) => shifted(rect, dx, dy)), lines };
  },

  turn: ({ now, event }) => ({
    to: [{ angle: turnedTo(now.cells[0]!.finished, now, event) }],
    lines: [],
  }),

  draw: ({ now, by, event }) => {
    const { targets } = now;
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

  resize: ({ now, by, event }) => {
    const cell = now.cells[0]!;
    const { job } = store.getState().openJob;
    const keeps = (job?.cells[cell.key]?.place?.proportion ?? false) !== event.shiftKey;
    const { rect, lines } = resized(cell, now.handle as Handle, by, now.targets, keeps);
    return { to: [rect], lines };
  },
};
