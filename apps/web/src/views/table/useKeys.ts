import { useEffect } from "react";
import { useNavigate } from "react-router";
import { store, useAppDispatch } from "../../app/store.ts";
import { step } from "../../table/edits.ts";
import { selectSheet } from "../../table/sheets.ts";
import { sheetTurned, zoomed } from "../../table/view.ts";
import { currentScale, TRUE_SIZE, ZOOM_STEP } from "./table/zoom.ts";

/** Whether keys belong to a field that is being typed into. */
export const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && (target.matches("input, textarea, select") || target.isContentEditable);

/** The keys that work everywhere on the table; those of a cell are on the cell. */
export function useKeys(): void {
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
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
        case "0":
          return () => dispatch(zoomed("fit"));
        case "1":
          return () => dispatch(zoomed(TRUE_SIZE));
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
    const onKeyDown = (event: KeyboardEvent) => {
      if (event.defaultPrevented || event.altKey) return;
      const control = event.ctrlKey || event.metaKey;
      const allowed = control || (store.getState().preferences.singleKeys && !isTyping(event.target));
      const act = allowed ? (control ? withControl(event) : single(event)) : undefined;
      if (!act) return;
      event.preventDefault();
      act();
    };
    window.addEventListener("keydown", onKeyDown);
    return () => window.removeEventListener("keydown", onKeyDown);
  }, [dispatch, navigate]);
}
