import type { Samples } from "@wide-quilt/colour";
import { PALE, type PixelBox } from "@wide-quilt/core";
import type { PaintSpace } from "../colour/space.ts";

/** A sheet's pixels in the colours that it is written in, `space.channels` samples a pixel, row by row. */
export interface SheetPixels {
  data: Samples;
  width: number;
  height: number;
  space: PaintSpace;
  /** Which pixel of the whole its first one is, where it is a part of a page; (0, 0) for a whole sheet. */
  left: number;
  top: number;
}

/** A blank sheet of bare paper, or a part of one. */
export function blankSheet(
  width: number,
  height: number,
  space: PaintSpace,
  { left, top } = { left: 0, top: 0 },
): SheetPixels {
  const data = samples(width * height * space.channels, space).fill(space.paper);
  return { data, width, height, space, left, top };
}

/** A box as it lies from the first pixel of what is painted. */
const onto = <T extends { left: number; top: number }>({ left, top }: SheetPixels, box: T): T => ({
  ...box,
  left: box.left - left,
  top: box.top - top,
});

/** So many samples, of as many bits as the sheet has. */
export const samples = (length: number, { depth }: PaintSpace): Samples =>
  depth === 8 ? new Uint8Array(length) : new Uint16Array(length);

/** The samples of "#rrggbb". */
export const colourOf = (space: PaintSpace, colour: string): Samples =>
  space.fromSrgb(Uint8Array.from(Buffer.from(colour.slice(1), "hex")));

/** Copies pixels of the box's size onto the sheet; what would fall beside the sheet is left out. */
export function copyOnto(sheet: SheetPixels, pixels: Samples, at: PixelBox): void {
  const { channels } = sheet.space;
  const box = onto(sheet, at);
  const from = Math.max(0, box.left);
  const to = Math.min(sheet.width, box.left + box.width);
  if (to <= from) return;
  for (let row = Math.max(0, -box.top); row < box.height && box.top + row < sheet.height; row++) {
    const source = (row * box.width + from - box.left) * channels;
    sheet.data.set(
      pixels.subarray(source, source + (to - from) * channels),
      ((box.top + row) * sheet.width + from) * channels,
    );
  }
}

/** Pixels of the sheet's colours, how much each covers (0…255), and where their upper left corner lies. */
export interface Overlay {
  data: Samples;
  cover: Uint8Array;
  width: number;
  height: number;
  left: number;
  top: number;
}

/** RGBA pixels of sRGB as an overlay of a sheet. */
export function overlayOf(
  space: PaintSpace,
  rgba: Uint8Array,
  box: Pick<Overlay, "left" | "top" | "width" | "height">,
): Overlay {
  const count = box.width * box.height;
  const rgb = new Uint8Array(count * 3);
  const cover = new Uint8Array(count);
  for (let i = 0, from = 0, to = 0; i < count; i++, from += 4, to += 3) {
    rgb[to] = rgba[from]!;
    rgb[to + 1] = rgba[from + 1]!;
    rgb[to + 2] = rgba[from + 2]!;
    cover[i] = rgba[from + 3]!;
  }
  return { ...box, data: space.fromSrgb(rgb), cover };
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
  over: Overlay,
  { opacity = 1, blend = "normal", clip = null }: Laying = {},
): void {
  const { channels, most, paper } = sheet.space;
  const { data, cover, width, height, left, top } = onto(sheet, over);
  const within = clip ? onto(sheet, clip) : { left: 0, top: 0, width: sheet.width, height: sheet.height };
  const from = Math.max(0, -left, within.left - left);
  const to = Math.min(width, sheet.width - left, within.left + within.width - left);
  const first = Math.max(0, -top, within.top - top);
  const last = Math.min(height, sheet.height - top, within.top + within.height - top);
  const multiplies = blend === "multiply";
  for (let row = first; row < last; row++) {
    for (let column = from; column < to; column++) {
      const at = row * width + column;
      if (cover[at] === 0) continue;
      const share = (cover[at]! * opacity) / 255;
      const source = at * channels;
      const target = ((top + row) * sheet.width + left + column) * channels;
      for (let c = 0; c < channels; c++) {
        const under = sheet.data[target + c]!;
        const own = data[source + c]!;
        // Light is multiplied; of ink it is the light that it leaves.
        const light = paper === 0 ? most - ((most - own) * (most - under)) / most : (own * under) / most;
        const over = multiplies ? light : own;
        sheet.data[target + c] = Math.round(under + (over - under) * share);
      }
    }
  }
}

/** Fills a box with one colour, "#rrggbb". */
export function fillBox(sheet: SheetPixels, at: PixelBox, colour: string): void {
  const { channels } = sheet.space;
  const box = onto(sheet, at);
  const left = Math.max(0, box.left);
  const width = Math.min(sheet.width, box.left + box.width) - left;
  if (width <= 0) return;
  const one = colourOf(sheet.space, colour);
  const row = samples(width * channels, sheet.space);
  for (let x = 0; x < width; x++) row.set(one, x * channels);
  const end = Math.min(sheet.height, box.top + box.height);
  for (let y = Math.max(0, box.top); y < end; y++) sheet.data.set(row, (y * sheet.width + left) * channels);
}

/** Makes what is painted in a box pale: most of it becomes paper. */
export function makePale(sheet: SheetPixels, at: PixelBox): void {
  const { channels, paper } = sheet.space;
  const { left, top, width, height } = onto(sheet, at);
  const [from, to] = [Math.max(0, left), Math.min(sheet.width, left + width)];
  for (let y = Math.max(0, top); y < Math.min(sheet.height, top + height); y++) {
    for (let i = (y * sheet.width + from) * channels; i < (y * sheet.width + to) * channels; i++)
      sheet.data[i] = Math.round(paper + (sheet.data[i]! - paper) * PALE);
  }
}

/** Makes everything but a box bare paper again. */
export function clearAround(sheet: SheetPixels, at: PixelBox): void {
  const { channels, paper } = sheet.space;
  const { left, top, width, height } = onto(sheet, at);
  const row = sheet.width * channels;
  for (let y = 0; y < sheet.height; y++) {
    const [from, to] = [y * row, (y + 1) * row];
    if (y < top || y >= top + height) sheet.data.fill(paper, from, to);
    else {
      sheet.data.fill(paper, from, from + Math.max(0, Math.min(sheet.width, left)) * channels);
      sheet.data.fill(paper, from + Math.max(0, Math.min(sheet.width, left + width)) * channels, to);
    }
  }
}
