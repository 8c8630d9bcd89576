import { dragged, holdOf, onPiece, scaled, type CellPlan } from "@wide-quilt/core";
import type { Dispatch, State } from "../../../app/store.ts";
import { edit } from "../../../table/edits.ts";
import { cellNow } from "../../../table/sheets.ts";

type Thunk = (dispatch: Dispatch, getState: () => State) => void;

/** Scales the photo of a cell around the cell's middle. */
export const scalePhoto =
  (cell: CellPlan, factor: number, gesture: string): Thunk =>
  (dispatch, getState) => {
    const now = cellNow(getState(), cell);
    const hold = now && holdOf(getState().openJob.photos, now);
    if (hold) dispatch(edit({ do: "shot", shot: cell.shot, change: scaled(hold, factor) }, gesture));
  };

/** Moves the photo of a cell by some micrometres over the sheet. */
export const movePhoto =
  (cell: CellPlan, right: number, down: number, gesture: string): Thunk =>
  (dispatch, getState) => {
    const now = cellNow(getState(), cell);
    const hold = now && holdOf(getState().openJob.photos, now);
    if (!hold) return;
    const { dx, dy } = onPiece(cell, right, down);
    dispatch(edit({ do: "shot", shot: cell.shot, change: dragged(hold, dx, dy) }, gesture));
  };
