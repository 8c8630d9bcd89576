import { bottom, boundsOf, right, type Rect } from "../../base/geometry/index.ts";
import { nearest, um } from "../../base/length/index.ts";

/** A side or middle that cells are brought to. */
export type AlignTo = "left" | "centre" | "right" | "top" | "middle" | "bottom";

/** Brings rectangles to one side or middle of an area: of what is around them all, or of the sheet for a single one. */
export function aligned(rects: readonly Rect[], to: AlignTo, area: Rect = boundsOf(rects)): Rect[] {
  return rects.map((r): Rect => {
    switch (to) {
      case "left":
        return { ...r, x: area.x };
      case "centre":
        return { ...r, x: nearest(area.x + (area.width - r.width) / 2) };
      case "right":
        return { ...r, x: um(right(area) - r.width) };
      case "top":
        return { ...r, y: area.y };
      case "middle":
        return { ...r, y: nearest(area.y + (area.height - r.height) / 2) };
      case "bottom":
        return { ...r, y: um(bottom(area) - r.height) };
    }
  });
}

/**
 * Sets rectangles at equal gaps between the first and the last, which stay.
 *
 *     [ a ]   [ b ] [ c ]       the bare length between them is divided so that it closes:
 *     [ a ]  [ b ]  [ c ]       edges are rounded, and gaps differ by a micrometre at most
 */
export function distributed(rects: readonly Rect[], along: "x" | "y"): Rect[] {
  const [start, length] = along === "x" ? (["x", "width"] as const) : (["y", "height"] as const);
  if (rects.length < 3) return [...rects];
  const order = rects.map((_, i) => i).sort((a, b) => rects[a]![start] - rects[b]![start]);
  const first = rects[order[0]!]!;
  const last = rects[order.at(-1)!]!;
  const pieces = rects.reduce((sum, r) => sum + r[length], 0);
  const gap = (last[start] + last[length] - first[start] - pieces) / (rects.length - 1);
  const result = [...rects];
  let before = 0;
  order.forEach((index, i) => {
    result[index] = { ...rects[index]!, [start]: nearest(first[start] + before + gap * i) };
    before += rects[index]![length];
  });
  return result;
}

/** Gives all rectangles the size of one, each staying where its middle is. */
export const sameSize = (rects: readonly Rect[], like: Rect): Rect[] =>
  rects.map((r) => ({
    x: nearest(r.x + (r.width - like.width) / 2),
    y: nearest(r.y + (r.height - like.height) / 2),
    width: like.width,
    height: like.height,
  }));
