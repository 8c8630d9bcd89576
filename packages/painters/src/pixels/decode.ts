import sharp, { type OutputInfo, type Sharp } from "sharp";
import type { Samples } from "@wide-quilt/colour";
import { turnedSize, type Quarter } from "@wide-quilt/core";
import { openOwn, openPhoto, ownColours, type OwnColours } from "../photo/open.ts";
import { afterTurn, areaOf, beforeTurn, WHOLE, type Part } from "./part.ts";

/** Pixels of a photo in its own colours, without alpha. */
export interface Raw {
  data: Samples;
  width: number;
  height: number;
}

/** Decoded pixels of a photo, turned as the photo lies in its cells. */
export interface Decoded extends Raw {
  colours: OwnColours;
  /** The part of the turned photo that these pixels are. */
  part: Part;
}

/** Less of the photo than this is cut out before decoding; more is decoded whole, which lets a JPEG shrink on load. */
export const SMALL_PART = 0.4;
/** Photo pixels kept around a part, for the resampling filter (three lobes of Lanczos). */
const MARGIN = 4;
/** How much larger than on the sheet a photo is decoded, so that each cell is still resampled finely from it. */
const SPARE = 1.5;

/**
 * Decodes as much of a photo as its cells show, once, at no more than the resolution they can use.
 *
 * `need` is a part of the turned photo; `size` is what the whole turned photo measures on the sheet, in pixels.
 */
export async function decode(
  path: string,
  turn: Quarter,
  need: Part,
  size: { width: number; height: number },
  depth: 8 | 16,
): Promise<Decoded> {
  const meta = await openPhoto(path).metadata();
  const full = meta.autoOrient;
  const colours = ownColours(meta, depth);
  const wanted = turnedSize(size, turn);
  let image = openOwn(path, meta, colours);
  let region = { left: 0, top: 0, width: full.width, height: full.height };
  let part = WHOLE;
  if (areaOf(need) < SMALL_PART) {
    region = pixelsOf(beforeTurn(need, turn), full);
    part = {
      left: region.left / full.width,
      top: region.top / full.height,
      right: (region.left + region.width) / full.width,
      bottom: (region.top + region.height) / full.height,
    };
    image = image.extract(region);
  }
  const shrink = Math.max((wanted.width * SPARE) / full.width, (wanted.height * SPARE) / full.height);
  if (shrink < 1) {
    const width = Math.max(1, Math.round(region.width * shrink));
    const height = Math.max(1, Math.round(region.height * shrink));
    image = image.resize(width, height, { fit: "fill" });
  }
  const upright = await rawOf(image, colours.depth);
  const lying = turn === 0 ? upright : await rawOf(fromRaw(upright).rotate(turn), colours.depth);
  return { ...lying, colours, part: afterTurn(part, turn) };
}

/** Raw pixels as a picture again. */
export function fromRaw({ data, width, height }: Raw): Sharp {
  const image = sharp(data, { raw: { width, height, channels: 3 } });
  return data instanceof Uint16Array ? image.toColourspace("rgb16") : image;
}

/** A picture's pixels. */
export async function rawOf(image: Sharp, depth: 8 | 16): Promise<Raw> {
  const { data, info } = await image
    .raw({ depth: depth === 16 ? "ushort" : "uchar" })
    .toBuffer({ resolveWithObject: true });
  return { data: samplesOf(data, info, depth), width: info.width, height: info.height };
}

const samplesOf = (data: Buffer, { width, height, channels }: OutputInfo, depth: 8 | 16): Samples =>
  depth === 8 ? data : new Uint16Array(data.buffer, data.byteOffset, width * height * channels);

/** The whole photo pixels of a part, with a margin, inside the photo. */
function pixelsOf(part: Part, full: { width: number; height: number }) {
  const left = Math.max(0, Math.floor(part.left * full.width) - MARGIN);
  const top = Math.max(0, Math.floor(part.top * full.height) - MARGIN);
  const right = Math.min(full.width, Math.ceil(part.right * full.width) + MARGIN);
  const bottom = Math.min(full.height, Math.ceil(part.bottom * full.height) + MARGIN);
  return { left, top, width: Math.max(1, right - left), height: Math.max(1, bottom - top) };
}
