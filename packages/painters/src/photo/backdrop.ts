import { PHOTO_LIMITS } from "./limits.ts";
import { replaceBackground, type BackdropFill, type Pixels, type Plane } from "@wide-quilt/core";
import type { Sharp } from "sharp";
import { BadPhoto } from "./badPhoto.ts";
import { openPhoto, openUpright } from "./open.ts";

/** High enough that the edges of hair keep what they are. */
const QUALITY = 96;

/** A picture that is put behind people, covering what is there around its middle. */
export interface PictureBehind {
  kind: "picture";
  path: string;
  /** The longer side that the photo is made with, in pixels: nothing larger is printed of it. */
  side: number;
}

/**
 * A photo with something else behind the person: an upright sRGB JPEG, at its full size behind a fill. The mask is a grey
 * picture of the photo's proportions, white where the person is. Throws BadPhoto for a mask that is of another photo.
 */
export async function withBackdrop(
  photo: string,
  mask: string | Uint8Array,
  fill: BackdropFill | PictureBehind,
  progress?: (row: number) => void,
): Promise<Buffer> {
  const grey = await openPhoto(typeof mask === "string" ? mask : Buffer.from(mask))
    .flatten({ background: "#000000" })
    .toColourspace("b-w")
    .raw()
    .toBuffer({ resolveWithObject: true });
  const { width: w, height: h, channels } = grey.info;
  const upright = openUpright(photo);
  const sized =
    fill.kind === "picture"
      ? upright.resize({ width: fill.side, height: fill.side, fit: "inside", withoutEnlargement: true })
      : upright;
  const pixels = await rawOf(sized);
  const { width, height } = pixels;
  const stretched = Math.abs(width / height / (w / h) - 1);
  if (stretched > 0.02 || w > width * 1.01) {
    throw new BadPhoto("This mask belongs to another photo: its proportions are different.");
  }
  const plane: Plane = {
    data: Float32Array.from({ length: w * h }, (_, i) => grey.data[i * channels]! / 255),
    width: w,
    height: h,
  };
  const small = await openUpright(photo).resize(w, h, { fit: "fill" }).raw().toBuffer();
  const behind =
    fill.kind === "picture"
      ? await rawOf(openUpright(fill.path).resize(width, height, { fit: "cover" }))
      : fill;
  replaceBackground(pixels, { data: small, width: w, height: h, channels: 3 }, plane, behind, progress);
  return openPhoto(pixels.data as Buffer, {
    raw: { width, height, channels: 3 },
    limitInputPixels: PHOTO_LIMITS.pixels,
  })
    .withIccProfile("srgb")
    .jpeg({ quality: QUALITY, chromaSubsampling: "4:4:4" })
    .toBuffer();
}

async function rawOf(image: Sharp): Promise<Pixels> {
  const { data, info } = await image.raw().toBuffer({ resolveWithObject: true });
  return { data, width: info.width, height: info.height, channels: 3 };
}
