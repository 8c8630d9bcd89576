import {
  grown,
  inside,
  NO_EDGES,
  overlap,
  rectOf,
  waysToLie,
  type Edges,
  type Size,
} from "../base/geometry/index.ts";
import { inYear, readMonth } from "../base/day/index.ts";
import { monthName } from "../finish/blocks/index.ts";
import { edgePx, nearest, um } from "../base/length/index.ts";
import type { Stroke } from "../finish/graphics/index.ts";
import { cutMarks } from "../finish/marks/index.ts";
import { drawShapes } from "../finish/shapes/index.ts";
import { STYLE_PARTS } from "../finish/style/index.ts";
import {
  finishedSheet,
  pagesOnSheets,
  sheetOrder,
  styleOfAll,
  styleOfCell,
  type Job,
  type Place,
} from "../job/index.ts";
import {
  calendarOf,
  photoFlow,
  type LaidCell,
  type LaidSheet,
  type Layout,
  type Slot,
} from "../kinds/index.ts";
import { isByHand } from "../photo/crop/index.ts";
import type { Photos } from "../photo/record/index.ts";
import { isAddedCell, photoNumber, type SheetName, type ShotName } from "../schema/index.ts";
import { once } from "../base/remembered.ts";
import { wrapBeyond } from "../solve/panels/index.ts";
import { cellInk } from "./cellInk.ts";
import { framed } from "./framed.ts";
import { coverOf, imageOf, type SheetEdges } from "./image.ts";
import { pictures } from "./pictures.ts";
import { printableArea } from "./printable.ts";
import { backingInk, frontInk, graphicsByRole, itemsOn, sheetInk } from "./sheetInk.ts";
import { fieldSources, type Place as PageOfJob } from "./sources.ts";
import type { CellPlan, SheetPlan } from "./types.ts";

/** A cell before its photo: as it was laid, or put by hand. */
interface Standing extends LaidCell {
  place: Place | null;
  /** Whether it was given another slot than it was computed with. */
  otherSlot: boolean;
}

/**
 * Makes the plan of a layout: what was set by hand is put on top of what was computed, photos are placed, marks are
 * drawn.
 *
 *     layout ─▶ cells by sheet ─▶ + places by hand, added cells, − cells taken out ─▶ photos ─▶ marks
 */
export function buildPlan(job: Job, photos: Photos, layout: Layout): SheetPlan[] {
  const names = sheetOrder(
    job,
    layout.sheets.map(({ name }) => name),
  );
  const sheets = new Map(layout.sheets.map((sheet) => [sheet.name, sheet]));
  const standing = cellsBySheet(job, layout, names);
  const worn = wornBy(job, photos);
  const laid = names.map((name) => sheets.get(name) ?? blankLike(job, layout, name));
  const onSheets = sheetsOf(job, laid);
  return laid.map((sheet, index) =>
    sheetPlan(job, photos, sheet, standing.get(sheet.name) ?? [], worn, {
      page: index + 1,
      pages: laid.length,
      ...showing(job, sheet),
      ...onSheets(index),
    }),
  );
}

/** The month that a page shows, in the calendar’s first language. */
function showing(job: Job, { month: text }: LaidSheet): Pick<PageOfJob, "shows"> {
  const month = text === undefined ? null : readMonth(text);
  if (month === null) return {};
  return { shows: { ...inYear(month), name: monthName(month, calendarOf(job)) } };
}

/** On which sheet each page is printed, the first where it is on several. */
function sheetsOf(
  job: Job,
  laid: readonly LaidSheet[],
): (page: number) => Pick<PageOfJob, "sheet" | "sheets"> {
  const { impose, sheet } = job;
  if (impose.way === "one") return (page) => ({ sheet: page + 1, sheets: laid.length });
  const pages = laid.map(({ lying }) => finishedSheet(sheet, lying));
  const sheets = pagesOnSheets(job, pages);
  return (page) => ({
    sheet: sheets.findIndex(({ slots }) => slots.some((slot) => slot.page === page)) + 1,
    sheets: sheets.length,
  });
}

/** What the sheets and cells of a job are finished with, for all of them. */
function wornBy(job: Job, photos: Photos) {
  const proportions = (photo: string) => {
    const facts = photos[photo];
    return facts ? facts.width / facts.height : null;
  };
  return {
    all: styleOfAll(job),
    graphics: { ...graphicsByRole(job), proportions },
    sources: fieldSources(job, photos),
  };
}

type WornBy = ReturnType<typeof wornBy>;

/** A sheet that was added by hand is as the first one, and bare. */
const blankLike = (job: Job, { sheets }: Layout, name: SheetName): LaidSheet => ({
  name,
  paper: job.sheet.paper,
  lying: sheets[0]?.lying ?? waysToLie(job.sheet, job.sheet.paper)[0]!,
  cells: [],
});

