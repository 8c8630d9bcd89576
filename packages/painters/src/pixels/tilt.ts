import sharp from "sharp";
import { toPx, type CellPlan } from "@wide-quilt/core";
import { asOverlay, type Piece } from "./bands.ts";
import { fillBox, type Overlay } from "./canvas.ts";
import { outlineBoxes } from "./lines.ts";

/**
 * A piece, painted upright, tilted about the middle of its finished size, with its outline.
 *
 *        ╱╲          the corners that turning adds are transparent; the middle stays where it is, to within half
 *      ╱    ╲        a pixel
 *      ╲    ╱
 *        ╲╱
 */
export async function tilted(piece: Piece, cell: CellPlan, ppi: number): Promise<Overlay> {
  const { finished, angle } = cell;
  const { box } = piece;
  const middle = {
    x: toPx(finished.x + finished.width / 2, ppi),
    y: toPx(finished.y + finished.height / 2, ppi),
  };
  for (const { left, top, width, height } of outlineBoxes(cell, ppi)) {
    fillBox(piece, { left: left - box.left, top: top - box.top, width, height }, cell.outline!.colour);
  }
  const { data, info } = await sharp(asOverlay(piece).data, {
    raw: { width: box.width, height: box.height, channels: 4 },
  })
    .rotate(angle, { background: { r: 255, g: 255, b: 255, alpha: 0 } })
    .raw()
    .toBuffer({ resolveWithObject: true });
  // The box's own middle lies off the cell's where slack was cut back on one side; it goes round with the rest.
  const off = { x: box.left + box.width / 2 - middle.x, y: box.top + box.height / 2 - middle.y };
  const radians = (angle * Math.PI) / 180;
  const x = middle.x + off.x * Math.cos(radians) - off.y * Math.sin(radians);
  const y = middle.y + off.x * Math.sin(radians) + off.y * Math.cos(radians);
  return {
    data,
    width: info.width,
    height: info.height,
    left: Math.round(x - info.width / 2),
    top: Math.round(y - info.height / 2),
  };
}
