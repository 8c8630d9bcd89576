import { toPx, type CellPlan, type PixelBox, type Stroke } from "@wide-quilt/core";

/** The pixels of a stroke: its edges rounded, and never thinner than one pixel, or it would vanish. */
export function strokeBox({ x1, y1, x2, y2, width }: Stroke, ppi: number): PixelBox {
  const half = width / 2;
  return x1 === x2
    ? boxOf(x1 - half, Math.min(y1, y2), x1 + half, Math.max(y1, y2), ppi)
    : boxOf(Math.min(x1, x2), y1 - half, Math.max(x1, x2), y1 + half, ppi);
}

/**
 * The four sides of an outline centred on the finished edge.
 *
 *      ┌──────────────┐ outer = finished + width/2
 *      │ ┌──────────┐ │ inner = finished − width/2
 *      │ │          │ │ top and bottom run from outer to outer, the sides between them
 */
export function outlineBoxes({ finished, outline }: CellPlan, ppi: number): PixelBox[] {
  if (!outline) return [];
  const half = outline.width / 2;
  const [left, top] = [finished.x, finished.y];
  const [right, bottom] = [finished.x + finished.width, finished.y + finished.height];
  return [
    boxOf(left - half, top - half, right + half, top + half, ppi),
    boxOf(left - half, bottom - half, right + half, bottom + half, ppi),
    boxOf(left - half, top - half, left + half, bottom + half, ppi),
    boxOf(right - half, top - half, right + half, bottom + half, ppi),
  ];
}

function boxOf(left: number, top: number, right: number, bottom: number, ppi: number): PixelBox {
  const [x, width] = run(toPx(left, ppi), toPx(right, ppi));
  const [y, height] = run(toPx(top, ppi), toPx(bottom, ppi));
  return { left: x, top: y, width, height };
}

/** From which pixel on and how many: what is thinner than one is the pixel that its middle is in. */
function run(from: number, to: number): [from: number, length: number] {
  const first = Math.round(from);
  const length = Math.round(to) - first;
  return to - from > 1 && length > 0 ? [first, length] : [Math.floor((from + to) / 2), 1];
}
