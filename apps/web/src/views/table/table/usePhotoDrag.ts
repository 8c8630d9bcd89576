import { dragged, holdOf, onPiece, type CellPlan, type Hold } from "@wide-quilt/core";
import type { PointerEvent } from "react";
import { useAppDispatch } from "../../../app/hooks.ts";
import { store } from "../../../app/store.ts";
import { cellSelected } from "../../../table/view.ts";
import { useHeldDrag } from "./useHeldDrag.ts";

interface Taken {
  cell: CellPlan;
  hold: Hold;
  targets: null;
}

/** Moves a photo inside its cell. */
export function usePhotoDrag(
  px: (um: number) => number,
  cellOf: (event: PointerEvent) => CellPlan | undefined,
) {
  const dispatch = useAppDispatch();
  return useHeldDrag<Taken>(px, {
    take: (event) => {
      const cell = cellOf(event);
      if (!cell) return null;
      dispatch(cellSelected(cell.key));
      (event.target as HTMLElement).focus({ preventScroll: true });
      const hold = holdOf(store.getState().openJob.photos, cell);
      return hold && { cell, hold, targets: null };
    },
    drag: ({ cell, hold }, by) => {
      const { dx, dy } = onPiece(cell, by.x, by.y);
      return { edit: { do: "shot", shot: cell.shot, change: dragged(hold, dx, dy) } };
    },
  });
}
