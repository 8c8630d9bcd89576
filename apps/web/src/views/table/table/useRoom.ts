import { useLayoutEffect, useState, type RefObject } from "react";
import { useAppSelector } from "../../../app/hooks.ts";

/** Where the sheet has its place on the table while it fits: from the table’s left edge, in CSS pixels. */
export interface TableRoom {
  left: number;
  width: number;
  height: number;
}

/** Beside an open panel the sheet makes room for it as long as so much is left of the table. */
const LEAST = 280;

/**
 * The room of the table, followed: all of it, or while a panel is open the larger side beside that, so that the sheet which
 * the panel changes is seen.
 *
 *     ┌ table ─────┬ panel ─┐──────┐
 *     │   room     │        │      │
 *     │            └────────┘      │
 */
export function useRoom(table: RefObject<HTMLElement | null>): TableRoom {
  const [size, setSize] = useState({ left: 0, width: 0, height: 0 });
  useLayoutEffect(() => {
    const element = table.current;
    if (!element) return;
    const measure = () =>
      setSize({
        left: element.getBoundingClientRect().left,
        width: element.clientWidth,
        height: element.clientHeight,
      });
    const observer = new ResizeObserver(measure);
    observer.observe(element);
    return () => observer.disconnect();
  }, [table]);
  const covered = useAppSelector((state) => (state.view.zoom === "fit" ? state.view.covered : null));
  const { left, width, height } = size;
  const before = covered ? Math.min(width, Math.max(0, covered.from - left)) : width;
  const behind = covered ? Math.min(width, Math.max(0, left + width - covered.to)) : width;
  const most = Math.max(before, behind);
  if (most < LEAST || most === width) return { left: 0, width, height };
  return before >= behind
    ? { left: 0, width: before, height }
    : { left: width - behind, width: behind, height };
}
