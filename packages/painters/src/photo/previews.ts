import sharp from "sharp";
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
 * (a JPEG at a half, a quarter or an eighth), and the small previews are made from the large one.
 *
 * This is also what finds out whether the picture part of the file is whole. Throws BadPhoto when it is not.
 */
export async function makePreviews(path: string | Buffer): Promise<Previews> {
  const largest = PREVIEW_SIZES.at(-1)!;
  let decoded;
  try {
    decoded = await openUpright(path).resize(inside(largest)).raw().toBuffer({ resolveWithObject: true });
  } catch (error) {
    throw new BadPhoto(
      `The file is damaged or was cut off, so part of the picture is missing (${reason(error)}). Copy it from the camera again.`,
    );
  }
  const { data, info } = decoded;
  const raw = { width: info.width, height: info.height, channels: info.channels };
  const encode = (size: PreviewSize) => {
    const image = sharp(data, { raw });
    return (size === largest ? image : image.resize(inside(size))).jpeg({ quality: 82 }).toBuffer();
  };
  const [small, medium, large] = await Promise.all(PREVIEW_SIZES.map(encode));
  return { 320: small!, 800: medium!, 1600: large! };
}

/** A square of some pixels that a photo is shrunk into, never enlarged. */
const inside = (side: number) =>
  ({ width: side, height: side, fit: "inside", withoutEnlargement: true }) as const;

const reason = (error: unknown) => {
  const first = String(error instanceof Error ? error.message : error).split("\n")[0] ?? "";
  return first.slice(0, 100);
};
