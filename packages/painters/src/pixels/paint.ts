import sharp from "sharp";
import { layers, pixelBox, toPx, type CellPlan, type Rect, type SheetPlan } from "@wide-quilt/core";
import type { PhotoFiles } from "../photo/files.ts";
import { goOn, type Watch } from "../progress.ts";
import { blankSheet, blendOnto, copyOnto, fillBox, type SheetPixels } from "./canvas.ts";
import { captionPixels } from "./caption.ts";
import { decode, type Decoded } from "./decode.ts";
import { levelled } from "./level.ts";
import { outlineBoxes, strokeBox } from "./lines.ts";
import { seenPart, union, type Part } from "./part.ts";
import { tilted } from "./tilt.ts";

/**
 * Paints one sheet's plan to pixels. Each photo is decoded once however many cells show it; each cell is then
 * resampled to its own whole pixels, so that every cell edge lies where the plan has it, rounded.
 *
 * Throws Cancelled, and what decoding throws when a photo's file is gone or damaged.
 */
export async function paintSheet(
  plan: SheetPlan,
  files: PhotoFiles,
  watch: Watch = {},
): Promise<SheetPixels> {
  const sheet = blankSheet(plan.pixels.width, plan.pixels.height);
  let done = 0;
  for (const layer of layers(plan)) {
    for (const looks of sameLooks(layer)) {
      await goOn(watch);
      const photo = await decodeFor(looks, plan.ppi, files);
      const painted = new Map<string, Promise<Buffer>>();
      for (const { cell, rect } of looks) {
        const isLevel = cell.picture!.level === 0;
        const box = pixelBox(isLevel ? rect : cell.image, plan.ppi);
        if (box.width === 0 || box.height === 0) continue;
        const lying = isLevel ? box : pixelBox(rect, plan.ppi);
        const crop = cropOf(photo, cell, plan.ppi, lying);
        const key = Object.values(crop).join();
        let pixels = painted.get(key);
        if (!pixels) painted.set(key, (pixels = resample(photo, crop)));
        if (!isLevel) {
          pixels = pixels.then((data) => levelled({ data, ...lying }, cell, box, plan.ppi));
        }
        if (cell.angle === 0) copyOnto(sheet, await pixels, box);
        else blendOnto(sheet, await tilted(await pixels, box, cell, plan.ppi));
        watch.progress?.({ what: "cells", done: ++done, of: plan.cells.length });
      }
    }
    for (const cell of layer) {
      if (cell.angle !== 0) continue;
      for (const box of outlineBoxes(cell, plan.ppi)) fillBox(sheet, box, cell.outline!.colour);
    }
  }
  for (const cell of plan.cells) {
    if (cell.caption) blendOnto(sheet, captionPixels(cell, cell.caption, plan.ppi));
  }
  for (const stroke of plan.marks) fillBox(sheet, strokeBox(stroke, plan.ppi), stroke.colour);
  return sheet;
}

/** A cell with a picture, the part of the photo it shows and where that lies on the sheet. */
interface Look {
  cell: CellPlan;
  part: Part;
  rect: Rect;
}

/** The cells with a picture, grouped by photo, turn and size on paper, in the order of painting. */
function sameLooks(cells: readonly CellPlan[]): Look[][] {
  const groups = new Map<string, Look[]>();
  for (const cell of cells) {
    const seen = seenPart(cell);
    if (!seen || !cell.picture) continue;
    const { placed, turn } = cell.picture;
    const key = `${cell.paints} ${turn} ${placed.width} ${placed.height}`;
    const group = groups.get(key);
    if (group) group.push({ cell, ...seen });
    else groups.set(key, [{ cell, ...seen }]);
  }
  return [...groups.values()];
}

function decodeFor(looks: readonly Look[], ppi: number, files: PhotoFiles): Promise<Decoded> {
  const { cell } = looks[0]!;
  const { placed, turn } = cell.picture!;
  const need = looks.map(({ part }) => part).reduce(union);
  return decode(files(cell.paints!), turn, need, {
    width: toPx(placed.width, ppi),
    height: toPx(placed.height, ppi),
  });
}

/** What is taken of a decoded photo for one cell: the photo resized to whole pixels, then a box cut out of it. */
interface Crop {
  /** The decoded part's size on the sheet, its edges rounded. */
  width: number;
  height: number;
  left: number;
  top: number;
  boxWidth: number;
  boxHeight: number;
}

function cropOf(
  { part }: Decoded,
  { picture }: CellPlan,
  ppi: number,
  box: { left: number; top: number; width: number; height: number },
): Crop {
  const { placed } = picture!;
  const edge = (start: number, length: number, share: number) =>
    Math.round(toPx(start + share * length, ppi));
  // The decoded part always reaches over the box; where rounding would leave it a pixel short it is stretched by it.
  const left = Math.min(edge(placed.x, placed.width, part.left), box.left);
  const top = Math.min(edge(placed.y, placed.height, part.top), box.top);
  const right = Math.max(edge(placed.x, placed.width, part.right), box.left + box.width);
  const bottom = Math.max(edge(placed.y, placed.height, part.bottom), box.top + box.height);
  return {
    width: right - left,
    height: bottom - top,
    left: box.left - left,
    top: box.top - top,
    boxWidth: box.width,
    boxHeight: box.height,
  };
}

const resample = (photo: Decoded, crop: Crop): Promise<Buffer> =>
  sharp(photo.data, { raw: { width: photo.width, height: photo.height, channels: 3 } })
    .resize(crop.width, crop.height, { fit: "fill" })
    .extract({ left: crop.left, top: crop.top, width: crop.boxWidth, height: crop.boxHeight })
    .raw()
    .toBuffer();
