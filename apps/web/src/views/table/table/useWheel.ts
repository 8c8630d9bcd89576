import { useEffect, type RefObject } from "react";
import { useAppDispatch } from "../../../app/hooks.ts";
import { newId } from "../../../app/ids.ts";
import { store } from "../../../app/store.ts";
import { selectCell } from "../../../table/sheets.ts";
import { zoomed } from "../../../table/view.ts";
import { scalePhoto } from "./movePhoto.ts";
import type { TablePoint } from "./useKeptPoint.ts";
import { currentScale } from "./zoom.ts";

/** A pause longer than this ends a turn of the wheel, and with it the step that is undone at once. */
const PAUSE = 600;

/**
 * The wheel over the selected cell scales its photo; with Ctrl it scales the table, around the pointer, whose place goes into
 * `pointer`; elsewhere it scrolls.
 */
export function useWheel(table: RefObject<HTMLElement | null>, pointer: RefObject<TablePoint | null>): void {
  const dispatch = useAppDispatch();
  useEffect(() => {
    const element = table.current;
    if (!element) return;
    let gesture = "";
    let last = 0;
    const onWheel = (event: WheelEvent) => {
      const factor = 1.0015 ** -event.deltaY;
      if (event.ctrlKey) {
        event.preventDefault();
        const { left, top } = element.getBoundingClientRect();
        pointer.current = { x: event.clientX - left, y: event.clientY - top };
        dispatch(zoomed(currentScale() * factor));
        return;
      }
      const cell = selectCell(store.getState());
      const over = (event.target as Element).closest("[data-cell]")?.getAttribute("data-cell");
      if (!cell?.picture || over !== cell.key) return;
      event.preventDefault();
      if (event.timeStamp - last > PAUSE) gesture = newId();
      last = event.timeStamp;
      dispatch(scalePhoto(cell, factor, gesture));
    };
    // React listens to the wheel passively, which cannot keep the page from scrolling.
    element.addEventListener("wheel", onWheel, { passive: false });
    return () => element.removeEventListener("wheel", onWheel);
  }, [dispatch, table, pointer]);
}
