import sharp from "sharp";
import { PALE, pixelBox, toPx, UM_PER_INCH, type PagePart, type PixelBox } from "@wide-quilt/core";
import { paintSpace, SRGB, type OutputColour } from "../colour/space.ts";
import type { PhotoFiles } from "../photo/files.ts";
import { paintPart, type PaintSetup } from "../pixels/paint.ts";
import type { Watch } from "../progress.ts";
import { wrappedPixels } from "../pixels/panel.ts";
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
  part: PagePart,
  ppi: number,
  pictures: PdfPictures,
  { colour, files, ...setup }: PartSetup,
  watch: Watch,
): Promise<void> {
  const { page, prints, pale, scale, turn, wrap } = part;
  const own = ppi * scale;
  const seen = pixelBox(prints, own);
  const wanted = await paintSpace(colour, 8);
  // JPEGs of inks are not written: what the inks look like is.
  const space = wanted.channels === 3 ? wanted : await paintSpace();
  // What goes around an edge shows the words of the page as it shows its photos.
  const painted = wrap ? page : { ...page, over: [] };
  const box = inSquares(seen);
  const { data, width, height } = await wrappedPixels(wrap, own, box, (at, needed) =>
    paintPart(painted, at, needed, files, watch, { ...setup, space }),
  );
  const jpeg = await sharp(data, { raw: { width, height, channels: 3 } })
    .jpeg({ quality: QUALITY, chromaSubsampling: "4:4:4" })
    .toBuffer();
  const image = pictures.raster(jpeg, { width, height }, space.profile ?? SRGB);
  const points = (pixels: number) => pt((pixels * UM_PER_INCH) / own);
  const origin = originOf(part, seen, ppi);
  doc.save();
  doc.translate(origin.x, origin.y);
  if (turn !== 0) doc.rotate(turn);
  if (scale !== 1) doc.scale(scale);
  doc.rect(0, 0, points(seen.width), points(seen.height)).clip();
  doc.translate(points(-seen.left), points(-seen.top));
  const size = {
    width: points(box.width - 2 * HAIR),
    height: points(box.height - 2 * HAIR),
    ignoreOrientation: true,
  };
  doc.image(image as never, points(box.left + HAIR), points(box.top + HAIR), size as never);
  if (!wrap) await paintInk(doc, page.over, null, pictures);
  for (const strip of pale) {
    const { left: x, top: y, width: across, height: down } = pixelBox(strip, own);
    doc
      .fillColor("#ffffff", 1 - PALE)
      .rect(points(x), points(y), points(across), points(down))
      .fill();
  }
  doc.restore();
}

/** Where the first pixel of a part lies on its sheet once it is turned there, in points. */
function originOf(part: PagePart, seen: PixelBox, ppi: number): { x: number; y: number } {
  const points = (pixels: number) => pt((pixels * UM_PER_INCH) / ppi);
  const [x, y] = [Math.round(toPx(part.at.x, ppi)), Math.round(toPx(part.at.y, ppi))];
  // In pixels of the sheet, which are those of the page whatever its size there.
  const across = part.turn === 90 ? seen.height : part.turn === 180 ? seen.width : 0;
  const down = part.turn === 180 ? seen.height : part.turn === 270 ? seen.width : 0;
  return { x: points(x + across), y: points(y + down) };
}

/** A box widened to whole squares of the page. */
function inSquares({ left, top, width, height }: PixelBox): PixelBox {
  const down = (at: number) => Math.floor(at / SQUARE) * SQUARE;
  const up = (at: number) => Math.ceil(at / SQUARE) * SQUARE;
  const [x, y] = [down(left), down(top)];
  return { left: x, top: y, width: up(left + width) - x, height: up(top + height) - y };
}
