import { readFile } from "node:fs/promises";
import {
  onItsSideAbout,
  pictureIn,
  pixelBox,
  toPx,
  turnedAbout,
  type Ink,
  type PathInk,
  type PictureInk,
  type PixelBox,
  type Rect,
  type TextInk,
} from "@wide-quilt/core";
import { sizedGraphic } from "../graphic/size.ts";
import { openUpright } from "../photo/open.ts";
import type { PhotoFiles } from "../photo/files.ts";
import { clipped, pixelScale, textMark, transformOf, type Scale, type TiltedWith } from "../svg/marks.ts";
import { bodyMark, type PictureMark } from "../svg/shape.ts";
import { shapeLayers } from "./shapeLayers.ts";
import { rendered } from "./rendered.ts";
import { blendOnto, overlayOf, type SheetPixels } from "./canvas.ts";

/** Ink and the cell that it is tilted with; null for ink of the sheet. */
export interface Laid {
  ink: Ink;
  cell: TiltedWith;
}

/** Pixels of words that are painted at once: a sheet of any size takes no more memory for them. */
const BLOCK = { across: 2048, down: 1024 };

/** Paints ink over the sheet in its order; words that follow each other are painted together. */
export async function paintInk(
  sheet: SheetPixels,
  laid: readonly Laid[],
  ppi: number,
  files: PhotoFiles,
): Promise<void> {
  let words: LaidText[] = [];
  const flush = () => {
    paintTexts(sheet, words, ppi);
    words = [];
  };
  for (const { ink, cell } of laid) {
    if (ink.kind === "text" || (ink.kind === "path" && isPlain(ink))) words.push({ ink, cell });
    else if (ink.kind === "path") {
      flush();
      for (const layer of shapeLayers(ink, cell, ppi, sheet, await filling(ink, ppi, files)))
        blendOnto(sheet, overlayOf(sheet.space, layer.rgba, layer));
    } else {
      flush();
      await paintPicture(sheet, ink, cell, ppi, files);
    }
  }
  flush();
}

/** Words and drawn shapes, which are painted as one drawing. */
interface LaidText {
  ink: TextInk | PathInk;
  cell: Laid["cell"];
}

/** Whether a shape is a colour or a line and nothing more, which many are painted of at once. */
const isPlain = ({ fill, shadow, opacity, cut }: PathInk): boolean =>
  (fill === null || typeof fill === "string") && shadow === null && opacity === 1 && cut.length === 0;

/** The picture that fills a shape, as many pixels of it as are printed. */
export async function filling(
  { fill }: PathInk,
  ppi: number,
  files: PhotoFiles,
): Promise<PictureMark | null> {
  const picture = pictureIn(fill);
  if (!picture) return null;
  const png = await pngAt(files(picture.of.id), picture.of.kind, pixelBox(picture.rect, ppi));
  return (rect) => imageMark(png, rect, ppi);
}

/** A PNG as an element over a rectangle, in pixels of the sheet; `how` is what else it says. */
function imageMark(png: Buffer, { x, y, width, height }: Rect, ppi: number, how = ""): string {
  return `<image xmlns:xlink="http://www.w3.org/1999/xlink" x="${toPx(x, ppi)}" y="${toPx(y, ppi)}" width="${toPx(width, ppi)}" height="${toPx(height, ppi)}" preserveAspectRatio="none"${how} xlink:href="data:image/png;base64,${png.toString("base64")}"/>`;
}

