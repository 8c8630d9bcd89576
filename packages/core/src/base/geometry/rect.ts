import { um, type Um } from "../length/index.ts";

export interface Size {
  width: Um;
  height: Um;
}

/** A rectangle on a sheet: x to the right and y down from the sheet's upper left corner. */
export interface Rect extends Size {
  x: Um;
  y: Um;
}

/** Four lengths, one for each side of a rectangle as it lies. */
export interface Edges {
  top: Um;
  right: Um;
  bottom: Um;
  left: Um;
}

export const NO_EDGES: Edges = { top: um(0), right: um(0), bottom: um(0), left: um(0) };

export const right = (rect: Rect): Um => um(rect.x + rect.width);
export const bottom = (rect: Rect): Um => um(rect.y + rect.height);

/** The same size on its side. */
export const onItsSide = ({ width, height }: Size): Size => ({ width: height, height: width });

/** A size, in any unit, as it is once it is turned by quarters; or as it was before that. */
export const turnedSize = <Length extends number>(
  { width, height }: { width: Length; height: Length },
  degrees: number,
): { width: Length; height: Length } =>
  degrees % 180 === 0 ? { width, height } : { width: height, height: width };

/** Edges of a sheet turned a quarter clockwise: what was the left side is now the top. */
export const quarterTurned = (e: Edges): Edges => ({
  top: e.left,
  right: e.top,
  bottom: e.right,
  left: e.bottom,
});

/** The same length on all four sides. */
export const evenEdges = (length: Um): Edges => ({
  top: length,
  right: length,
  bottom: length,
  left: length,
});

/** Whether all four are the same. */
export const areEven = ({ top, right: r, bottom: b, left }: Edges): boolean =>
  top === r && r === b && b === left;

/** What four edges leave of a rectangle; width and height can come out negative when the edges meet. */
export const inset = ({ x, y, width, height }: Rect, edges: Edges): Rect => ({
  x: um(x + edges.left),
  y: um(y + edges.top),
  width: um(width - edges.left - edges.right),
  height: um(height - edges.top - edges.bottom),
});

/** The same of a sheet, from its corner. */
export const inside = (size: Size, edges: Edges): Rect => inset({ x: um(0), y: um(0), ...size }, edges);

/** A rectangle grown by one length on all sides. */
export const grown = (rect: Rect, by: number): Rect => ({
  x: um(rect.x - by),
  y: um(rect.y - by),
  width: um(rect.width + 2 * by),
  height: um(rect.height + 2 * by),
});

/** What two rectangles have in common, or null when that is nothing. */
export function overlap(a: Rect, b: Rect): Rect | null {
  const x = Math.max(a.x, b.x);
  const y = Math.max(a.y, b.y);
  const width = Math.min(a.x + a.width, b.x + b.width) - x;
  const height = Math.min(a.y + a.height, b.y + b.height) - y;
  return width > 0 && height > 0 ? { x: um(x), y: um(y), width: um(width), height: um(height) } : null;
}

/** Whether a rectangle lies wholly inside another; touching edges are inside. */
export const contains = (outer: Rect, inner: Rect): boolean =>
  inner.x >= outer.x &&
  inner.y >= outer.y &&
  inner.x + inner.width <= outer.x + outer.width &&
  inner.y + inner.height <= outer.y + outer.height;

/** An area in µm². Exact: below 2^53 for anything up to 90 m on a side. */
export const area = ({ width, height }: Size): number => width * height;

/** A rectangle turned a quarter about its middle. */
export const onItsSideAbout = ({ x, y, width, height }: Rect): Rect => ({
  x: um(Math.round(x + (width - height) / 2)),
  y: um(Math.round(y + (height - width) / 2)),
  width: height,
  height: width,
});

/** The smallest rectangle around others. */
export function boundsOf(rects: readonly Rect[]): Rect {
  const x = Math.min(...rects.map((r) => r.x));
  const y = Math.min(...rects.map((r) => r.y));
  return {
    x: um(x),
    y: um(y),
    width: um(Math.max(...rects.map(right)) - x),
    height: um(Math.max(...rects.map(bottom)) - y),
  };
}

/** The rectangle alone, of something that says more. */
export const rectOf = ({ x, y, width, height }: Rect): Rect => ({ x, y, width, height });
