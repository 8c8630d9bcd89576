import { readFile } from "node:fs/promises";
import sharp from "sharp";
import { lookChange, type Look, type PixelChange } from "@wide-quilt/core";
import { openPhoto, openUpright } from "../photo/open.ts";
import { srgbProfile } from "./colour.ts";

/** A photo as it is put into a PDF. */
export interface EmbeddedPhoto {
  jpeg: Buffer;
  /** EXIF orientation that the JPEG still has to be turned by, 1…8. */
  orientation: number;
  /** What its colours mean; null for grey ones. */
  profile: Buffer | null;
}

/** JPEG quality of photos that cannot be embedded as they are. */
const QUALITY = 95;

/**
 * Reads a photo for a PDF at its full resolution. RGB and grey JPEGs go in byte for byte; everything else (PNG, WebP,
 * TIFF, AVIF, CMYK), and what wears a look, is written anew as an
 * upright sRGB JPEG.
 */
export async function embedPhoto(path: string, look: Look | null): Promise<EmbeddedPhoto> {
  const change = lookChange(look);
  if (change) return { jpeg: await changed(path, change), orientation: 1, profile: await srgbProfile() };
  const meta = await openPhoto(path).metadata();
  const asItIs = meta.format === "jpeg" && (meta.channels === 3 || meta.channels === 1);
  if (asItIs) {
    return {
      jpeg: await readFile(path),
      orientation: meta.orientation ?? 1,
      profile: meta.channels === 1 ? null : (meta.icc ?? (await srgbProfile())),
    };
  }
  const jpeg = await openUpright(path).jpeg({ quality: QUALITY, chromaSubsampling: "4:4:4" }).toBuffer();
  return { jpeg, orientation: 1, profile: await srgbProfile() };
}

async function changed(path: string, change: PixelChange): Promise<Buffer> {
  const { data, info } = await openUpright(path).raw().toBuffer({ resolveWithObject: true });
  change(data, 3);
  return sharp(data, { raw: { width: info.width, height: info.height, channels: 3 } })
    .jpeg({ quality: QUALITY, chromaSubsampling: "4:4:4" })
    .toBuffer();
}