/** What words or a shape cover once they are turned, in pixels of the sheet. */
function reach({ ink, cell }: LaidText, ppi: number): Edges {
  const { box, turn } = ink.kind === "text" ? ink.text : ink;
  const { x, y, width, height } = box;
  const corners = [0, 1].flatMap((i) =>
    [0, 1].map((j) => {
      const turned = turnedAbout(box, turn, { x: x + i * width, y: y + j * height });
      return cell ? turnedAbout(cell.finished, cell.angle, turned) : turned;
    }),
  );
  // Letters reach a little over their box, and lines half their width.
  const over = toPx(ink.kind === "text" ? ink.text.size : (ink.stroke?.width ?? 0), ppi) + 1;
  const [xs, ys] = [corners.map((at) => at.x), corners.map((at) => at.y)];
  return {
    left: toPx(Math.min(...xs), ppi) - over,
    top: toPx(Math.min(...ys), ppi) - over,
    right: toPx(Math.max(...xs), ppi) + over,
    bottom: toPx(Math.max(...ys), ppi) + over,
  };
}

interface Edges {
  left: number;
  top: number;
  right: number;
  bottom: number;
}

interface Reaching {
  text: LaidText;
  reaches: Edges;
}

function paintTexts(sheet: SheetPixels, texts: readonly LaidText[], ppi: number): void {
  const scale = pixelScale(ppi);
  for (const [block, seen] of blocksOf(sheet, texts, ppi)) {
    const marks = seen
      .map(({ text: { ink, cell }, reaches }, i) => {
        const anchor = isInside(reaches, block) ? null : nearest(reaches, block);
        return ink.kind === "text"
          ? textMark(ink, cell, scale, `c${i}`, anchor)
          : plainMark(ink, cell, scale, `c${i}`, anchor);
      })
      .join("");
    const fonts = new Set(seen.flatMap(({ text: { ink } }) => (ink.kind === "text" ? [ink.text.font] : [])));
    const { left, top, right, bottom } = block;
    const box = { left, top, width: right - left, height: bottom - top };
    blendOnto(sheet, overlayOf(sheet.space, rendered(marks, box, fonts), box));
  }
}

/** A plain shape, as far as its clip shows it, with an invisible pixel in sight where it may be nowhere to be seen. */
function plainMark(
  ink: PathInk,
  cell: TiltedWith,
  scale: Scale,
  id: string,
  anchor: { x: number; y: number } | null,
): string {
  const path = bodyMark(ink, cell, scale, id, null);
  if (!ink.clip) return path;
  const kept = anchor ? `<rect x="${anchor.x}" y="${anchor.y}" width="1" height="1" fill="none"/>` : "";
  return clipped(kept + path, ink.clip, cell, scale, id);
}

const isInside = (a: Edges, b: Edges): boolean =>
  a.left >= b.left && a.right <= b.right && a.top >= b.top && a.bottom <= b.bottom;

/** The pixel of a slice that is nearest to the middle of what lies partly or wholly outside it. */
const nearest = (a: Edges, slice: Edges): { x: number; y: number } => ({
  x: Math.min(slice.right - 1, Math.max(slice.left, Math.round((a.left + a.right) / 2))),
  y: Math.min(slice.bottom - 1, Math.max(slice.top, Math.round((a.top + a.bottom) / 2))),
});

/**
 * The blocks of a page in which there are words, and those words in their order. A page is divided the same way whichever
 * part of it is painted: letters are drawn with figures that are a little finer near their origin, and a letter across the
 * seam of two sheets has to be the same on both.
 */
function blocksOf(sheet: SheetPixels, texts: readonly LaidText[], ppi: number): [Edges, Reaching[]][] {
  const blocks = new Map<string, [Edges, Reaching[]]>();
  const [right, bottom] = [sheet.left + sheet.width, sheet.top + sheet.height];
  for (const text of texts) {
    const reaches = reach(text, ppi);
    const last = { x: Math.min(right, reaches.right), y: Math.min(bottom, reaches.bottom) };
    for (let y = Math.floor(Math.max(sheet.top, reaches.top) / BLOCK.down); y * BLOCK.down < last.y; y++) {
      for (
        let x = Math.floor(Math.max(sheet.left, reaches.left) / BLOCK.across);
        x * BLOCK.across < last.x;
        x++
      ) {
        const key = `${x} ${y}`;
        const [left, top] = [x * BLOCK.across, y * BLOCK.down];
        const box = { left, top, right: left + BLOCK.across, bottom: top + BLOCK.down };
        const block = blocks.get(key) ?? [box, []];
        block[1].push({ text, reaches });
        blocks.set(key, block);
      }
    }
  }
  return [...blocks.values()];
}

