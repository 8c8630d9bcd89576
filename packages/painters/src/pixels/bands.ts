import { pixelBox, toPx, type Band, type CellPlan, type PixelBox } from "@wide-quilt/core";
import type { Samples } from "@wide-quilt/colour";
import type { PaintSpace } from "../colour/space.ts";
import { cutToShape } from "./shape.ts";
import { blankSheet, colourOf, fillBox, type Overlay, type SheetPixels } from "./canvas.ts";

/**
 * The four sides of a band between its two boxes: above and below over the whole width, the sides between them.
 *
 *     ┌──────────────┐ outer
 *     ├──┬────────┬──┤
 *     │  │ inner  │  │
 *     ├──┴────────┴──┤
 *     └──────────────┘
 */
function sides(outer: PixelBox, inner: PixelBox): PixelBox[] {
  const [right, bottom] = [outer.left + outer.width, outer.top + outer.height];
  const [innerRight, innerBottom] = [inner.left + inner.width, inner.top + inner.height];
  return [
    { ...outer, height: inner.top - outer.top },
    { ...outer, top: innerBottom, height: bottom - innerBottom },
    { left: outer.left, top: inner.top, width: inner.left - outer.left, height: inner.height },
    { left: innerRight, top: inner.top, width: right - innerRight, height: inner.height },
  ];
}

/** Paints the square bands of a cell onto the sheet, each edge rounded to whole pixels. */
export function paintBands(sheet: SheetPixels, bands: readonly Band[], ppi: number): void {
  for (const { outer, inner, colour } of bands)
    for (const box of sides(pixelBox(outer, ppi), pixelBox(inner, ppi))) fillBox(sheet, box, colour);
}

export const isRounded = ({ bands }: Pick<CellPlan, "bands">): boolean =>
  bands.some(({ outerCorner, innerCorner }) => outerCorner > 0 || innerCorner > 0);

/** A piece by itself: its pixels and how much of each is covered. */
export interface Piece extends SheetPixels {
  box: PixelBox;
  cover: Uint8Array;
}

/** Paints a photo and its bands apart from the sheet, for a piece that is tilted, has rounded corners or a shape. */
export function paintPiece(
  photo: Samples | null,
  photoBox: PixelBox,
  { bands, within }: Pick<CellPlan, "bands" | "within">,
  ppi: number,
  space: PaintSpace,
): Piece {
  const box = bands.map(({ outer }) => pixelBox(outer, ppi)).reduce(around, photoBox);
  const { channels } = space;
  const piece = blankSheet(box.width, box.height, space);
  const cover = new Uint8Array(box.width * box.height);
  if (photo) {
    for (let row = 0; row < photoBox.height; row++) {
      const to = (photoBox.top - box.top + row) * box.width + photoBox.left - box.left;
      const from = row * photoBox.width * channels;
      piece.data.set(photo.subarray(from, from + photoBox.width * channels), to * channels);
      cover.fill(0xff, to, to + photoBox.width);
    }
  }
  if (within) cutToShape(cover, box, within, ppi);
  bands.forEach((band, i) => {
    const outside = roundedCover(box, pixelBox(band.outer, ppi), toPx(band.outerCorner, ppi));
    const inside = roundedCover(box, pixelBox(band.inner, ppi), toPx(band.innerCorner, ppi));
    const colour = colourOf(space, band.colour);
    for (let at = 0; at < cover.length; at++) {
      const share = (outside[at]! * (255 - inside[at]!)) / 65025;
      if (share > 0) {
        for (let c = 0; c < channels; c++) {
          const under = piece.data[at * channels + c]!;
          piece.data[at * channels + c] = Math.round(under + (colour[c]! - under) * share);
        }
      }
      // What lies outside the outermost band is no part of the piece.
      if (i === 0) cover[at] = outside[at]!;
    }
  });
  return { ...piece, box, cover };
}

/** A piece where it lies, to be laid over the sheet. */
export const asOverlay = ({ data, width, height, cover, box }: Piece): Overlay => ({
  data,
  cover,
  width,
  height,
  left: box.left,
  top: box.top,
});

/** Points a side that each pixel of a rounded corner is looked at with. */
const POINTS = 4;

/** How much of every pixel of a canvas a box with rounded corners covers, 0…255. */
function roundedCover(canvas: PixelBox, box: PixelBox, radius: number): Uint8Array {
  const cover = new Uint8Array(canvas.width * canvas.height);
  const [left, top] = [box.left - canvas.left, box.top - canvas.top];
  for (let y = 0; y < box.height; y++)
    cover.fill(0xff, (top + y) * canvas.width + left, (top + y) * canvas.width + left + box.width);
  const reach = Math.min(Math.ceil(radius), Math.floor(box.width / 2), Math.floor(box.height / 2));
  for (let y = 0; y < reach; y++) {
    for (let x = 0; x < reach; x++) {
      const share = Math.round(cornerShare(x, y, radius) * 255);
      for (const column of [left + x, left + box.width - 1 - x])
        for (const row of [top + y, top + box.height - 1 - y]) cover[row * canvas.width + column] = share;
    }
  }
  return cover;
}

/** The share of the pixel at (x, y) from a corner that lies inside a circle that touches both sides. */
function cornerShare(x: number, y: number, radius: number): number {
  let inside = 0;
  for (let i = 0; i < POINTS; i++) {
    for (let j = 0; j < POINTS; j++) {
      const dx = radius - x - (i + 0.5) / POINTS;
      const dy = radius - y - (j + 0.5) / POINTS;
      if (dx <= 0 || dy <= 0 || dx * dx + dy * dy <= radius * radius) inside++;
    }
  }
  return inside / (POINTS * POINTS);
}

function around(a: PixelBox, b: PixelBox): PixelBox {
  const left = Math.min(a.left, b.left);
  const top = Math.min(a.top, b.top);
  return {
    left,
    top,
    width: Math.max(a.left + a.width, b.left + b.width) - left,
    height: Math.max(a.top + a.height, b.top + b.height) - top,
  };
}
