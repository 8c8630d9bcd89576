import { Resvg } from "@resvg/resvg-js";
import type { Sharp } from "sharp";
import { openPhoto } from "../photo/open.ts";

/** Whether a graphic is drawn (an SVG as `takeGraphic` keeps it) rather than made of pixels. */
export const isDrawn = (file: Buffer): boolean => file.subarray(0, 5).toString() === "<svg ";

/** A graphic at a size in pixels, with its alpha. One that is drawn is drawn at that size, nothing of it is enlarged. */
export async function sizedGraphic(
  file: Buffer,
  { width, height }: { width: number; height: number },
): Promise<Sharp> {
  const source = isDrawn(file) ? drawnAt(file.toString(), width) : file;
  return openPhoto(source).toColourspace("srgb").resize(width, height, { fit: "fill" }).ensureAlpha();
}

const drawnAt = (svg: string, width: number): Buffer =>
  new Resvg(svg, { fitTo: { mode: "width", value: width }, font: { loadSystemFonts: false } })
    .render()
    .asPng();
