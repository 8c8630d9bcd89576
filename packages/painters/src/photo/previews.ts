import sharp, { type Sharp } from "sharp";
import { BadPhoto } from "./badPhoto.ts";
import { openUpright } from "./open.ts";

/** Longest sides of the previews: the stash shows the smallest one, the table the one that is sharp enough. */
export const PREVIEW_SIZES = [320, 800, 1600] as const;
export type PreviewSize = (typeof PREVIEW_SIZES)[number];

/** The preview that heads are looked for in: a larger one shows no more of them, and takes longer to read. */
export const HEADS_PREVIEW: PreviewSize = 800;
/** The preview that portraits are measured and cut out in: blur is told at the size of a print. */
export const PORTRAIT_PREVIEW: PreviewSize = 1600;

export type Previews = Record<PreviewSize, Buffer>;

/**
 * Makes a photo's previews, upright sRGB JPEGs. The photo is decoded once, as small as its format allows
 * (a JPEG at a half, a quarter or an eighth), and each preview is made from the next larger one.
 *
 * This is also what finds out whether the picture part of the file is whole. Throws BadPhoto when it is not.
 */
export async function makePreviews(path: string | Buffer): Promise<Previews> {
  let large;
  try {
    large = await pixelsOf(shrunk(openUpright(path), 1600));
  } catch (error) {
    throw new BadPhoto(
      `The file is damaged or was cut off, so part of the picture is missing (${reason(error)}). Copy it from the camera again.`,
    );
  }
  const { width, height } = large.info;
  const sized = ({ data, info }: Pixels, side: PreviewSize): Sharp => {
    // Each is as large as if it came from the photo itself: what is shrunk twice would be rounded twice.
    const scale = Math.min(1, side / Math.max(width, height));
    const to = (length: number) => Math.max(1, Math.round(length * scale));
    const raw = { width: info.width, height: info.height, channels: info.channels };
    return sharp(data, { raw }).resize({ width: to(width), height: to(height), fit: "fill" });
  };
  const encode = (image: Sharp) => image.jpeg({ quality: 82 }).toBuffer();
  const medium = pixelsOf(sized(large, 800));
  const [of320, of800, of1600] = await Promise.all([
    medium.then((pixels) => encode(sized(pixels, 320))),
    medium.then((pixels) => encode(sized(pixels, 800))),
    encode(sized(large, 1600)),
  ]);
  return { 320: of320, 800: of800, 1600: of1600 };
}

type Pixels = Awaited<ReturnType<typeof pixelsOf>>;

const pixelsOf = (image: Sharp) => image.raw().toBuffer({ resolveWithObject: true });

/** A picture shrunk into a square of some pixels, never enlarged. */
const shrunk = (image: Sharp, side: PreviewSize): Sharp =>
  image.resize({ width: side, height: side, fit: "inside", withoutEnlargement: true });

const reason = (error: unknown) => {
  const first = String(error instanceof Error ? error.message : error).split("\n")[0] ?? "";
  return first.slice(0, 100);
};
