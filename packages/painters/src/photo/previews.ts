import sharp, { type Sharp } from "sharp";
import { BadPhoto } from "./badPhoto.ts";
import { openUpright } from "./open.ts";

/** Longest sides of the previews: the stash shows the small one, the table the large one. */
export const PREVIEW_SIZES = [320, 1600] as const;
export type PreviewSize = (typeof PREVIEW_SIZES)[number];

export type Previews = Record<PreviewSize, Buffer>;

/**
 * Makes a photo's previews, upright sRGB JPEGs. The photo is decoded once, as small as its format allows
 * (a JPEG at a half, a quarter or an eighth), and the small preview is made from the large one.
 *
 * This is also what finds out whether the picture part of the file is whole. Throws BadPhoto when it is not.
 */
export async function makePreviews(path: string): Promise<Previews> {
  const [small, large] = PREVIEW_SIZES;
  let decoded;
  try {
    decoded = await openUpright(path)
      .resize({ width: large, height: large, fit: "inside", withoutEnlargement: true })
      .raw()
      .toBuffer({ resolveWithObject: true });
  } catch (error) {
    throw new BadPhoto(
      `The file is damaged or was cut off, so part of the picture is missing (${reason(error)}). Copy it from the camera again.`,
    );
  }
  const { data, info } = decoded;
  const raw = { width: info.width, height: info.height, channels: info.channels };
  const encode = (image: Sharp) => image.jpeg({ quality: 82 }).toBuffer();
  const [tiny, table] = await Promise.all([
    encode(
      sharp(data, { raw }).resize({ width: small, height: small, fit: "inside", withoutEnlargement: true }),
    ),
    encode(sharp(data, { raw })),
  ]);
  return { 320: tiny, 1600: table };
}

const reason = (error: unknown) => {
  const first = String(error instanceof Error ? error.message : error).split("\n")[0] ?? "";
  return first.slice(0, 100);
};
