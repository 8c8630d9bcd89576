import { Resvg } from "@resvg/resvg-js";
import sharp from "sharp";
import { toPx, type Ink, type SheetPlan } from "@wide-quilt/core";
import { FONT_FILES } from "../fonts.ts";
import type { PhotoFiles } from "../photo/files.ts";
import { textMark, type Scale } from "../svg/marks.ts";
import { filling, pictureMark } from "./ink.ts";
import { shapeLayers, type ShapeLayer } from "./shapeLayers.ts";
import { straightAlpha } from "./straight.ts";

/**
 * What lies in front of a sheet’s photos, as a PNG of the sheet’s pixels and density: bare paper and windows are transparent,
 * so that other programs can use it as artwork.
 */
export async function paintArtwork(sheet: SheetPlan, files: PhotoFiles): Promise<Buffer> {
  const { pixels, ppi, over } = sheet;
  const { width, height } = pixels;
  const canvas = Buffer.alloc(width * height * 4);
  for (const ink of over) {
    for await (const layer of layersOf(ink, sheet, files)) layOver(canvas, width, layer);
  }
  return sharp(canvas, { raw: { width, height, channels: 4 } })
    .withDensity(ppi)
    .png()
    .toBuffer();
}

async function* layersOf(
  ink: Ink,
  { pixels, ppi }: SheetPlan,
  files: PhotoFiles,
): AsyncGenerator<ShapeLayer> {
  if (ink.kind === "path") {
    yield* shapeLayers(ink, null, ppi, pixels, await filling(ink, ppi, files));
    return;
  }
  const scale: Scale = { at: (um) => toPx(um, ppi), edge: (um) => Math.round(toPx(um, ppi)) };
  const { width, height } = pixels;
  const middle = { x: width / 2, y: height / 2 };
  const mark =
    ink.kind === "text"
      ? textMark(ink, null, scale, "t", middle)
      : await pictureMark(ink, null, ppi, files, middle);
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}">${mark}</svg>`;
  const fontFiles = ink.kind === "text" ? [FONT_FILES[ink.text.font]()] : [];
  const { pixels: drawn } = new Resvg(svg, { font: { fontFiles, loadSystemFonts: false } }).render();
  yield { rgba: straightAlpha(drawn), left: 0, top: 0, width, height };
}

/** Lays pixels over others (Porter and Duff 1984, “over”), alpha not multiplied in. */
function layOver(canvas: Buffer, across: number, { rgba, left, top, width, height }: ShapeLayer): void {
  for (let row = 0; row < height; row++) {
    let to = ((top + row) * across + left) * 4;
    for (let from = row * width * 4; from < (row + 1) * width * 4; from += 4, to += 4) {
      const own = rgba[from + 3]!;
      if (own === 0) continue;
      const under = (canvas[to + 3]! * (255 - own)) / 255;
      const both = own + under;
      for (let c = 0; c < 3; c++)
        canvas[to + c] = Math.round((rgba[from + c]! * own + canvas[to + c]! * under) / both);
      canvas[to + 3] = Math.round(both);
    }
  }
}
