import {
  layers,
  pixelBox,
  toPx,
  type CellPlan,
  type Ink,
  type Medium,
  type PixelBox,
  type Rect,
  type SheetPlan,
} from "@wide-quilt/core";
import type { Samples } from "@wide-quilt/colour";
import { paintSpace, type PaintSpace } from "../colour/space.ts";
import type { PhotoFiles } from "../photo/files.ts";
import { goOn, type Watch } from "../progress.ts";
import { asOverlay, isRounded, paintBands, paintPiece } from "./bands.ts";
import { blankSheet, blendOnto, copyOnto, fillBox, type SheetPixels } from "./canvas.ts";
import { developed, type Shown } from "./developed.ts";
import { paintGround } from "./ground.ts";
import { paintInk, type Laid } from "./ink.ts";
import type { KeptPhotos } from "./kept.ts";
import { levelled } from "./level.ts";
import { outlineBoxes, strokeBox } from "./lines.ts";
import { seenPart } from "./part.ts";
import { tilted } from "./tilt.ts";

/** How a sheet is painted; sRGB of eight bits for glossy paper, not weighed by light, where nothing is said. */
export interface PaintSetup {
  space?: PaintSpace;
  medium?: Medium;
  /** Whether what is made smaller is weighed by light. */
  light?: boolean;
  /** Where decoded photos are kept for the next sheet; left out, they are not. */
  kept?: KeptPhotos;
}

/**
 * Paints one sheet's plan to pixels. Each photo is decoded once however many cells show it; each cell's whole pixels are
 * then looked up where they lie on it, so that every cell edge lies where the plan has it, rounded, and the photo exactly.
 *
 * Throws Cancelled, and what decoding throws when a photo's file is gone or damaged.
 */
export async function paintSheet(
  plan: SheetPlan,
  files: PhotoFiles,
  watch: Watch = {},
  setup: PaintSetup = {},
): Promise<SheetPixels> {
  const { space = await paintSpace(), medium = "glossy", light = false, kept } = setup;
  const sheet = blankSheet(plan.pixels.width, plan.pixels.height, space);
  const { ppi } = plan;
  for (const ground of plan.grounds) paintGround(sheet, ground, ppi);
  await paintInk(sheet, ofSheet(plan.backing), ppi, files);
  let done = 0;
  for (const layer of layers(plan)) {
    const groups = sameLooks(layer);
    await inLanes(groups, lanesFor(groups, ppi), async (sights) => {
      await goOn(watch);
      const photo = await developed(sights, { ppi, files, space, medium, light, kept }, watch);
      for (const { cell, rect } of sights) {
        const isLevel = cell.picture!.level === 0;
        const box = pixelBox(isLevel ? rect : cell.image, ppi);
        if (box.width === 0 || box.height === 0) continue;
        const lying = isLevel ? box : pixelBox(rect, ppi);
        let pixels = photo.crop(lying, cell);
        if (!isLevel) pixels = pixels.then((data) => levelled({ data, ...lying }, cell, box, ppi, space));
        paintCell(sheet, cell, await pixels, box, ppi);
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

/** Paints a cell's photo with its border and mat: straight onto the sheet, or as a piece that is tilted, rounded or of a shape. */
function paintCell(sheet: SheetPixels, cell: CellPlan, photo: Samples, box: PixelBox, ppi: number): void {
  if (cell.angle === 0 && !isRounded(cell) && !cell.within) {
    copyOnto(sheet, photo, box);
    paintBands(sheet, cell.bands, ppi);
    return;
  }
  const piece = paintPiece(photo, box, cell, ppi, sheet.space);
  blendOnto(sheet, cell.angle === 0 ? asOverlay(piece) : tilted(piece, cell, ppi));
}

/** A cell with a picture, the part of the photo it shows and where that lies on the sheet. */
interface Sight extends Shown {
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

/** Photos that are worked on at a time where each is small on the sheet, where not, and how small that is, in pixels. */
const LANES = { small: 4, large: 2 };
const SMALL = 4_000_000;

/** Of large photos one is decoded while another is weighed: memory stays bounded by the sheet and two photos. */
const lanesFor = (groups: readonly Sight[][], ppi: number): number =>
  groups.every(([sight]) => {
    const { width, height } = sight!.cell.picture!.placed;
    return toPx(width, ppi) * toPx(height, ppi) <= SMALL;
  })
    ? LANES.small
    : LANES.large;

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
