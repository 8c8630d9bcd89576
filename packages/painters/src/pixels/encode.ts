import sharp, { type Sharp } from "sharp";
import { USUAL_PRESS, type FileSetup } from "@wide-quilt/core";
import { UNTITLED, type FileAbout } from "../about/about.ts";
import type { SheetPixels } from "./canvas.ts";
import type { Attached } from "./container/attached.ts";
import { intoJpeg } from "./container/jpeg.ts";
import { intoPng } from "./container/png.ts";
import { intoTiff } from "./container/tiff.ts";

/** A format that is made of pixels; what is left out is as it usually is. */
export type PixelFormat = Partial<FileSetup> & { format: "jpeg" | "png" | "tiff" };

/** The longest side that a JPEG can have (ITU-T T.81, B.2.2: 16-bit line and sample counts, less the encoder's own limit). */
export const JPEG_SIDE = 65_500;

/** Below this quality a face is spoilt, so no byte limit is met by going further down. */
export const LEAST_QUALITY = 40;

/** A sheet that a format cannot hold, or not in the bytes it may have; says what to do. */
export class NotEncoded extends Error {
  override name = "NotEncoded";
}

/**
 * Writes a sheet's pixels as a file: with what its colours mean, with its density wherever a reader looks for it, and
 * with what it says of itself. Where a JPEG may not have more than so many bytes, with the best quality that meets it, up
 * to the one asked for.
 *
 * Throws NotEncoded.
 */
export async function encodeSheet(
  sheet: SheetPixels,
  ppi: number,
  as: PixelFormat,
  about: FileAbout = UNTITLED,
): Promise<Buffer> {
  const setup = { ...USUAL_PRESS.file, ...as };
  const attached: Attached = { ppi, about, profile: sheet.space.profile };
  switch (setup.format) {
    case "png":
      if (sheet.space.channels === 4) {
        throw new NotEncoded(
          "A PNG cannot hold CMYK colours. Write a TIFF, a JPEG or a PDF, or choose an RGB profile.",
        );
      }
      return intoPng(await pictureOf(sheet).png({ compressionLevel: 7 }).toBuffer(), attached);
    case "tiff": {
      const compression = setup.packing;
      const packed = { compression, predictor: compression === "none" ? "none" : "horizontal" } as const;
      return intoTiff(await pictureOf(sheet).tiff(packed).toBuffer(), attached);
    }
    default:
      return setup.most === null
        ? jpegOf(sheet, setup, attached)
        : withinBytes(setup.quality, setup.most, (quality) => jpegOf(sheet, { ...setup, quality }, attached));
  }
}

/** How many bytes a sheet has as a JPEG of each of these qualities. */
export async function jpegSizes(
  sheet: SheetPixels,
  ppi: number,
  as: Pick<FileSetup, "chroma">,
  qualities: readonly number[],
): Promise<number[]> {
  const attached: Attached = { ppi, about: UNTITLED, profile: sheet.space.profile };
  const sizes: number[] = [];
  for (const quality of qualities) sizes.push((await jpegOf(sheet, { ...as, quality }, attached)).length);
  return sizes;
}

async function jpegOf(
  sheet: SheetPixels,
  { quality, chroma }: Pick<FileSetup, "quality" | "chroma">,
  attached: Attached,
): Promise<Buffer> {
  const jpeg = await pictureOf(sheet).jpeg({ quality, chromaSubsampling: chroma }).toBuffer();
  return intoJpeg(jpeg, attached, sheet.space.channels === 4);
}

/** The sheet for the encoder. Pixels of four inks are handed over plane by plane: as one they would pass for RGB with alpha. */
function pictureOf({ data, width, height, space }: SheetPixels): Sharp {
  const unlimited = { limitInputPixels: false } as const;
  if (space.channels === 3) {
    const image = sharp(data, { raw: { width, height, channels: 3 }, ...unlimited });
    return space.depth === 16 ? image.toColourspace("rgb16") : image;
  }
  const raw = { width, height, channels: 1 } as const;
  const [first, ...others] = [0, 1, 2, 3].map((ink) => {
    const plane =
      data instanceof Uint16Array ? new Uint16Array(width * height) : new Uint8Array(width * height);
    for (let i = 0; i < plane.length; i++) plane[i] = data[i * 4 + ink]!;
    return plane;
  });
  return sharp(first, { raw, ...unlimited })
    .joinChannel(others as unknown as Buffer[], { raw })
    .toColourspace("cmyk");
}

/** The best that is not larger than asked, found by halving. */
async function withinBytes(
  finest: number,
  most: number,
  at: (quality: number) => Promise<Buffer>,
): Promise<Buffer> {
  let best = await at(finest);
  if (best.length <= most) return best;
  let [low, high] = [Math.min(LEAST_QUALITY, finest), finest];
  best = await at(low);
  if (best.length > most) {
    const kb = (bytes: number) => `${Math.ceil(bytes / 1000)} kB`;
    throw new NotEncoded(
      `Even at quality ${low} the file has ${kb(best.length)}, more than the ${kb(most)} that it may have. Allow more, or write fewer pixels per inch.`,
    );
  }
  while (high - low > 1) {
    const quality = (low + high) >> 1;
    const tried = await at(quality);
    if (tried.length <= most) [low, best] = [quality, tried];
    else high = quality;
  }
  return best;
}
