import sharp, { type Sharp } from "sharp";
import {
  layers,
  lookChange,
  pixelBox,
  toPx,
  type CellPlan,
  type Ink,
  type Look,
  type PixelBox,
  type Rect,
  type SheetPlan,
} from "@wide-quilt/core";
import { openUpright } from "../photo/open.ts";
import type { PhotoFiles } from "../photo/files.ts";
import { goOn, type Watch } from "../progress.ts";
import { asOverlay, isRounded, paintBands, paintPiece } from "./bands.ts";
import { blankSheet, blendOnto, copyOnto, fillBox, type SheetPixels } from "./canvas.ts";
import { decode, SMALL_PART } from "./decode.ts";
import { paintGround } from "./ground.ts";
import { paintInk, type Laid } from "./ink.ts";
import { levelled } from "./level.ts";
import { outlineBoxes, strokeBox } from "./lines.ts";
import { areaOf, seenPart, union, WHOLE, type Part } from "./part.ts";
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
  const { ppi } = plan;
  if (plan.ground) paintGround(sheet, plan.ground);
  await paintInk(sheet, ofSheet(plan.backing), ppi, files);
  let done = 0;
  for (const layer of layers(plan)) {
    const groups = sameLooks(layer);
    await inLanes(groups, lanesFor(groups, ppi), async (sights) => {
      await goOn(watch);
      const photo = await developed(sights, ppi, files);
      const painted = new Map<string, Promise<Buffer>>();
      for (const { cell, rect } of sights) {
        const isLevel = cell.picture!.level === 0;
        const box = pixelBox(isLevel ? rect : cell.image, ppi);
        if (box.width === 0 || box.height === 0) continue;
        const lying = isLevel ? box : pixelBox(rect, ppi);
        const crop = cropOf(photo.part, cell, ppi, lying);
        const key = JSON.stringify([crop, cell.look]);
        let pixels = painted.get(key);
        if (!pixels) painted.set(key, (pixels = looked(photo.crop(crop), cell.look)));
        if (!isLevel) pixels = pixels.then((data) => levelled({ data, ...lying }, cell, box, ppi));
        await paintCell(sheet, cell, await pixels, box, ppi);
        watch.progress?.({ what: "cells", done: ++done, of: plan.cells.length });
      }
    });
    for (const cell of layer) {
      if (cell.angle !== 0) continue;
      if (!cell.picture) paintBands(sheet, cell.bands, ppi);
      for (const box of outlineBoxes(cell, ppi)) fillBox(sheet, box, cell.outline!.colour);
    }
    await paintInk(
      sheet,
      layer.flatMap((cell) => cell.over.map((ink) => ({ ink, cell }))),
      ppi,
      files,
    );
  }
  await paintInk(sheet, ofSheet(plan.over), ppi, files);
  for (const stroke of plan.marks) fillBox(sheet, strokeBox(stroke, ppi), stroke.colour);
  return sheet;
}

const ofSheet = (inks: readonly Ink[]): Laid[] => inks.map((ink) => ({ ink, cell: null }));

/** Paints a cell's photo with its border and mat: straight onto the sheet, or as a piece that is tilted or rounded. */
async function paintCell(
  sheet: SheetPixels,
  cell: CellPlan,
  photo: Buffer,
  box: PixelBox,
  ppi: number,
): Promise<void> {
  if (cell.angle === 0 && !isRounded(cell)) {
    copyOnto(sheet, photo, box);
    paintBands(sheet, cell.bands, ppi);
    return;
  }
  const piece = paintPiece(photo, box, cell.bands, ppi);
  blendOnto(sheet, cell.angle === 0 ? asOverlay(piece) : await tilted(piece, cell, ppi));
}

/** A cell with a picture, the part of the photo it shows and where that lies on the sheet. */
interface Sight {
  cell: CellPlan;
  part: Part;
  rect: Rect;
}

/** The cells with a picture, grouped by photo, turn and size on paper, in the order of painting. */
function sameLooks(cells: readonly CellPlan[]): Sight[][] {
  const groups = new Map<string, Sight[]>();
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

/** A photo of which boxes can be cut out at their size on the sheet. */
interface Developed {
  /** The part of the photo that this is. */
  part: Part;
  crop(crop: Crop): Promise<Buffer>;
}

/**
 * Gets a photo ready for the cells that show it in one way: decoded once for all of them, or where only one shows nearly
 * all of it, read and resampled in one go.
 */
async function developed(sights: readonly Sight[], ppi: number, files: PhotoFiles): Promise<Developed> {
  const { cell } = sights[0]!;
  const { placed, turn } = cell.picture!;
  const path = files(cell.paints!);
  const need = sights.map(({ part }) => part).reduce(union);
  if (sights.length === 1 && turn === 0 && areaOf(need) >= SMALL_PART) {
    return { part: WHOLE, crop: (crop) => cutOut(openUpright(path), crop) };
  }
  const size = { width: toPx(placed.width, ppi), height: toPx(placed.height, ppi) };
  const { data, width, height, part } = await decode(path, turn, need, size);
  return { part, crop: (crop) => cutOut(sharp(data, { raw: { width, height, channels: 3 } }), crop) };
}

/** Photos that are worked on at a time where each is small on the sheet, and how small that is, in pixels. */
const LANES = 4;
const SMALL = 4_000_000;

/** Large photos are worked on one after the other: memory stays bounded by the sheet and one photo. */
const lanesFor = (groups: readonly Sight[][], ppi: number): number =>
  groups.every(([sight]) => {
    const { width, height } = sight!.cell.picture!.placed;
    return toPx(width, ppi) * toPx(height, ppi) <= SMALL;
  })
    ? LANES
    : 1;

/** Does the same with all of them, so many at a time. The first failure ends it. */
async function inLanes<T>(
  items: readonly T[],
  lanes: number,
  work: (item: T) => Promise<void>,
): Promise<void> {
  let next = 0;
  const lane = async () => {
    while (next < items.length) {
      try {
        await work(items[next++]!);
      } catch (error) {
        next = items.length;
        throw error;
      }
    }
  };
  await Promise.all(Array.from({ length: lanes }, lane));
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
  part: Part,
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

const cutOut = (image: Sharp, crop: Crop): Promise<Buffer> =>
  image
    .resize(crop.width, crop.height, { fit: "fill" })
    .extract({ left: crop.left, top: crop.top, width: crop.boxWidth, height: crop.boxHeight })
    .raw()
    .toBuffer();

async function looked(cut: Promise<Buffer>, look: Look | null): Promise<Buffer> {
  const pixels = await cut;
  lookChange(look)?.(pixels, 3);
  return pixels;
}