/** The cells of every sheet that is seen. A cell whose sheet is no more stands on the last one. */
function cellsBySheet(job: Job, layout: Layout, names: readonly SheetName[]): Map<string, Standing[]> {
  const sheets = new Map<string, Standing[]>(names.map((name) => [name, []]));
  const last = names.at(-1);
  const stand = (sheet: SheetName, cell: Standing) => {
    const on = sheets.get(sheet) ?? (last === undefined ? undefined : sheets.get(last));
    on?.push(cell);
  };
  const slots = slotsOf(job, layout);
  const laid = new Set<string>();
  for (const { name, cells } of layout.sheets) {
    for (const cell of cells) {
      laid.add(cell.key);
      const own = job.cells[cell.key];
      if (own?.gone) continue;
      const otherSlot = own?.shot !== undefined && own.shot !== cell.slot;
      const place = own?.place ?? null;
      const standing = { ...cell, ...(otherSlot && slots(own.shot!, true)), place, otherSlot };
      if (place) stand(place.sheet, { ...standing, finished: rectOf(place) });
      else sheets.get(name)?.push(standing);
    }
  }
  for (const [key, { place, shot, asks }] of Object.entries(job.cells)) {
    // Added by hand, or a copy put by hand when the layout still had it. What is named after a photo goes with the photo.
    if (laid.has(key) || !place || shot === undefined) continue;
    const slot = slots(shot, asks === true || !isAddedCell(key));
    stand(place.sheet, { key, ...slot, finished: rectOf(place), turn: 0, place, otherSlot: false });
  }
  return sheets;
}

/** What slots show that cells were given by hand: as the cells of the layout have it, or by the photos in their order. */
function slotsOf(job: Job, layout: Layout): (slot: ShotName, inOrder: boolean) => Slot {
  const flow = photoFlow(job);
  let laid: Map<ShotName, Slot> | null = null;
  return (slot, inOrder) => {
    laid ??= new Map(
      layout.sheets.flatMap(({ cells }) =>
        cells.map(({ slot: name, shot, of, photo }) => [name, { slot: name, shot, of, photo }]),
      ),
    );
    const found = laid.get(slot) ?? flow.at(slot);
    // A cell that was added by hand waits for the photo that is put in it: at its number none comes by itself.
    return inOrder || laid.has(slot) || photoNumber(slot) !== null || job.shots[slot]?.photo
      ? found
      : { slot, shot: slot, of: null, photo: null };
  };
}

function sheetPlan(
  job: Job,
  photos: Photos,
  laid: LaidSheet,
  standing: readonly Standing[],
  worn: WornBy,
  at: PageOfJob,
): SheetPlan {
  const { sheet, target, finish } = job;
  const { graphics, sources } = worn;
  const { name } = laid;
  const { paper: stock, lying } = laid;
  const paper: Size = { width: lying.width, height: lying.height };
  const whole = inside(paper, NO_EDGES);
  const trim = finishedSheet(sheet, paper);
  // A page that is cut out of a larger sheet can bleed past its own paper.
  const isSheet = job.impose.way === "one";
  const runsOn = target.bleed + (job.impose.way === "tiles" ? wrapBeyond(job.impose.panels) : 0);
  const around = isSheet ? whole : grown(whole, runsOn);
  const edges: SheetEdges = {
    paper: around,
    trim,
    bleed: overlap(grown(trim, runsOn), around) ?? around,
  };
  const items = itemsOn(name, job, laid.blocks ?? []);
  const cells = cellPlans(job, photos, standing, edges, worn, at);
  // Drawn when it is first looked at: of the thirteen pages of a calendar one is on the table.
  const over = once(() => [
    ...(laid.front ?? []).map(frontInk),
    ...drawShapes(job.shapes, "front", name),
    ...sheetInk(
      name,
      { paper, trim },
      job,
      items,
      laid,
      graphics.stamps,
      sources.ofPage(cells, at),
      graphics.proportions,
    ),
  ]);
  return {
    id: name,
    title: laid.title ?? null,
    shows: at.shows ?? null,
    number: at.page,
    of: at.pages,
    stock,
    paper,
    printable: target.enlarged > 0 || !isSheet ? whole : printableArea(job, stock, paper),
    trim,
    bleed: edges.bleed,
    safe: grown(trim, -sheet.safe),
    mayLose: isSheet ? mayLose(job, paper) : NO_EDGES,
    ppi: target.ppi,
    pixels: { width: edgePx(paper.width, target.ppi), height: edgePx(paper.height, target.ppi) },
    grounds: job.ground ? [{ fill: job.ground, rect: whole, turn: 0 }] : [],
    backing: [
      ...backingInk(name, paper, graphics.backings, graphics.proportions),
      ...drawShapes(job.shapes, "behind", name),
    ],
    cells,
    items,
    get over() {
      return over();
    },
    marks: marksOf(job, laid, standing, () => {
      const straight = cells
        .filter(({ angle }) => angle === 0)
        .map((cell) => ({ ...cell, image: cell.bands[0]?.outer ?? cell.image }));
      const own = sheet.trim ? [{ finished: trim, image: null }] : [];
      return [...cutMarks(paper, [...straight, ...own], finish.marks), ...(laid.lines ?? [])];
    }),
    freed: null,
    parts: [],
  };
}

