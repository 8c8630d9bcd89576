import {
  layers,
  pixelBox,
  toPx,
  type CellPlan,
  type Ink,
  type Medium,
  type PagePart,
  type PixelBox,
  type Rect,
  type SheetPlan,
} from "@wide-quilt/core";
import type { Samples } from "@wide-quilt/colour";
import { paintSpace, type PaintSpace } from "../colour/space.ts";
import type { PhotoFiles } from "../photo/files.ts";
import { goOn, type Watch } from "../progress.ts";
import { asOverlay, isRounded, paintBands, paintPiece } from "./bands.ts";
import {
  blankSheet,
  blendOnto,
  copyOnto,
  fillBox,
  makePale,
  clearAround,
  type SheetPixels,
} from "./canvas.ts";
import { developed, type Shown } from "./developed.ts";
import { paintGround } from "./ground.ts";
import { paintInk, type Laid } from "./ink.ts";
import type { KeptPhotos } from "./kept.ts";
import { levelled } from "./level.ts";
import { outlineBoxes, strokeBox } from "./lines.ts";
import { partPixels, turnedPixels } from "./panel.ts";
import { seenPart } from "./part.ts";
import type { StoredPhotos } from "./stored.ts";
import { tilted } from "./tilt.ts";

/** How a sheet is painted; sRGB of eight bits for glossy paper, not weighed by light, where nothing is said. */
export interface PaintSetup {
  space?: PaintSpace;
  medium?: Medium;
  /** Whether what is made smaller is weighed by light. */
  light?: boolean;
  /** Where decoded photos are kept for the next sheet; left out, they are not. */
  kept?: KeptPhotos;
  /** Where large photos are decoded to that many sheets show a part of; left out, each sheet decodes them. */
  stored?: StoredPhotos;
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
  const { space = await paintSpace() } = setup;
  const how = { ...setup, space };
  const sheet = blankSheet(plan.pixels.width, plan.pixels.height, space);
  const [only, ...others] = plan.parts;
  if (only && others.length === 0 && isStraight(only)) {
    await paintPartOnto(sheet, only, plan.ppi, files, watch, how);
  } else {
    for (const part of plan.parts) {
      const pixels = await partPixels(part, plan.ppi, (ppi, box) =>
        paintPart(part.page, ppi, box, files, watch, how),
      );
      const { data, width, height } = turnedPixels(pixels, part.turn);
      copyOnto(sheet, data, { ...cornerOf(part, plan.ppi), width, height });
    }
  }
  await paintOnto(sheet, plan, plan.ppi, files, watch, how);
  return sheet;
}

/** Whether a part is the page’s own pixels and nothing else. */
const isStraight = ({ turn, scale, wrap }: PagePart): boolean => turn === 0 && scale === 1 && wrap === null;

/** Where the first pixel of a part lies on its sheet. */
const cornerOf = ({ at }: PagePart, ppi: number) => ({
  left: Math.round(toPx(at.x, ppi)),
  top: Math.round(toPx(at.y, ppi)),
});

/** Paints the only part that a sheet shows right onto it, and takes away what the page has beside it. */
async function paintPartOnto(
  sheet: SheetPixels,
  part: PagePart,
  ppi: number,
  files: PhotoFiles,
  watch: Watch,
  how: Painting,
): Promise<void> {
  const { page, prints, pale } = part;
  const box = pixelBox(prints, ppi);
  const { left, top } = cornerOf(part, ppi);
  const onPage: SheetPixels = { ...sheet, left: box.left - left, top: box.top - top };
  await paintOnto(onPage, page, ppi, files, watch, { ...how, once: true });
  for (const strip of pale) makePale(onPage, pixelBox(strip, ppi));
  clearAround(onPage, box);
}

/**
 * Paints a part of a page: the same pixels, to the last bit, as the whole page has there. Photos are decoded as for the
 * whole page, and only what is seen of them is weighed.
 */
export async function paintPart(
  page: SheetPlan,
  ppi: number,
  box: PixelBox,
  files: PhotoFiles,
  watch: Watch,
  { space, ...setup }: PaintSetup & { space: PaintSpace },
): Promise<SheetPixels> {
  const seen = blankSheet(box.width, box.height, space, box);
  await paintOnto(seen, page, ppi, files, watch, { ...setup, space, once: true });
  return seen;
}

/** How a plan is painted onto pixels. */
interface Painting extends PaintSetup {
  space: PaintSpace;
  once?: boolean;
}

async function paintOnto(
  sheet: SheetPixels,
  plan: SheetPlan,
  ppi: number,
  files: PhotoFiles,
  watch: Watch,
  { space, medium = "glossy", light = false, kept, stored, once }: Painting,
): Promise<void> {
  for (const ground of plan.grounds) paintGround(sheet, ground, ppi);
  await paintInk(sheet, ofSheet(plan.backing), ppi, files);
  let done = 0;
  for (const layer of layers(plan)) {
    const groups = sameLooks(layer);
    await inLanes(groups, lanesFor(groups, ppi), async (sights) => {
      await goOn(watch);
      const here = sights.filter(({ cell }) => reaches(cell, sheet, ppi));
      if (here.length === 0) return;
      const photo = await developed(sights, { ppi, files, space, medium, light, kept, stored, once }, watch);
      for (const { cell, rect } of here) {
        const isLevel = cell.picture!.level === 0;
        const whole = pixelBox(isLevel ? rect : cell.image, ppi);
        const box = isLevel && isPlain(cell) ? seenBox(whole, sheet) : whole;
        if (box.width <= 0 || box.height <= 0) continue;
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
}

/** Whether a photo lies on the sheet as it is cut out of the whole, a rectangle that stands straight. */
const isPlain = (cell: CellPlan): boolean => cell.angle === 0 && !isRounded(cell) && !cell.within;

/** Whether any of a cell may be on the part of the page that is painted. */
function reaches(
  { angle, image, finished, bands }: CellPlan,
  { left, top, width, height }: SheetPixels,
  ppi: number,
) {
  const lies = [image, finished, ...bands.map(({ outer }) => outer)].map((rect) => pixelBox(rect, ppi));
  // Tilted, it lies within the circle around it.
  const more = angle === 0 ? 1 : Math.max(...lies.map((box) => Math.hypot(box.width, box.height)));
  return lies.some(
    (box) =>
      box.left - more < left + width &&
      box.left + box.width + more > left &&
      box.top - more < top + height &&
      box.top + box.height + more > top,
  );
}

/** Pixels around what is seen that sharpening looks at: three times the most that it blurs by, and a little more. */
const LOOKED_AT = 32;

/** What of a box is seen on a part of a page, with what sharpening looks at around it; of a whole sheet all of it. */
function seenBox(box: PixelBox, { left, top, width, height }: SheetPixels): PixelBox {
  const [x, y] = [Math.max(box.left, left - LOOKED_AT), Math.max(box.top, top - LOOKED_AT)];
  return {
    left: x,
    top: y,
    width: Math.min(box.left + box.width, left + width + LOOKED_AT) - x,
    height: Math.min(box.top + box.height, top + height + LOOKED_AT) - y,
  };
}

const ofSheet = (inks: readonly Ink[]): Laid[] => inks.map((ink) => ({ ink, cell: null }));

/** Paints a cell's photo with its border and mat: straight onto the sheet, or as a piece that is tilted, rounded or of a shape. */
function paintCell(sheet: SheetPixels, cell: CellPlan, photo: Samples, box: PixelBox, ppi: number): void {
  if (isPlain(cell)) {
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
