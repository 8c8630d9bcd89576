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

/** Pixels with an alpha channel, 8-bit RGBA, and where their upper left corner lies. */
export interface Overlay {
  data: Buffer;
  width: number;
  height: number;
  left: number;
  top: number;
}

/** Lays pixels over the sheet, each as far as its alpha says; what would fall beside the sheet is left out. */
export function blendOnto(sheet: SheetPixels, { data, width, height, left, top }: Overlay): void {
  const from = Math.max(0, -left);
  const to = Math.min(width, sheet.width - left);
  for (let row = Math.max(0, -top); row < height && top + row < sheet.height; row++) {
    for (let column = from; column < to; column++) {
      const source = (row * width + column) * 4;
      const alpha = data[source + 3]!;
      if (alpha === 0) continue;
      const target = ((top + row) * sheet.width + left + column) * CHANNELS;
      for (let c = 0; c < CHANNELS; c++) {
        const under = sheet.data[target + c]!;
        sheet.data[target + c] = Math.round(under + ((data[source + c]! - under) * alpha) / 255);
      }
    }
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
