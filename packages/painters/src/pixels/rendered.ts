import { Resvg } from "@resvg/resvg-js";
import type { FontId, PixelBox } from "@wide-quilt/core";
import { FONT_FILES } from "../fonts.ts";

/** Marks in pixels of a sheet, drawn over a box of it, as RGBA pixels of sRGB that are not multiplied by their alpha. */
export function rendered(
  marks: string,
  { left, top, width, height }: PixelBox,
  fonts: Iterable<FontId> = [],
): Buffer {
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="${left} ${top} ${width} ${height}">${marks}</svg>`;
  const fontFiles = [...fonts].map((font) => FONT_FILES[font]());
  return straightAlpha(new Resvg(svg, { font: { fontFiles, loadSystemFonts: false } }).render().pixels);
}

/** Colours that were multiplied by their alpha, divided by it again. */
function straightAlpha(pixels: Buffer): Buffer {
  for (let i = 0; i < pixels.length; i += 4) {
    const alpha = pixels[i + 3]!;
    if (alpha === 0 || alpha === 255) continue;
    for (let c = 0; c < 3; c++) pixels[i + c] = Math.min(255, Math.round((pixels[i + c]! * 255) / alpha));
  }
  return pixels;
}
