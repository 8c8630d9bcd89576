import type { Metadata } from "sharp";
import { lookChange, sharpening, type CellPlan, type Medium, type Picture } from "@wide-quilt/core";
import { paintSpace, SRGB } from "../colour/space.ts";
import { readWhole } from "../file/readWhole.ts";
import { openPhoto, ownColours, type OwnColours } from "../photo/open.ts";
import { tellsMore } from "../photo/private.ts";
import { isInverted, withoutTelling } from "../pixels/container/jpeg.ts";
import { decode, fromRaw, SMALL_PART, type Decoded, type Raw } from "../pixels/decode.ts";
import { LIGHT } from "../pixels/light.ts";
import { areaOf, beforeTurn, seenPart, WHOLE, type Part } from "../pixels/part.ts";
import { resampled } from "../pixels/resample.ts";
import { worn } from "../pixels/worn.ts";
import { losesNothing } from "./lossless.ts";

/** How photos are put into a drawing. */
export interface Embedding {
  /** Photos that have more pixels per inch are written at this; null leaves them as they are. */
  photoPpi: number | null;
  medium: Medium;
  /** What sharpened photos are written at where nothing else is said. */
  ppi: number;
  /** Whether what photos say of place and photographer may go out. */
  keepPlace: boolean;
  /** Whether photos that are made smaller are weighed by light. */
  light: boolean;
  /** Whether whoever reads the drawing knows what to do with inks. */
  inks: "inks" | "no inks";
}

/** A photo as it is put into a drawing. */
export interface EmbeddedPhoto {
  file: Buffer;
  /** PNG where nothing of the photo may be lost. */
  type: "jpeg" | "png";
  /** As it is stored. */
  width: number;
  height: number;
  channels: 1 | 3 | 4;
  depth: 8 | 16;
  /** Whether the file says light where it means ink, as JPEGs of four inks do. */
  inverted: boolean;
  /** EXIF orientation that it still has to be turned by, 1…8. */
  orientation: number;
  /** What its colours mean; null for grey ones. */
  profile: Buffer | null;
  /** Which part of the upright photo it is. */
  part: Part;
}

/** JPEG quality of photos that cannot be embedded as they are. */
const QUALITY = 95;
/** A photo is not written anew for being a hair finer than asked. */
const HAIR = 1.02;
/** Kept around a part, as a share of the photo: the edge of the cell is never the edge of the picture. */
const AROUND = 0.01;

/** What is done to a photo before it is embedded; two cells of the same want the same picture. */
export interface Rendition {
  part: Part;
  /** Pixels per inch to write it at; null for those it has. */
  ppi: number | null;
  look: CellPlan["look"];
  sharpening: ReturnType<typeof sharpening>;
}

/** What a cell needs of its photo; null where the file can go in as it is. */
export function renditionOf(cell: CellPlan, picture: Picture, how: Embedding): Rendition | null {
  const look = lookChange(cell.look) ? cell.look : null;
  const toPaper = sharpening(cell.sharpening, how.medium, cell.finished);
  const seen = seenPart(cell)?.part ?? WHOLE;
  const small = areaOf(seen) < SMALL_PART;
  const asked = how.photoPpi ?? (toPaper ? how.ppi : Infinity);
  const ppi = picture.ppi > asked * HAIR ? asked : null;
  if (!look && !toPaper && !small && ppi === null) return null;
  return { part: small ? beforeTurn(wider(seen), picture.turn) : WHOLE, ppi, look, sharpening: toPaper };
}

const wider = ({ left, top, right, bottom }: Part): Part => ({
  left: Math.max(0, left - AROUND),
  top: Math.max(0, top - AROUND),
  right: Math.min(1, right + AROUND),
  bottom: Math.min(1, bottom + AROUND),
});

/**
 * Reads a photo for a drawing. JPEGs that are shown as they are go in byte for byte, at most without the segments that tell
 * of place and photographer; those of four inks only where they say which inks they mean. Everything else, and every
 * rendition, is written anew and upright: as PNG where the photo came without loss, as JPEG where it did not.
 */