/** The marks of sheets as they were laid, with the parts of the job that they were drawn for. */
const known = new WeakMap<
  LaidSheet,
  Pick<Job, "sheet" | "target" | "finish" | "style" | "worn" | "cells"> & { marks: Stroke[] }
>();

/**
 * Draws the marks of a sheet, or takes those that were drawn for the very same layout: while a photo is dragged cells and
 * marks stay where they are, and are the larger part of the work.
 */
function marksOf(job: Job, laid: LaidSheet, standing: readonly Standing[], draw: () => Stroke[]): Stroke[] {
  const asLaid = standing.length === laid.cells.length && standing.every(({ place }) => place === null);
  if (!asLaid) return draw();
  const before = known.get(laid);
  const { sheet, target, finish, style, worn, cells } = job;
  const now = { sheet, target, finish, style, worn, cells };
  const parts = Object.keys(now) as (keyof typeof now)[];
  if (before && parts.every((part) => before[part] === now[part])) return before.marks;
  const marks = draw();
  known.set(laid, { ...now, marks });
  return marks;
}

/**
 * What may be lost of the paper at each edge. A page enlarged by e about its middle loses half of 1 − 1/(1 + e) of its
 * width at the left and at the right.
 */
function mayLose({ target }: Job, { width, height }: Size): Edges {
  const share = (1 - 1 / (1 + target.enlarged / 100)) / 2;
  const across = um(Math.max(target.printer.mayLose, nearest(width * share)));
  const down = um(Math.max(target.printer.mayLose, nearest(height * share)));
  return { top: down, right: across, bottom: down, left: across };
}

const NOTHING: CellPlan["styled"] = [];

/** How a cell is tilted: by hand, or by its layout. */
const angleOf = ({ place, angle }: Standing): number => place?.angle ?? angle ?? 0;

function cellPlans(
  job: Job,
  photos: Photos,
  standing: readonly Standing[],
  edges: SheetEdges,
  { all, graphics, sources }: WornBy,
  at: PageOfJob,
): CellPlan[] {
  const pictureOf = pictures(job, photos);
  const byHand = standing.some(({ place, angle }) => place !== null || angle !== undefined);
  const rects = byHand ? standing.filter((cell) => angleOf(cell) === 0).map(({ finished }) => finished) : [];
  const plans = standing.map((cell, i): CellPlan & { order: number } => {
    const { key, slot, shot, photo, finished, turn, place } = cell;
    const toCover = coverOf(finished, cell.runsOn ?? job.finish.slack, edges);
    const angle = angleOf(cell);
    const apart = byHand ? { neighbours: angle === 0 ? rects : [] } : { gap: job.ticket.gap };
    const image = imageOf(finished, toCover, edges, standing.length === 1 ? { neighbours: [] } : apart);
    const ownStyle = job.cells[key]?.style;
    const style = styleOfCell(all, ownStyle);
    const frame = framed({ finished, cover: toCover, image, turn }, style);
    const { opening, cover } = frame;
    const shown = pictureOf(cell, { finished, opening, cover, turn });
    const source = () => sources.ofPhoto(photo, at);
    return {
      key,
      number: i + 1,
      slot,
      shot,
      finished,
      ...frame,
      within: cell.within ?? null,
      angle,
      turn,
      photo,
      paints: photo === null ? null : (job.backdrops[photo]?.made ?? photo),
      sits: shown.sits,
      picture: shown.picture,
      look: style.look,
      sharpening: style.sharpening,
      over: cellInk(
        { finished, opening, bands: frame.bands, turn },
        cell,
        style.caption,
        source,
        graphics,
        shown.picture !== null,
      ),
      outline: job.finish.outline,
      styled: ownStyle ? STYLE_PARTS.filter((part) => part in ownStyle) : NOTHING,
      byHand:
        cell.otherSlot || isByHand(shown.sits, shown.computed) || (cell.of !== null && cell.of !== photo),
      placed: place !== null,
      locked: place?.locked ?? false,
      order: place?.order ?? cell.order ?? 0,
    };
  });
  return plans.sort((a, b) => a.order - b.order).map(({ order: _order, ...plan }) => plan);
}
