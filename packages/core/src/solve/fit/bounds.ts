import type { Size } from "../../base/geometry/index.ts";

/**
 * No more than this many pieces a × b can lie on a sheet, whatever their turn: the better of two bounds.
 *
 * Area: each piece takes a·b.
 * Barnes (F. W. Barnes, "Packing the maximum number of m × n tiles in a large p × q rectangle", Discrete Mathematics
 * 26, 1979): a piece a × b is b bars of a × 1, and bars of length a leave at least
 *
 *     min(r·s, (a − r)(a − s))     r = width mod a, s = height mod a
 *
 * of any sheet bare, likewise those of length b. What is left bare is also the sheet less a whole number of pieces.
 * All lengths are whole numbers (of µm), gaps already added to both piece and sheet.
 */
export function mostByBounds(piece: Size, sheet: Size): number {
  const { width: a, height: b } = piece;
  if (Math.min(sheet.width, sheet.height) < Math.min(a, b)) return 0;
  const bare = Math.max(bareByBars(a, sheet), bareByBars(b, sheet));
  return Math.floor((sheet.width * sheet.height - bare) / (a * b));
}

function bareByBars(bar: number, { width, height }: Size): number {
  const r = width % bar;
  const s = height % bar;
  return Math.min(r * s, (bar - r) * (bar - s));
}
