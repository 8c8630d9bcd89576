import { Resvg } from "@resvg/resvg-js";
import sharp from "sharp";
import { findWindows, usualSearch, type ArtWindow, type Edges, type Search } from "@wide-quilt/core";
import { GRAPHIC_LIMITS } from "./take.ts";
import { isDrawn } from "./size.ts";

/** The longer side that a drawing without pixels of its own is looked at with, and is said to have. */
const DRAWN = 3000;

/** An artwork as windows are found in it. */
export interface ArtFound {
  /** In pixels. */
  width: number;
  height: number;
  windows: ArtWindow[];
}

/** Finds the transparent windows of a graphic as `takeGraphic` keeps it. */
export async function windowsIn(file: Buffer, asked: Partial<Search> = {}): Promise<ArtFound> {
  const image = sharp(inPixels(file), { limitInputPixels: GRAPHIC_LIMITS.pixels });
  const { width, height, hasAlpha } = (await image.metadata()) as {
    width: number;
    height: number;
    hasAlpha: boolean;
  };
  if (!hasAlpha) return { width, height, windows: [] };
  const data = await image.extractChannel("alpha").raw({ depth: "uchar" }).toBuffer();
  const alpha = { data: new Uint8Array(data.buffer, data.byteOffset, data.length), width, height };
  return { width, height, windows: findWindows(alpha, { ...usualSearch(alpha), ...asked }) };
}

/** A graphic in pixels; a drawing is drawn. */
const inPixels = (file: Buffer): Buffer => (isDrawn(file) ? drawn(file.toString()) : file);

function drawn(svg: string): Buffer {
  const { width, height } = new Resvg(svg, { font: { loadSystemFonts: false } });
  const fitTo = { mode: width > height ? "width" : "height", value: DRAWN } as const;
  return new Resvg(svg, { fitTo, font: { loadSystemFonts: false } }).render().asPng();
}

/** So many pixels more at each side of an artwork: those at its edges once more and again. Throws what sharp throws. */
export function widened(file: Buffer, more: Record<keyof Edges, number>): Promise<Buffer> {
  return sharp(inPixels(file), { limitInputPixels: GRAPHIC_LIMITS.pixels })
    .extend({ ...more, extendWith: "copy" })
    .png()
    .toBuffer();
}
