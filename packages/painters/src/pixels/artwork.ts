import sharp from "sharp";
import type { Ink, SheetPlan } from "@wide-quilt/core";
import type { PhotoFiles } from "../photo/files.ts";
import { pixelScale, textMark } from "../svg/marks.ts";
import { filling, pictureMark } from "./ink.ts";
import { rendered } from "./rendered.ts";
import { shapeLayers, type ShapeLayer } from "./shapeLayers.ts";

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
  const box = { left: 0, top: 0, ...pixels };
  if (ink.kind === "path") {
    yield* shapeLayers(ink, null, ppi, box, await filling(ink, ppi, files));
    return;
  }
  const middle = { x: pixels.width / 2, y: pixels.height / 2 };
  const rgba =
    ink.kind === "text"
      ? rendered(textMark(ink, null, pixelScale(ppi), "t", middle), box, [ink.text.font])
      : rendered(await pictureMark(ink, null, ppi, files, middle), box);
  yield { rgba, ...box };
}

/** Lays pixels over others (Porter and Duff 1984, “over”), alpha not multiplied in; what would fall beside them is left out. */
function layOver(canvas: Buffer, across: number, { rgba, left, top, width, height }: ShapeLayer): void {
  const down = canvas.length / (4 * across);
  const [first, last] = [Math.max(0, -left), Math.min(width, across - left)];
  for (let row = Math.max(0, -top); row < Math.min(height, down - top); row++) {
    let to = ((top + row) * across + left + first) * 4;
    for (let from = (row * width + first) * 4; from < (row * width + last) * 4; from += 4, to += 4) {
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
