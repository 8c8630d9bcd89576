import sharp from "sharp";
import { CHANNELS, type SheetPixels } from "./canvas.ts";
import { withJfif } from "./jfif.ts";

/** A format that is made of pixels. */
export type PixelFormat = { format: "jpeg"; /** 1…100 */ quality: number } | { format: "png" };

/** The longest side that a JPEG can have (ITU-T T.81, B.2.2: 16-bit line and sample counts, less the encoder's own limit). */
export const JPEG_SIDE = 65_500;

/** Writes a sheet's pixels as a file: sRGB profile inside, and the density wherever a reader looks for it. */
export async function encodeSheet(sheet: SheetPixels, ppi: number, as: PixelFormat): Promise<Buffer> {
  const { data, width, height } = sheet;
  const image = sharp(data, { raw: { width, height, channels: CHANNELS }, limitInputPixels: false })
    .withIccProfile("srgb")
    .withDensity(ppi);
  if (as.format === "png") return image.png({ compressionLevel: 7 }).toBuffer();
  // Full colour resolution: marks and outlines one pixel wide would smear their colour otherwise.
  const jpeg = await image.jpeg({ quality: as.quality, chromaSubsampling: "4:4:4" }).toBuffer();
  return withJfif(jpeg, ppi);
}
