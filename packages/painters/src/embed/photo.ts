import { readFile } from "node:fs/promises";
import { lookChange, sharpening, type CellPlan, type Medium, type Picture } from "@wide-quilt/core";
import { paintSpace, SRGB } from "../colour/space.ts";
import { openOwn, openPhoto, ownColours } from "../photo/open.ts";
import { tellsMore } from "../photo/private.ts";
import { withoutTelling } from "../pixels/container/jpeg.ts";
import { fromRaw, rawOf, SMALL_PART } from "../pixels/decode.ts";
import { areaOf, beforeTurn, seenPart, WHOLE, type Part } from "../pixels/part.ts";
import { worn } from "../pixels/worn.ts";

/** How photos are put into a PDF. */
export interface Embedding {
  /** Photos that have more pixels per inch are written at this; null leaves them as they are. */
  photoPpi: number | null;
  medium: Medium;
  /** What sharpened photos are written at where nothing else is said. */
  ppi: number;
  /** Whether what photos say of place and photographer may go out. */
  keepPlace: boolean;
}

/** A photo as it is put into a PDF. */
export interface EmbeddedPhoto {
  jpeg: Buffer;
  /** EXIF orientation that the JPEG still has to be turned by, 1…8. */
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
 * Reads a photo for a PDF. RGB and grey JPEGs that are shown as they are go in byte for byte, at most without the segments
 * that tell of place and photographer; PNG, WebP, TIFF, AVIF, CMYK and every rendition are written anew as an upright JPEG.
 */
export async function embedPhoto(
  path: string,
  rendition: Rendition | null,
  picture: Picture,
  how: Embedding,
): Promise<EmbeddedPhoto> {
  const meta = await openPhoto(path).metadata();
  const asItIs = rendition === null && meta.format === "jpeg" && (meta.channels === 3 || meta.channels === 1);
  if (asItIs) {
    const jpeg = await readFile(path);
    return {
      jpeg: !how.keepPlace && (await tellsMore(jpeg)) ? withoutTelling(jpeg) : jpeg,
      orientation: meta.orientation ?? 1,
      profile: meta.channels === 1 ? null : (meta.icc ?? SRGB),
      part: WHOLE,
    };
  }
  const {
    part,
    ppi,
    look,
    sharpening: toPaper,
  } = rendition ?? { part: WHOLE, ppi: null, look: null, sharpening: null };
  const full = meta.autoOrient;
  const left = Math.floor(part.left * full.width);
  const top = Math.floor(part.top * full.height);
  const width = Math.max(1, Math.ceil(part.right * full.width) - left);
  const height = Math.max(1, Math.ceil(part.bottom * full.height) - top);
  const colours = ownColours(meta, 8);
  let image = openOwn(path, meta, colours);
  if (width < full.width || height < full.height) image = image.extract({ left, top, width, height });
  const shrink = ppi === null ? 1 : ppi / picture.ppi;
  if (shrink < 1) {
    const size = [width, height].map((side) => Math.max(1, Math.round(side * shrink))) as [number, number];
    image = image.resize(...size, { fit: "fill" });
  }
  const done = await worn(
    await rawOf(image, 8),
    colours,
    { look, sharpening: toPaper },
    Math.min(ppi ?? picture.ppi, picture.ppi),
    await paintSpace(),
  );
  return {
    jpeg: await fromRaw(done.raw).jpeg({ quality: QUALITY, chromaSubsampling: "4:4:4" }).toBuffer(),
    orientation: 1,
    profile: done.profile ?? SRGB,
    part: {
      left: left / full.width,
      top: top / full.height,
      right: (left + width) / full.width,
      bottom: (top + height) / full.height,
    },
  };
}