async function paintPicture(
  sheet: SheetPixels,
  ink: PictureInk,
  cell: Laid["cell"],
  ppi: number,
  files: PhotoFiles,
): Promise<void> {
  const { opacity, blend, clip, rect, turn } = ink;
  const degrees = (((turn + (cell?.angle ?? 0)) % 360) + 360) % 360;
  const how = { opacity, blend };
  if (degrees % 90 === 0 && (cell?.angle ?? 0) === 0) {
    const box = pixelBox(degrees % 180 === 0 ? rect : onItsSideAbout(rect), ppi);
    if (box.width === 0 || box.height === 0) return;
    const data = await pictureAt(files(ink.of.id), ink.of.kind, box, degrees);
    const over = overlayOf(sheet.space, data, box);
    blendOnto(sheet, over, { ...how, clip: clip ? pixelBox(clip, ppi) : null });
    return;
  }
  const upright = pixelBox(rect, ppi);
  const side = Math.ceil(Math.hypot(upright.width, upright.height)) + 2;
  const middle = { x: rect.x + rect.width / 2, y: rect.y + rect.height / 2 };
  const at = cell ? turnedAbout(cell.finished, cell.angle, middle) : middle;
  const [left, top] = [Math.floor(toPx(at.x, ppi) - side / 2), Math.floor(toPx(at.y, ppi) - side / 2)];
  const seen = await pictureMark(ink, cell, ppi, files);
  const box = { left, top, width: side, height: side };
  blendOnto(sheet, overlayOf(sheet.space, rendered(seen, box), box), how);
}

/** A graphic or a photo as an SVG element in pixels of the sheet; `anchor` is a place that is seen, where it may not be. */
export async function pictureMark(
  { rect, turn, clip, of, opacity }: PictureInk,
  cell: Laid["cell"],
  ppi: number,
  files: PhotoFiles,
  anchor: { x: number; y: number } | null = null,
): Promise<string> {
  const png = await pngAt(files(of.id), of.kind, pixelBox(rect, ppi));
  const fade = anchor && opacity < 1 ? ` opacity="${opacity}"` : "";
  const turned = ` transform="${transformOf(rect, turn, cell, pixelScale(ppi))}"`;
  const image = imageMark(png, rect, ppi, fade + turned);
  const kept = anchor ? `<rect x="${anchor.x}" y="${anchor.y}" width="1" height="1" fill="none"/>` : "";
  return clip ? clipped(kept + image, clip, cell, pixelScale(ppi), "c") : image;
}

/** A graphic or a photo as RGBA pixels of a box's size, turned by quarters. */
function pictureAt(
  path: string,
  kind: PictureInk["of"]["kind"],
  box: PixelBox,
  degrees: number,
): Promise<Buffer> {
  const size = degrees % 180 === 0 ? [box.width, box.height] : [box.height, box.width];
  return sized(path, kind, size as [number, number]).then((image) => image.rotate(degrees).raw().toBuffer());
}

const pngAt = async (path: string, kind: PictureInk["of"]["kind"], box: PixelBox): Promise<Buffer> =>
  (await sized(path, kind, [Math.max(1, box.width), Math.max(1, box.height)])).png().toBuffer();

/** A photo or a graphic at a size in pixels, with its alpha. */
async function sized(path: string, kind: PictureInk["of"]["kind"], [width, height]: [number, number]) {
  if (kind === "photo") return openUpright(path).resize(width, height, { fit: "fill" }).ensureAlpha();
  return sizedGraphic(await readFile(path), { width, height });
}
