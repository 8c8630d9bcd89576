import sharp from "sharp";
import { PALE, pixelBox, toPx, UM_PER_INCH, type PagePart, type PixelBox } from "@wide-quilt/core";
import { paintSpace, SRGB, type OutputColour } from "../colour/space.ts";
import type { PhotoFiles } from "../photo/files.ts";
import { paintPart, type PaintSetup } from "../pixels/paint.ts";
import type { Watch } from "../progress.ts";
import { paintInk } from "./ink.ts";
import type { PdfPictures } from "./pictures.ts";
import { pt } from "./units.ts";

/** JPEGs pack squares of so many pixels (ITU-T T.81, A.1.1): packed in the page’s own squares, parts that overlap agree. */
const SQUARE = 8;
const QUALITY = 95;
/** In pixels: readers that paint every pixel that a picture touches would stretch one that ends on a pixel’s edge over the next. */
const HAIR = 0.01;

/** What a part of a page is painted with. */
export interface PartSetup extends Pick<PaintSetup, "medium" | "light" | "stored"> {
  colour: OutputColour | null;
  files: PhotoFiles;
}

/**
 * Paints the part of a page that a sheet shows: photos as the page’s own pixels at the job’s ppi, since a printer that had
 * to read the whole picture for every sheet would not be done today; words over them as text.
 */
export async function paintPagePart(
  doc: PDFKit.PDFDocument,
  { page, prints, pale, at }: PagePart,
  ppi: number,
  pictures: PdfPictures,
  { colour, files, ...setup }: PartSetup,
  watch: Watch,
): Promise<void> {
  const seen = pixelBox(prints, ppi);
  const box = inSquares(seen);
  const wanted = await paintSpace(colour, 8);
  // JPEGs of inks are not written: what the inks look like is.
  const space = wanted.channels === 3 ? wanted : await paintSpace();
  const bare = { ...page, over: [] };
  const { data, width, height } = await paintPart(bare, ppi, box, files, watch, { ...setup, space });
  const jpeg = await sharp(data, { raw: { width, height, channels: 3 } })
    .jpeg({ quality: QUALITY, chromaSubsampling: "4:4:4" })
    .toBuffer();
  const image = pictures.raster(jpeg, { width, height }, space.profile ?? SRGB);
  const points = (pixels: number) => pt((pixels * UM_PER_INCH) / ppi);
  const [left, top] = [Math.round(toPx(at.x, ppi)), Math.round(toPx(at.y, ppi))];
  doc.save();
  doc.rect(points(left), points(top), points(seen.width), points(seen.height)).clip();
  doc.translate(points(left - seen.left), points(top - seen.top));
  const size = {
    width: points(box.width - 2 * HAIR),
    height: points(box.height - 2 * HAIR),
    ignoreOrientation: true,
  };
  doc.image(image as never, points(box.left + HAIR), points(box.top + HAIR), size as never);
  await paintInk(doc, page.over, null, pictures);
  for (const strip of pale) {
    const { left: x, top: y, width: across, height: down } = pixelBox(strip, ppi);
    doc
      .fillColor("#ffffff", 1 - PALE)
      .rect(points(x), points(y), points(across), points(down))
      .fill();
  }
  doc.restore();
}

/** A box widened to whole squares of the page. */
function inSquares({ left, top, width, height }: PixelBox): PixelBox {
  const down = (at: number) => Math.floor(at / SQUARE) * SQUARE;
  const up = (at: number) => Math.ceil(at / SQUARE) * SQUARE;
  const [x, y] = [down(left), down(top)];
  return { left: x, top: y, width: up(left + width) - x, height: up(top + height) - y };
}
