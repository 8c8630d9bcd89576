import { grown, overlap, type Edges, type Rect, type Size } from "../geometry/index.ts";
import { isByHand, sheetOrder, shotByNumber, type Job, type Place } from "../job/index.ts";
import {
  finishedSheet,
  kindOf,
  waysToLie,
  type LaidCell,
  type LaidSheet,
  type Layout,
} from "../kinds/index.ts";
import { edgePx, nearest, um } from "../length/index.ts";
import { cutMarks } from "../marks/index.ts";
import { coverOf, imageOf, type SheetEdges } from "./image.ts";
import { STYLE_PARTS, styleOfAll, styleOfCell } from "../style/index.ts";
import { cellInk } from "./cellInk.ts";
import { framed } from "./framed.ts";
import { pictures } from "./pictures.ts";
import { printableArea } from "./printable.ts";
import { backingInk, graphicsByRole, sheetInk } from "./sheetInk.ts";
import { fieldSources } from "./sources.ts";
import type { CellPlan, Photos, SheetPlan, Stroke } from "./types.ts";

/** A cell before its photo: as it was laid, or put by hand. */
interface Standing extends LaidCell {
  place: Place | null;
  /** Whether it was given another shot than it was computed with. */
  otherShot: boolean;
}

/**
 * Makes the plan of a layout: what was set by hand is put on top of what was computed, photos are placed, marks are
 * drawn.
 *
 *     layout ─▶ cells by sheet ─▶ + places by hand, added cells, − cells taken out ─▶ photos ─▶ marks
 */
