import type { CellPlan, JobEdit, Turn } from "@wide-quilt/core";
import type { KeyboardEvent } from "react";
import { useAppDispatch } from "../../../app/hooks.ts";
import { store } from "../../../app/store.ts";
import { edit } from "../../../table/edits.ts";
import { held } from "../../../table/openJob.ts";
import { cellNow } from "../../../table/sheets.ts";
import { cellSelected } from "../../../table/view.ts";
import { movePhoto, scalePhoto } from "./movePhoto.ts";
import { ARROWS, FINE_NUDGE, NUDGE, useGestures } from "./nudge.ts";

const SCALE_STEP = 1.02;

/** The keys of a cell that is focused, except those that lead to another cell. */
export function useCellKeys() {
  const dispatch = useAppDispatch();
  const gestureOf = useGestures();
  return (event: KeyboardEvent, cell: CellPlan): void => {
    const done = () => {
      event.preventDefault();
      event.stopPropagation();
    };
    const arrow = ARROWS[event.key];
    if (arrow && event.shiftKey && store.getState().view.drags === "photo") {
      const by = event.altKey ? FINE_NUDGE : NUDGE;
      dispatch(movePhoto(cell, arrow[0] * by, arrow[1] * by, gestureOf("move", event.timeStamp)));
      return done();
    }
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    if (event.key === "." || event.key === ",") {
      const factor = event.key === "." ? SCALE_STEP : 1 / SCALE_STEP;
      dispatch(scalePhoto(cell, factor, gestureOf("scale", event.timeStamp)));
      return done();
    }
    if (event.key === "Escape") {
      if (store.getState().openJob.held) dispatch(held(null));
      else dispatch(cellSelected(null));
      return done();
    }
    const change = editOf(event.key, cellNow(store.getState(), cell) ?? cell);
    if (!change) return;
    dispatch(edit(change));
    done();
  };
}

function editOf(key: string, { key: cell, shot, photo, sits }: CellPlan): JobEdit | null {
  switch (key.toLowerCase()) {
    case "f":
      return { do: "shot", shot, change: { ...sits, photo, fit: "fill", scale: 1 } };
    case "w":
      return { do: "shot", shot, change: { ...sits, photo, fit: "whole" } };
    case "r":
      return { do: "shot", shot, change: { ...sits, photo, turn: nextTurn(sits.turn) } };
    case "backspace":
      return { do: "back to computed", cell };
    default:
      return null;
  }
}

/** A quarter further clockwise. */
export const nextTurn = (turn: Turn): Turn => (((turn === "suit" ? 0 : turn) + 90) % 360) as Turn;
