import { UM_PER_INCH, type Um } from "./um.ts";

/** A rectangle of whole pixels: left and top are inside it, right and bottom are the first outside. */
export interface PixelBox {
  left: number;
  top: number;
  width: number;
  height: number;
}

/** A length in pixels at a resolution, not rounded. */
export const toPx = (length: number, ppi: number): number => (length * ppi) / UM_PER_INCH;

/**
 * The pixel edge that a position on the sheet falls on.
 *
 * Only positions are ever rounded, never sizes: two cells that touch then share one pixel edge, and no
 * edge is off by more than half a pixel however many cells stand before it.
 *
 *     µm  0        35 000 37 000        72 000
 *         |---cell---|     |----cell-----|
 *     px  0         413   437           850       413 and 413 wide, the gap 24
 */
export const edgePx = (position: Um, ppi: number): number => Math.round(toPx(position, ppi));

/** The pixels of a rectangle given by its edges in micrometres. */
export function pixelBox(rect: { x: Um; y: Um; width: Um; height: Um }, ppi: number): PixelBox {
  const left = edgePx(rect.x, ppi);
  const top = edgePx(rect.y, ppi);
  return {
    left,
    top,
    width: edgePx((rect.x + rect.width) as Um, ppi) - left,
    height: edgePx((rect.y + rect.height) as Um, ppi) - top,
  };
}
