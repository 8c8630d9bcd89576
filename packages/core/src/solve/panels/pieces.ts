import { grown, type Rect, type Size } from "../../base/geometry/index.ts";
import { nearest, um, type Um } from "../../base/length/index.ts";
import type { Panels, Side } from "./schema.ts";

/** A panel smaller than this at any side is none that anyone would hang. */
export const LEAST_PANEL = um(20_000);

/** One piece of a page: what hangs on the wall by itself. */
export interface Piece {
  /** Its number, row by row; null for a page in one piece. */
  number: number | null;
  column: number;
  row: number;
  /** What is seen from the front, in µm from the page’s finished corner. */
  face: Rect;
  /** The same with what goes around its edges. */
  whole: Rect;
  /** Where its front hangs, from the upper left corner of all that hangs. */
  wall: Rect;
}

/** What goes around each edge of a panel. */
export const wrapOf = (panels: Panels | null): Um =>
  panels && panels.wrap.way !== "none" ? panels.wrap.deep : um(0);

/** How far the page itself is needed past its edges for what goes around them. */
export const wrapBeyond = (panels: Panels | null): Um =>
  panels?.wrap.way === "picture" ? panels.wrap.deep : um(0);

/** What all panels take on the wall: the page, and the gaps where the picture does not run on behind them. */
export function wallOf({ width, height }: Size, panels: Panels | null): Size {
  if (!panels || panels.behind) return { width, height };
  const { columns, rows, gap } = panels;
  return {
    width: um(width + (columns.length - 1) * gap),
    height: um(height + (rows.length - 1) * gap),
  };
}

/**
 * The pieces that a page hangs in, row by row. Null where a panel would have no room.
 *
 *     behind      ┌────┐  ┌────────┐  ┌────┐      the page is as wide as all of it
 *     not behind  ┌────┐┌────────┐┌────┐          the page is as wide as the panels together
 *
 * Sides are shared so that they add up to the whole: edges are rounded, not sizes.
 */
export function piecesOf(page: Size, panels: Panels | null): Piece[] | null {
  const all: Rect = { x: um(0), y: um(0), width: page.width, height: page.height };
  if (!panels) return [{ number: null, column: 0, row: 0, face: all, whole: all, wall: all }];
  const { columns, rows, gap, behind, step } = panels;
  const hidden = behind ? gap : 0;
  const across = stretches(columns, page.width, hidden);
  const down = stretches(rows, page.height, hidden);
  if (!across || !down) return null;
  const middle = (columns.length - 1) / 2;
  const pieces = down.flatMap((y, row) =>
    across.map((x, column): Piece => {
      const less = rows.length > 1 ? 0 : Math.floor(Math.abs(column - middle)) * step;
      const face: Rect = {
        x: x.from,
        y: um(y.from + less),
        width: um(x.to - x.from),
        height: um(y.to - y.from - 2 * less),
      };
      const apart = (index: number) => (behind ? 0 : index * gap);
      const wall = { ...face, x: um(face.x + apart(column)), y: um(face.y + apart(row)) };
      const number = row * columns.length + column + 1;
      return { number, column, row, face, whole: grown(face, wrapOf(panels)), wall };
    }),
  );
  return pieces.every(({ face }) => Math.min(face.width, face.height) >= LEAST_PANEL) ? pieces : null;
}

/** Sides that are given, and what they leave shared among the others; all of them in proportion where all are given. */
function stretches(sides: readonly Side[], length: number, gap: number): { from: Um; to: Um }[] | null {
  const room = length - (sides.length - 1) * gap;
  const given = sides.reduce((sum, side) => sum + ("size" in side ? side.size : 0), 0);
  const shares = sides.reduce((sum, side) => sum + ("share" in side ? side.share : 0), 0);
  const left = room - given;
  if (room <= 0 || (shares > 0 && left <= 0)) return null;
  let at = 0;
  return sides.map((side, i) => {
    const from = at;
    if ("share" in side) at += (left * side.share) / shares;
    else at += shares > 0 ? side.size : (room * side.size) / given;
    return { from: nearest(from + i * gap), to: nearest(at + i * gap) };
  });
}
