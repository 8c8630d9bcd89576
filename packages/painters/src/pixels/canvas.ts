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

/** How pixels are laid over others. */
export interface Laying {
  /** 0 nothing of them is seen … 1 as much as their alpha says. */
  opacity?: number;
  /** “multiply” darkens what is there, as ink does on paper. */
  blend?: "normal" | "multiply";
  /** What of the sheet they may reach; null for all of it. */
  clip?: PixelBox | null;
}

/** Lays pixels over the sheet, each as far as its alpha says; what would fall beside the sheet is left out. */
export function blendOnto(
  sheet: SheetPixels,
  { data, width, height, left, top }: Overlay,
  { opacity = 1, blend = "normal", clip = null }: Laying = {},
): void {
  const within = clip ?? { left: 0, top: 0, width: sheet.width, height: sheet.height };
  const from = Math.max(0, -left, within.left - left);
  const to = Math.min(width, sheet.width - left, within.left + within.width - left);
  const first = Math.max(0, -top, within.top - top);
  const last = Math.min(height, sheet.height - top, within.top + within.height - top);
  const multiplies = blend === "multiply";
  for (let row = first; row < last; row++) {
    for (let column = from; column < to; column++) {
      const source = (row * width + column) * 4;
      if (data[source + 3] === 0) continue;
      const share = (data[source + 3]! * opacity) / 255;
      const target = ((top + row) * sheet.width + left + column) * CHANNELS;
      for (let c = 0; c < CHANNELS; c++) {
        const under = sheet.data[target + c]!;
        const over = multiplies ? (data[source + c]! * under) / 255 : data[source + c]!;
        sheet.data[target + c] = Math.round(under + (over - under) * share);
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
