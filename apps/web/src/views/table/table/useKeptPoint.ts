import { useLayoutEffect, useRef, type RefObject } from "react";

/** A point of the table’s window, in CSS pixels from its upper left corner. */
export interface TablePoint {
  x: number;
  y: number;
}

/** Where the sheet lies on what is scrolled, and how large. */
interface Lies {
  left: number;
  top: number;
  scale: number;
}

/**
 * Keeps the point of the sheet that is under a point of the window there when the sheet becomes larger or smaller: under the
 * pointer where the wheel does it (`takePointer` says once where it was), under the middle of the window otherwise.
 *
 *     ┌ window ───────┐          scroll + point = left + place · scale,
 *     │   ┌ sheet ──┐ │          before as after; place is what stays the same
 *     │   │   × point │
 */
export function useKeptPoint(
  table: RefObject<HTMLElement | null>,
  takePointer: () => TablePoint | null,
  { left, top, scale }: Lies,
): void {
  const lay = useRef<Lies | null>(null);
  // Browsers scroll by whole pixels: what was meant is kept, so that many small steps do not add up to a large one.
  const meant = useRef<TablePoint>({ x: 0, y: 0 });
  useLayoutEffect(() => {
    const element = table.current;
    const was = lay.current;
    lay.current = { left, top, scale };
    if (!element || !was) return;
    const middle = { x: element.clientWidth / 2, y: element.clientHeight / 2 };
    // A scroll bar that comes or goes moves the sheet too, but without making it larger.
    const at = (was.scale === scale ? null : takePointer()) ?? middle;
    const grown = scale / was.scale;
    const [x, mostX] = [element.scrollLeft, element.scrollWidth - element.clientWidth];
    const [y, mostY] = [element.scrollTop, element.scrollHeight - element.clientHeight];
    const wanted = {
      x: left + (before(x, meant.current.x, mostX) + at.x - was.left) * grown - at.x,
      y: top + (before(y, meant.current.y, mostY) + at.y - was.top) * grown - at.y,
    };
    element.scrollTo(Math.round(wanted.x), Math.round(wanted.y));
    meant.current = {
      x: reached(element.scrollLeft, wanted.x),
      y: reached(element.scrollTop, wanted.y),
    };
  }, [table, takePointer, left, top, scale]);
}

/**
 * Where it was scrolled to before the sheet changed its size: what was meant, where nobody has scrolled since. A browser has
 * cut that off already where there is less to scroll now.
 */
const before = (is: number, meant: number, most: number): number =>
  Math.abs(is - meant) < 1 || (is >= most - 1 && meant > is) ? meant : is;

const reached = (is: number, wanted: number): number => (Math.abs(is - wanted) < 1 ? wanted : is);
