import type { Samples } from "@wide-quilt/colour";
import { sharpening, toPx, type CellPlan, type Medium } from "@wide-quilt/core";
import type { Sharp } from "sharp";
import type { PaintSpace } from "../colour/space.ts";
import type { PhotoFiles } from "../photo/files.ts";
import { openOwn, openPhoto, ownColours, type OwnColours } from "../photo/open.ts";
import { decode, fromRaw, rawOf, SMALL_PART } from "./decode.ts";
import { areaOf, union, WHOLE, type Part } from "./part.ts";
import { worn } from "./worn.ts";

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

/** From a photo's own colours to the sheet's, with what its cell wears. */
async function finished(
  cut: Sharp,
  colours: OwnColours,
  { look, sharpening: strength, finished: piece }: CellPlan,
  { space, medium, ppi }: Developing,
): Promise<Samples> {
  const wearing = { look, sharpening: sharpening(strength, medium, piece) };
  const { raw, profile } = await worn(await rawOf(cut, colours.depth), colours, wearing, ppi, space);
  return space.fromPhoto(profile)(raw.data);
}
