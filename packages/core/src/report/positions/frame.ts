import { bottom, right, type Rect, type Size } from "../../base/geometry/index.ts";
import { nearest, umPer, type Unit } from "../../base/length/index.ts";

/** The corners that positions can be counted from. */
export const CORNERS = ["top left", "top right", "bottom left", "bottom right"] as const;
export type Corner = (typeof CORNERS)[number];

/** How a table counts: in which unit, pixels at which ppi, and from which corner of the page to the same corner of a cell. */
export interface Counting {
  unit: Unit;
  ppi: number;
  corner: Corner;
}

/** Where a cell is, in the unit of a table. */
export interface Counted {
  x: number;
  y: number;
  width: number;
  height: number;
}

/** Counts a rectangle on a page. */
export function counted(rect: Rect, page: Size, { unit, ppi, corner }: Counting): Counted {
  const per = umPer(unit, ppi);
  const x = corner.includes("right") ? page.width - right(rect) : rect.x;
  const y = corner.includes("bottom") ? page.height - bottom(rect) : rect.y;
  return { x: x / per, y: y / per, width: rect.width / per, height: rect.height / per };
}

/** The rectangle again, its edges to the whole micrometre: edges are rounded, and sizes come of them. */
export function placed({ x, y, width, height }: Counted, page: Size, counting: Counting): Rect {
  const { unit, ppi, corner } = counting;
  const per = umPer(unit, ppi);
  const edges = (from: number, size: number, whole: number, isFar: boolean) => {
    const [near, far] = [nearest(from * per), nearest((from + size) * per)];
    return isFar ? [nearest(whole - far), nearest(whole - near)] : [near, far];
  };
  const [left, end] = edges(x, width, page.width, corner.includes("right"));
  const [top, foot] = edges(y, height, page.height, corner.includes("bottom"));
  return { x: left!, y: top!, width: nearest(end! - left!), height: nearest(foot! - top!) };
}