export async function embedPhoto(
  path: string,
  rendition: Rendition | null,
  picture: Picture,
  how: Embedding,
): Promise<EmbeddedPhoto> {
  const meta = await openPhoto(path).metadata();
  const lossless = await losesNothing(path, meta);
  const colours = ownColours(meta, 8, how.inks);
  return rendition === null && meta.format === "jpeg" && (meta.space !== "cmyk" || colours.channels === 4)
    ? asItIs(path, meta, colours, how)
    : anew(path, meta, lossless, rendition, picture, how);
}

async function asItIs(
  path: string,
  { width, height, channels, icc, orientation = 1 }: Metadata,
  colours: OwnColours,
  { keepPlace }: Embedding,
): Promise<EmbeddedPhoto> {
  const jpeg = await readWhole(path);
  return {
    file: !keepPlace && (await tellsMore(jpeg)) ? withoutTelling(jpeg) : jpeg,
    type: "jpeg",
    width,
    height,
    channels: channels as 1 | 3 | 4,
    depth: 8,
    inverted: channels === 4 && isInverted(jpeg),
    orientation,
    profile: channels === 1 ? null : channels === 4 ? colours.profile : (icc ?? SRGB),
    part: WHOLE,
  };
}

const AS_IT_IS: Rendition = { part: WHOLE, ppi: null, look: null, sharpening: null };

async function anew(
  path: string,
  meta: Metadata,
  lossless: boolean,
  rendition: Rendition | null,
  picture: Picture,
  how: Embedding,
): Promise<EmbeddedPhoto> {
  const full = meta.autoOrient;
  const { part, ppi, look, sharpening: toPaper } = rendition ?? AS_IT_IS;
  const shrink = ppi === null ? 1 : Math.min(1, ppi / picture.ppi);
  const size = { width: full.width * shrink, height: full.height * shrink };
  const { inks, light } = how;
  const wanted = { turn: 0, part, size, depth: lossless ? 16 : 8, inks, light } as const;
  const decoded = await decode(path, wanted, meta);
  const { raw, part: shown } = await ofSize(decoded, part, size);
  const space = await paintSpace();
  const wearing = { look, sharpening: toPaper };
  const done = await worn(raw, decoded.colours, wearing, Math.min(ppi ?? picture.ppi, picture.ppi), space);
  // Neither JPEGs nor PNGs of inks are written: what the inks look like is.
  const seen: Raw =
    done.raw.channels === 4
      ? { ...done.raw, data: space.toSrgb(done.profile)!(done.raw.data), channels: 3 }
      : done.raw;
  const image = fromRaw(seen);
  return {
    file: await (
      lossless ? image.png() : image.jpeg({ quality: QUALITY, chromaSubsampling: "4:4:4" })
    ).toBuffer(),
    type: lossless ? "png" : "jpeg",
    width: seen.width,
    height: seen.height,
    channels: 3,
    depth: seen.data instanceof Uint16Array ? 16 : 8,
    inverted: false,
    orientation: 1,
    profile: done.raw.channels === 4 ? SRGB : (done.profile ?? SRGB),
    part: shown,
  };
}

/** The whole pixels of a part of a photo, where the whole measures so many, and exactly which part they are. */
async function ofSize(
  decoded: Decoded,
  part: Part,
  { width, height }: { width: number; height: number },
): Promise<{ raw: Raw; part: Part }> {
  const left = Math.floor(part.left * width);
  const top = Math.floor(part.top * height);
  const box = {
    left,
    top,
    width: Math.max(1, Math.ceil(part.right * width) - left),
    height: Math.max(1, Math.ceil(part.bottom * height) - top),
  };
  const { colours, part: has } = decoded;
  const across = { start: has.left * width, step: ((has.right - has.left) * width) / decoded.width };
  const down = { start: has.top * height, step: ((has.bottom - has.top) * height) / decoded.height };
  const data = await resampled(decoded, { across, down }, box, colours.depth, decoded.byLight ? LIGHT : null);
  return {
    raw: { data, width: box.width, height: box.height, channels: decoded.channels },
    part: {
      left: left / width,
      top: top / height,
      right: (left + box.width) / width,
      bottom: (top + box.height) / height,
    },
  };
}