export function buildPlan(job: Job, photos: Photos, layout: Layout): SheetPlan[] {
  const names = sheetOrder(job, layout.sheets.length);
  const standing = cellsBySheet(job, layout, names);
  const worn = wornBy(job, photos);
  return names.map((name, index) => {
    const laid = layout.sheets[Number(name) - 1] ?? blankLike(job, layout);
    return sheetPlan(job, photos, laid, standing.get(name) ?? [], worn, {
      name,
      number: index + 1,
      of: names.length,
    });
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
const blankLike = (job: Job, { sheets }: Layout): LaidSheet => ({
  paper: job.sheet.paper,
  lying: sheets[0]?.lying ?? waysToLie(job.sheet, job.sheet.paper)[0]!,
  cells: [],
});

/** The cells of every sheet that is seen. A cell whose sheet is no more stands on the last one. */
function cellsBySheet(job: Job, layout: Layout, names: readonly string[]): Map<string, Standing[]> {
  const sheets = new Map<string, Standing[]>(names.map((name) => [name, []]));
  const last = names.at(-1);
  const stand = (sheet: string, cell: Standing) => {
    const on = sheets.get(sheet) ?? (last === undefined ? undefined : sheets.get(last));
    on?.push(cell);
  };
  const laid = new Set<string>();
  layout.sheets.forEach(({ cells }, index) => {
    for (const cell of cells) {
      laid.add(cell.key);
      const own = job.cells[cell.key];
      if (own?.gone) continue;
      const shot = own?.shot ?? cell.shot;
      // Another shot shows the photo that it is numbered for.
      const photo = shot === cell.shot ? cell.photo : (job.stash[shot - 1]?.id ?? null);
      const place = own?.place ?? null;
      const standing = { ...cell, shot, photo, place, otherShot: shot !== cell.shot };
      if (place) stand(place.sheet, { ...standing, finished: rectOf(place) });
      else sheets.get(String(index + 1))?.push(standing);
    }
  });
  for (const [key, { place, shot = 1 }] of Object.entries(job.cells)) {
    // Added by hand, or put by hand when the layout still had it.
    if (laid.has(key) || !place) continue;
    const photo = key.startsWith("o") ? null : (job.stash[shot - 1]?.id ?? null);
    stand(place.sheet, { key, shot, finished: rectOf(place), turn: 0, photo, place, otherShot: false });
  }
  return sheets;
}

const rectOf = ({ x, y, width, height }: Place): Rect => ({ x, y, width, height });

function sheetPlan(
  job: Job,
  photos: Photos,
  laid: LaidSheet,
  standing: readonly Standing[],
  worn: WornBy,
  { name, number, of }: { name: string; number: number; of: number },
): SheetPlan {
  const { sheet, finish } = job;
  const { graphics, sources } = worn;
  const { paper: stock, lying } = laid;
  const paper: Size = { width: lying.width, height: lying.height };
  const whole: Rect = { x: um(0), y: um(0), ...paper };
  const trim = finishedSheet(sheet, paper);
  const edges: SheetEdges = { paper: whole, trim, bleed: overlap(grown(trim, sheet.bleed), whole) ?? whole };
  const cells = cellPlans(job, photos, standing, edges, worn, { number, of });
  return {
    id: name,
    number,
    of,
    stock,
    paper,
    printable: sheet.enlarged > 0 ? whole : printableArea(job, stock, paper),
    trim,
    bleed: edges.bleed,
    safe: grown(trim, -sheet.safe),
    mayLose: mayLose(job, paper),
    ppi: sheet.ppi,
    pixels: { width: edgePx(paper.width, sheet.ppi), height: edgePx(paper.height, sheet.ppi) },
    ground: job.ground,
    backing: backingInk(name, paper, graphics.backings, graphics.proportions),
    cells,
    over: sheetInk(
      name,
      { paper, trim },
      job,
      laid.words ?? [],
      graphics.stamps,
      sources.sheetOnly(number, of),
      graphics.proportions,
    ),
    marks: marksOf(job, laid, standing, () => {
      const straight = cells
        .filter(({ angle }) => angle === 0)
        .map((cell) => ({ ...cell, image: cell.bands[0]?.outer ?? cell.image }));
      const own = sheet.trim ? [{ finished: trim, image: null }] : [];
      return [...cutMarks(paper, [...straight, ...own], finish.marks), ...(laid.lines ?? [])];
    }),
  };
}

/** The marks of sheets as they were laid, with the parts of the job that they were drawn for. */
const known = new WeakMap<
  LaidSheet,
  Pick<Job, "sheet" | "finish" | "style" | "worn" | "cells"> & { marks: Stroke[] }
>();

/**
 * Draws the marks of a sheet, or takes those that were drawn for the very same layout: while a photo is dragged cells and
 * marks stay where they are, and are the larger part of the work.
 */
function marksOf(job: Job, laid: LaidSheet, standing: readonly Standing[], draw: () => Stroke[]): Stroke[] {
  const asLaid = standing.length === laid.cells.length && standing.every(({ place }) => place === null);
  if (!asLaid) return draw();
  const before = known.get(laid);
  const { sheet, finish, style, worn, cells } = job;
  const now = { sheet, finish, style, worn, cells };
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
function mayLose({ sheet }: Job, { width, height }: Size): Edges {
  const share = (1 - 1 / (1 + sheet.enlarged / 100)) / 2;
  const across = um(Math.max(sheet.printer.mayLose, nearest(width * share)));
  const down = um(Math.max(sheet.printer.mayLose, nearest(height * share)));
  return { top: down, right: across, bottom: down, left: across };
}

const NOTHING: CellPlan["styled"] = [];

function cellPlans(
  job: Job,
  photos: Photos,
  standing: readonly Standing[],
  edges: SheetEdges,
  { all, graphics, sources }: WornBy,
  { number, of }: { number: number; of: number },
): CellPlan[] {
  const pictureOf = pictures(job, photos);
  const follows = kindOf(job).followsStash(job);
  const byHand = standing.some(({ place }) => place !== null);
  const rects = byHand ? standing.filter(({ place }) => !place?.angle).map(({ finished }) => finished) : [];
  const plans = standing.map((cell, i): CellPlan & { order: number } => {
    const { key, shot, finished, turn, place } = cell;
    const own = shotByNumber(job, shot);
    const photo = own.photo ?? cell.photo;
    const toCover = coverOf(finished, job, edges);
    const apart = byHand ? { neighbours: place?.angle ? [] : rects } : { gap: job.ticket.gap };
    const image = imageOf(finished, toCover, edges, standing.length === 1 ? { neighbours: [] } : apart);
    const ownStyle = job.cells[key]?.style;
    const style = styleOfCell(all, ownStyle);
    const frame = framed({ finished, cover: toCover, image, turn }, style);
    const { opening, cover } = frame;
    const shown = pictureOf(shot, photo, { finished, opening, cover, turn });
    const source = () => sources.ofPhoto(photo, number, of, cell.frame);
    return {
      key,
      number: i + 1,
      shot,
      finished,
      ...frame,
      angle: place?.angle ?? 0,
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
        cell.otherShot ||
        isByHand(shown.sits, shown.computed) ||
        (follows && own.photo !== null && own.photo !== cell.photo),
      placed: place !== null,
      locked: place?.locked ?? false,
      order: place?.order ?? 0,
    };
  });
  return plans.sort((a, b) => a.order - b.order).map(({ order: _order, ...plan }) => plan);
}
