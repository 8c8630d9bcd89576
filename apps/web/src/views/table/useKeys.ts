import { useEffect } from "react";
import { useNavigate } from "react-router";
import { useAppDispatch } from "../../app/hooks.ts";
import { store } from "../../app/store.ts";
import { step } from "../../table/edits.ts";
import { selectSheet } from "../../table/sheets.ts";
import { dragging, sheetTurned, zoomed } from "../../table/view.ts";
import { chooseAll, duplicateChosen, nudgeCells, removeChosen } from "./table/chosen.ts";
import { ARROWS, COARSE_NUDGE, FINE_NUDGE, NUDGE, useGestures } from "./table/nudge.ts";
import { currentScale, currentTrueSize, ZOOM_STEP } from "./table/zoom.ts";

/** Whether keys belong to a field that is being typed into. */
export const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && (target.matches("input, textarea, select") || target.isContentEditable);

/** The keys that work everywhere on the table; those of a cell are on the cell. */
export function useKeys(): void {
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const gestureOf = useGestures();
  useEffect(() => {
    const withControl = (event: KeyboardEvent): (() => unknown) | undefined => {
      const key = event.key.toLowerCase();
      if (key === "p") return () => navigate(`/jobs/${store.getState().openJob.id}/press`);
      if (isTyping(event.target)) return undefined;
      if (key === "z") return () => dispatch(step(event.shiftKey ? "redo" : "undo"));
      return key === "y" ? () => dispatch(step("redo")) : undefined;
    };
    const single = (event: KeyboardEvent): (() => unknown) | undefined => {
      const sheet = selectSheet(store.getState());
      switch (event.key) {
        case "m":
          return () => dispatch(dragging(store.getState().view.drags === "cell" ? "photo" : "cell"));
        case "0":
          return () => dispatch(zoomed("fit"));
        case "1":
          return () => dispatch(zoomed(currentTrueSize()));
        case "+":
        case "=":
          return () => dispatch(zoomed(currentScale() * ZOOM_STEP));
        case "-":
          return () => dispatch(zoomed(currentScale() / ZOOM_STEP));
        case "[":
          return () => sheet && sheet.number > 1 && dispatch(sheetTurned(sheet.number - 1));
        case "]":
          return () => sheet && sheet.number < sheet.of && dispatch(sheetTurned(sheet.number + 1));
        default:
          return undefined;
      }
    };
    /** What keys do to chosen cells while cells, not photos, are moved. */
    const ofCells = (event: KeyboardEvent): (() => unknown) | undefined => {
      const { drags, cell } = store.getState().view;
      const elsewhere = (event.target as Element).closest?.("[role=dialog], [role=radiogroup], select");
      if (drags !== "cell" || isTyping(event.target) || elsewhere) return undefined;
      const control = event.ctrlKey || event.metaKey;
      if (control && event.key.toLowerCase() === "a") return () => dispatch(chooseAll());
      if (cell === null) return undefined;
      if (control && event.key.toLowerCase() === "d") return () => dispatch(duplicateChosen());
      if (event.key === "Delete") return () => dispatch(removeChosen());
      const arrow = ARROWS[event.key];
      if (!arrow || control) return undefined;
      const by = event.altKey ? FINE_NUDGE : event.shiftKey ? COARSE_NUDGE : NUDGE;
      return () => dispatch(nudgeCells(arrow[0] * by, arrow[1] * by, gestureOf("nudge", event.timeStamp)));
    };
    const onKeyDown = (event: KeyboardEvent) => {
      if (event.defaultPrevented) return;
      const moves = ofCells(event);
      if (moves) {
        event.preventDefault();
        moves();
        return;
      }
      if (event.altKey) return;
      const control = event.ctrlKey || event.metaKey;
      const allowed = control || (store.getState().preferences.singleKeys && !isTyping(event.target));
      const act = allowed ? (control ? withControl(event) : single(event)) : undefined;
      if (!act) return;
      event.preventDefault();
      act();
    };
    window.addEventListener("keydown", onKeyDown);
    return () => window.removeEventListener("keydown", onKeyDown);
  }, [dispatch, gestureOf, navigate]);
}
