import type { Samples } from "@wide-quilt/colour";
import { lookChange, sharpening, toPx, type CellPlan, type Medium, type Sharpening } from "@wide-quilt/core";
import type { Sharp } from "sharp";
import { atDepth, type PaintSpace } from "../colour/space.ts";
import type { PhotoFiles } from "../photo/files.ts";
import { openOwn, openPhoto, ownColours, type OwnColours } from "../photo/open.ts";
import { decode, fromRaw, rawOf, SMALL_PART } from "./decode.ts";
import { areaOf, union, WHOLE, type Part } from "./part.ts";

/** A cell with a picture and the part of the photo it shows. */
export interface Shown {
  cell: CellPlan;
  part: Part;
}

/** What is taken of a decoded photo for one cell: the photo resized to whole pixels, then a box cut out of it. */
export interface Crop {
  /** The decoded part's size on the sheet, its edges rounded. */
  width: number;
  height: number;
  left: number;
  top: number;
  boxWidth: number;
  boxHeight: number;
}

/** A photo of which boxes can be cut out at their size on the sheet, in the sheet's colours. */
export interface Developed {
  /** The part of the photo that this is. */
  part: Part;
  /** A box with what its cell wears: look and sharpening. */
  crop(crop: Crop, cell: CellPlan): Promise<Samples>;
}

/** How photos become pixels of the sheet. */
export interface Developing {
  ppi: number;
  files: PhotoFiles;
  space: PaintSpace;
  medium: Medium;
}

/**
 * Gets a photo ready for the cells that show it in one way: decoded once for all of them, or where only one shows nearly
 * all of it, read and resampled in one go.
 */
export async function developed(shown: readonly Shown[], how: Developing): Promise<Developed> {
  const { ppi, files, space } = how;
  const { cell } = shown[0]!;
  const { placed, turn } = cell.picture!;
  const path = files(cell.paints!);
  const need = shown.map(({ part }) => part).reduce(union);
  if (shown.length === 1 && turn === 0 && areaOf(need) >= SMALL_PART) {
    const meta = await openPhoto(path).metadata();
    const colours = ownColours(meta, space.depth);
    const crop = async (box: Crop, worn: CellPlan) =>
      finished(cutOut(openOwn(path, meta, colours), box), colours, worn, how);
    return { part: WHOLE, crop };
  }
  const size = { width: toPx(placed.width, ppi), height: toPx(placed.height, ppi) };
  const { part, colours, ...raw } = await decode(path, turn, need, size, space.depth);
  return { part, crop: (box, worn) => finished(cutOut(fromRaw(raw), box), colours, worn, how) };
}

const cutOut = (image: Sharp, crop: Crop): Sharp =>
  image
    .resize(crop.width, crop.height, { fit: "fill" })
    .extract({ left: crop.left, top: crop.top, width: crop.boxWidth, height: crop.boxHeight });

/** From a photo's own colours to the sheet's: look (in sRGB), sharpening, then the colours. */
async function finished(
  cut: Sharp,
  { profile, depth }: OwnColours,
  { look, sharpening: strength, finished: piece }: CellPlan,
  { space, medium, ppi }: Developing,
): Promise<Samples> {
  const change = lookChange(look);
  const toPaper = sharpening(strength, medium, piece);
  const raw = await rawOf(cut, depth);
  if (!change) return space.fromPhoto(profile)((await sharpened(raw, toPaper, ppi)).data);
  const srgb = atDepth(space.toSrgb(profile)?.(raw.data) ?? raw.data, 8) as Uint8Array;
  change(srgb, 3);
  return space.fromSrgb((await sharpened({ ...raw, data: srgb }, toPaper, ppi)).data);
}

/** The least blur that is one, in pixels. */
const LEAST_RADIUS = 0.3;
/** Differences of lightness that are never cut off. */
const UNBOUND = 100;

/** Sharpens lightness alone: L* of L*a*b*, by the same amount in flat and in jagged places. */
export async function sharpened<R extends { data: Samples; width: number; height: number }>(
  raw: R,
  how: Sharpening | null,
  ppi: number,
): Promise<{ data: Samples }> {
  if (!how) return raw;
  const sigma = Math.min(Math.max(toPx(how.radius, ppi), LEAST_RADIUS), 10);
  const image = fromRaw(raw).sharpen({
    sigma,
    m1: how.amount,
    m2: how.amount,
    x1: 1,
    y2: UNBOUND,
    y3: UNBOUND,
  });
  return rawOf(image, raw.data instanceof Uint16Array ? 16 : 8);
}
