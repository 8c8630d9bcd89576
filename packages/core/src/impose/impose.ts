import {
  boundsOf,
  inside,
  NO_EDGES,
  overlap,
  placedWhole,
  type Rect,
  type Size,
} from "../base/geometry/index.ts";
import { edgePx, um } from "../base/length/index.ts";
import type { Stroke } from "../finish/graphics/index.ts";
import { cutMarks } from "../finish/marks/index.ts";
import { pagesOnSheets, type Job } from "../job/index.ts";
import { cutBack } from "../plan/image.ts";
import {
  movedCell,
  movedGround,
  movedInk,
  movedStroke,
  type CellPlan,
  type SheetPlan,
} from "../plan/index.ts";
import { numberedSheet } from "../schema/index.ts";
import type { PageSlot } from "../solve/slots/index.ts";
import { madeNow } from "./making.ts";
import { moveTo } from "./moveTo.ts";
import { spread } from "./spread.ts";

/**
 * The sheets that the printer is sent, from the pages of a job: each page where its slot has it, cut back to the middle
 * between it and its neighbours. Where a page is a sheet these are the pages themselves.
 *
 *     pages ─▶ slots on sheets ─▶ parts of each page moved and turned ─▶ one plan a sheet, in the painters’ own terms
 */
export function imposed(job: Job, pages: readonly SheetPlan[]): SheetPlan[] {
  const { impose, target, finish } = job;
  if (impose.way === "one")
    return impose.backs === "upright"
      ? [...pages]
      : pages.map((page, i) => (i % 2 === 1 ? turnedBack(page) : page));
  if (impose.way === "tiles") return spread(job, pages);
  const sheets = pagesOnSheets(
    job,
    pages.map(({ trim }) => trim),
  );
  return sheets.map(({ lying, slots }, index): SheetPlan => {
    const paper: Size = { width: lying.width, height: lying.height };
    const whole = inside(paper, NO_EDGES);
    const freed = slots.map(({ at }) => placedWhole(at));
    const parts = slots.map((slot, i) => onSheet(pages[slot.page]!, slot, i, freed, whole));
    const cutFree = impose.way === "tent" ? [boundsOf(freed)] : freed;
    const pieces = cutFree.map((finished) => ({ finished, image: null }));
    const first = pages[slots[0]?.page ?? 0]!;
    return {
      ...first,
      id: numberedSheet(index + 1),
      number: index + 1,
      of: sheets.length,
      stock: impose.paper,
      paper,
      printable: whole,
      trim: impose.way === "spreads" ? boundsOf(freed) : whole,
      bleed: whole,
      safe: whole,
      mayLose: NO_EDGES,
      pixels: { width: edgePx(paper.width, target.ppi), height: edgePx(paper.height, target.ppi) },
      grounds: parts.flatMap(({ grounds }) => grounds),
      backing: parts.flatMap(({ backing }) => backing),
      cells: parts.flatMap(({ cells }) => cells).map((cell, i) => ({ ...cell, number: i + 1 })),
      // Pages are changed as pages.
      items: [],
      over: parts.flatMap(({ over }) => over),
      marks: [
        ...parts.flatMap(({ marks }) => marks),
        ...(impose.way === "spreads" ? [] : cutMarks(paper, pieces, { ...finish.marks, kind: impose.marks })),
        ...(impose.way === "tent" ? foldTicks(paper, cutFree[0]!, finish.marks) : []),
      ],
      freed: impose.way === "spreads" ? null : cutFree,
      parts: [],
    };
  });
}

/** Where a sheet is folded across its middle: short lines beside what is cut out, as far as there is room. */
function foldTicks(
  { width, height }: Size,
  piece: Rect,
  { length, width: line, colour }: Job["finish"]["marks"],
): Stroke[] {
  const y = um(Math.floor(height / 2));
  const stroke = { y1: y, y2: y, width: line, colour };
  const right = piece.x + piece.width;
  return [
    { x1: um(Math.max(0, piece.x - length)), x2: piece.x, ...stroke },
    { x1: um(right), x2: um(Math.min(width, right + length)), ...stroke },
  ].filter(({ x1, x2 }) => x2 > x1);
}

/** A page that is printed at the back of the one before it, turned by half about its middle. */
function turnedBack(page: SheetPlan): SheetPlan {
  const whole = inside(page.paper, NO_EDGES);
  const move = moveTo({ of: page.paper, turn: 180, x: um(0), y: um(0) }, whole);
  const { top, right, bottom, left } = page.mayLose;
  return {
    ...page,
    printable: move.rect(page.printable),
    trim: move.rect(page.trim),
    bleed: move.rect(page.bleed),
    safe: move.rect(page.safe),
    mayLose: { top: bottom, right: left, bottom: top, left: right },
    grounds: page.grounds.map((ground) => movedGround(ground, move)),
    backing: page.backing.map((ink) => movedInk(ink, move)),
    cells: page.cells.map((cell) => movedCell(cell, move)),
    items: [],
    over: page.over.map((ink) => movedInk(ink, move)),
    marks: page.marks.map((stroke) => movedStroke(stroke, move)),
  };
}

/**
 * What is written: the sheets that are printed, or the pages where the job wants a PDF of those; of either only those that
 * are to be made now.
 */
export const toWrite = (job: Job, pages: readonly SheetPlan[]): SheetPlan[] =>
  madeNow(job, job.target.file.format === "pdf" && job.impose.pdf === "pages" ? pages : imposed(job, pages));

/** Where the first page lies in a file whose pages face each other in pairs; null where they do not. */
export function facingIn({ impose, sheet, target }: Job): "left" | "right" | null {
  const hasPages = impose.way === "one" || (target.file.format === "pdf" && impose.pdf === "pages");
  return hasPages ? sheet.facing : null;
}

/** The parts of a page where they come to lie, seen as far as the middle to its neighbours. */
function onSheet(
  page: SheetPlan,
  { at }: PageSlot,
  index: number,
  freed: readonly Rect[],
  whole: Rect,
): Pick<SheetPlan, "grounds" | "backing" | "cells" | "over" | "marks"> {
  const own = freed[index]!;
  const { trim } = page;
  const move = moveTo(at, trim);
  const bleed = overlap(move.rect(page.bleed), whole) ?? own;
  const seen = cutBack(own, bleed, freed);
  const within = (rect: Rect): Rect => overlap(rect, seen) ?? { ...seen, width: um(0), height: um(0) };
  const ink = (one: SheetPlan["over"][number]) => {
    const moved = movedInk(one, move);
    return { ...moved, clip: within(moved.clip ?? seen) };
  };
  const cell = (one: CellPlan): CellPlan => {
    const moved = { ...movedCell(one, move), key: `${index + 1}.${one.number}` };
    // A tilted cell is seen in its own frame; it is left as it is.
    if (one.angle !== 0) return moved;
    return {
      ...moved,
      image: within(moved.image),
      bands: moved.bands.map((band) => ({ ...band, outer: within(band.outer) })),
      over: moved.over.map((part) => ({ ...part, clip: within(part.clip ?? seen) })),
    };
  };
  return {
    grounds: page.grounds.map((ground) => {
      const moved = movedGround(ground, move);
      return { ...moved, rect: within(isPage(ground.rect, page) ? seen : moved.rect) };
    }),
    backing: page.backing.map(ink),
    cells: page.cells.map(cell),
    over: page.over.map(ink),
    marks: page.marks.map((stroke) => movedStroke(stroke, move)),
  };
}

/** Colour of the whole page runs on over its bleed. */
const isPage = (rect: Rect, { paper }: SheetPlan): boolean =>
  rect.width === paper.width && rect.height === paper.height;
