import sharp, { type Metadata, type OutputInfo, type Sharp } from "sharp";
import type { Samples } from "@wide-quilt/colour";
import { turnedSize, type Quarter } from "@wide-quilt/core";
import { openOwn, openPhoto, ownColours, type OwnColours } from "../photo/open.ts";
import { meanLight } from "./light.ts";
import { loadedPart } from "./loaded.ts";
import { afterTurn, areaOf, beforeTurn, type Part } from "./part.ts";
import type { Source } from "./source.ts";

/** Pixels of a photo in its own colours, without alpha. */
export interface Raw extends Source {
  data: Samples;
}

/** Decoded pixels of a photo, turned as the photo lies in its cells. */
export interface Decoded extends Source {
  colours: OwnColours;
  /** The part of the turned photo that these pixels are. It may reach a little past the photo, or end before its edge. */
  part: Part;
  /** Whether they are to be weighed by the light they stand for. */
  byLight: boolean;
}

/** How a photo is wanted. */
export interface Wanted {
  turn: Quarter;
  /** The part of the turned photo that is seen. */
  part: Part;
  /** What the whole turned photo measures on the sheet, in pixels. */
  size: { width: number; height: number };
  depth: 8 | 16;
  /** Whether inks may stay inks. */
  inks: "inks" | "no inks";
  /** Whether what is made smaller is weighed by light. */
  light: boolean;
}

/** Less of the photo than this is cut out before decoding; more is decoded whole, which lets a JPEG shrink on load. */
export const SMALL_PART = 0.4;
/** Photo pixels kept around a part, for the resampling filter (three lobes of Lanczos). */
const MARGIN = 4;
/** How much larger than on the sheet a photo is decoded, so that each cell is still resampled finely from it. */
const SPARE = 1.5;
/** The same where light is weighed: squares of pixels are added up, which lets less pass than Lanczos does. */
const SPARE_LIGHT = 2;

/** A photo that is about to be decoded. */
export interface Opened {
  image: Sharp;
  colours: OwnColours;
  /** The part of the upright photo that its pixels will be. */
  part: Part;
  /** How many of its pixels there are to one of the sheet. */
  finer: number;
  byLight: boolean;
}

/** Opens as much of a photo as its cells show, at no more than the resolution they can use. */
export async function opened(
  path: string,
  { turn, part: need, size, depth, inks, light }: Wanted,
  known?: Metadata,
): Promise<Opened> {
  const meta = known ?? (await openPhoto(path).metadata());
  const full = meta.autoOrient;
  const colours = ownColours(meta, depth, inks);
  const wanted = turnedSize(size, turn);
  let image = openOwn(path, meta, colours);
  let region = { left: 0, top: 0, width: full.width, height: full.height };
  if (areaOf(need) < SMALL_PART) {
    region = pixelsOf(beforeTurn(need, turn), full);
    image = image.extract(region);
  }
  let part: Part = {
    left: region.left / full.width,
    top: region.top / full.height,
    right: (region.left + region.width) / full.width,
    bottom: (region.top + region.height) / full.height,
  };
  const finer = Math.min(full.width / wanted.width, full.height / wanted.height);
  const byLight = light && finer > 1 && colours.channels === 3;
  if (!byLight && finer > SPARE) {
    const to = {
      width: Math.max(1, Math.round((region.width * SPARE) / finer)),
      height: Math.max(1, Math.round((region.height * SPARE) / finer)),
    };
    image = image.resize(to.width, to.height, { fit: "fill" });
    if (region.width === full.width && region.height === full.height && colours.channels === 3)
      part = loadedPart(meta, to);
  }
  return { image, colours, part, finer, byLight };
}

/**
 * Decodes as much of a photo as its cells show, once, at no more than the resolution they can use. What the file says of
 * itself is read where it is not known.
 */
export async function decode(path: string, wanted: Wanted, known?: Metadata): Promise<Decoded> {
  const { turn } = wanted;
  const { image, colours, part: seen, finer, byLight } = await opened(path, wanted, known);
  const upright = await rawOf(image, colours.depth);
  const lying = turn === 0 ? upright : await rawOf(fromRaw(upright).rotate(turn), colours.depth);
  const part = afterTurn(seen, turn);
  const by = meanOf({ finer, byLight });
  if (by <= 1) return { ...lying, colours, part, byLight };
  const small = meanLight(lying, by);
  const across = (part.right - part.left) * ((small.width * by) / lying.width);
  const down = (part.bottom - part.top) * ((small.height * by) / lying.height);
  return {
    ...small,
    colours,
    part: { ...part, right: part.left + across, bottom: part.top + down },
    byLight,
  };
}

/** Of how many pixels along each side one is made before light is weighed; 1 for none. */
export const meanOf = ({ finer, byLight }: Pick<Opened, "finer" | "byLight">): number =>
  byLight ? Math.max(1, Math.floor(finer / SPARE_LIGHT)) : 1;

/** Raw pixels as a picture again; those of four inks only to be turned. */
export function fromRaw({ data, width, height, channels }: Raw): Sharp {
  const image = sharp(data, { raw: { width, height, channels: channels as 3 | 4 } });
  return data instanceof Uint16Array ? image.toColourspace("rgb16") : image;
}

/** A picture's pixels. */
export async function rawOf(image: Sharp, depth: 8 | 16): Promise<Raw> {
  const { data, info } = await image
    .raw({ depth: depth === 16 ? "ushort" : "uchar" })
    .toBuffer({ resolveWithObject: true });
  const { width, height, channels } = info;
  return { data: samplesOf(data, info, depth), width, height, channels };
}

/** Bytes as samples of so many bits. */
export const samplesOf = (
  data: Buffer,
  { width, height, channels }: Pick<OutputInfo, "width" | "height" | "channels">,
  depth: 8 | 16,
): Samples => (depth === 8 ? data : new Uint16Array(data.buffer, data.byteOffset, width * height * channels));

/** The whole photo pixels of a part, with a margin, inside the photo. */
function pixelsOf(part: Part, full: { width: number; height: number }) {
  const left = Math.max(0, Math.floor(part.left * full.width) - MARGIN);
  const top = Math.max(0, Math.floor(part.top * full.height) - MARGIN);
  const right = Math.min(full.width, Math.ceil(part.right * full.width) + MARGIN);
  const bottom = Math.min(full.height, Math.ceil(part.bottom * full.height) + MARGIN);
  return { left, top, width: Math.max(1, right - left), height: Math.max(1, bottom - top) };
}
