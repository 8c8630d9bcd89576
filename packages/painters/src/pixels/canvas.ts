import type { PixelBox } from "@wide-quilt/core";

/** A sheet's pixels: 8-bit sRGB, three bytes a pixel, row by row. */
export interface SheetPixels {
  data: Buffer;
  width: number;
  height: number;
}

export const CHANNELS = 3;

/** A blank sheet of white paper. */
export const blankSheet = (width: number, height: number): SheetPixels => ({
  data: Buffer.alloc(width * height * CHANNELS, 0xff),
  width,
  height,
});

/** Copies pixels of the box's size onto the sheet; what would fall beside the sheet is left out. */
export function copyOnto(sheet: SheetPixels, pixels: Buffer, box: PixelBox): void {
  const from = Math.max(0, box.left);
  const to = Math.min(sheet.width, box.left + box.width);
  if (to <= from) return;
  for (let row = Math.max(0, -box.top); row < box.height && box.top + row < sheet.height; row++) {
    const source = (row * box.width + from - box.left) * CHANNELS;
    pixels.copy(
      sheet.data,
      ((box.top + row) * sheet.width + from) * CHANNELS,
      source,
      source + (to - from) * CHANNELS,
    );
  }
}

/** Fills a box with one colour, "#rrggbb". */
export function fillBox(sheet: SheetPixels, box: PixelBox, colour: string): void {
  const left = Math.max(0, box.left);
  const width = Math.min(sheet.width, box.left + box.width) - left;
  if (width <= 0) return;
  const row = Buffer.alloc(width * CHANNELS, Buffer.from(colour.slice(1), "hex"));
  const end = Math.min(sheet.height, box.top + box.height);
  for (let y = Math.max(0, box.top); y < end; y++) {
    row.copy(sheet.data, (y * sheet.width + left) * CHANNELS);
  }
}
