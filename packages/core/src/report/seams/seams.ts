import { contrast } from "../../base/contrast.ts";
import { contains, overlap, type Rect } from "../../base/geometry/index.ts";
import { um, type Um } from "../../base/length/index.ts";
import { headsIn, pagesOnSheets, type Job } from "../../job/index.ts";
import { darkAndLight, partUnder } from "../../photo/light/index.ts";
import type { Photos } from "../../photo/record/index.ts";
import { headsOn, type SheetPlan } from "../../plan/index.ts";
import { tilingsOfPage } from "../../solve/slots/index.ts";
import { piecesOf } from "../../solve/panels/index.ts";
import {
  bestShift,
  seamCost,
  shiftWithin,
  type Matters,
  type SeamCost,
  type Tiling,
} from "../../solve/tiles/index.ts";

/** How the seams of one direction fall, and how they would fall best. */
export interface SeamsAlong {
  /** Where they fall now, in µm from the finished edge of the page. */
  seams: Um[];
  cost: SeamCost;
  /** The shift that harms least, as the job keeps it, and what is left then. */
  best: { shift: Um; cost: SeamCost };
  shifts: Tiling["shifts"]["across"];
}

/** The seams of a page that is spread, or of one of its panels. */
export interface Seams {
  page: SheetPlan;
  tiling: Tiling;
  /** Whether the page hangs in one piece, so that its seams can be moved without a thought to others. */
  isAll: boolean;
  across: SeamsAlong;
  down: SeamsAlong;
}

/** The seams of every page that is spread over several sheets. */
export function seamsOf(job: Job, photos: Photos, pages: readonly SheetPlan[]): Seams[] {
  if (job.impose.way !== "tiles") return [];
  const sheets = pagesOnSheets(
    job,
    pages.map(({ trim }) => trim),
  );
  return pages.flatMap((page, index): Seams[] => {
    const tilings = tilingsOfPage(sheets, index);
    if (tilings.length === 0) return [];
    const { across, down } = mattersOn(job, photos, page);
    const { shift } = job.impose.tiles;
    return tilings.map((tiling): Seams => {
      const xs = tiling.tiles
        .filter(({ row, column }) => row === 0 && column > 0)
        .map(({ shows }) => shows.x);
      const ys = tiling.tiles
        .filter(({ row, column }) => column === 0 && row > 0)
        .map(({ shows }) => shows.y);
      return {
        page,
        tiling,
        isAll: tilings.length === 1,
        across: along(xs, tiling.shifts.across, shift.across, across),
        down: along(ys, tiling.shifts.down, shift.down, down),
      };
    });
  });
}

/** How many heads of a page are not wholly on one of its panels: a gap or an edge goes through them. */
export function headsBetween(job: Job, photos: Photos, page: SheetPlan): number {
  const { panels } = job.impose;
  const pieces = panels && piecesOf(page.trim, panels);
  if (!pieces) return 0;
  const faces = pieces.map(({ face }): Rect => ({
    ...face,
    x: um(face.x + page.trim.x),
    y: um(face.y + page.trim.y),
  }));
  const onPage = headBoxes(job, photos, page).flatMap((box) => overlap(box, page.trim) ?? []);
  return onPage.filter((box) => !faces.some((face) => contains(face, box))).length;
}

function along(seams: Um[], shifts: Tiling["shifts"]["across"], asked: number, matters: Matters): SeamsAlong {
  const shift = shiftWithin(shifts, asked);
  const unmoved = seams.map((seam) => um(seam + shift));
  const { shift: best, cost } = bestShift(unmoved, shifts, matters);
  return { seams, cost: seamCost(seams, matters), best: { shift: um(best), cost }, shifts };
}

/** The heads on a page, as far as they are seen. */
const headBoxes = (job: Job, photos: Photos, { cells }: SheetPlan): Rect[] =>
  cells.flatMap((cell) => {
    const facts = cell.photo === null ? undefined : photos[cell.photo];
    if (!cell.picture || !facts || cell.photo === null) return [];
    const heads = headsIn(job, photos, cell.photo);
    return headsOn(cell, heads, facts, cell.sits).flatMap((box) => overlap(box, cell.image) ?? []);
  });

/** What seams of a page are kept away from: the heads on it, their eyes, and places where its photos are busy. */
function mattersOn(job: Job, photos: Photos, page: SheetPlan): { across: Matters; down: Matters } {
  const { cells, trim } = page;
  const seen = cells.flatMap((cell) => {
    const facts = cell.photo === null ? undefined : photos[cell.photo];
    return cell.picture && facts ? [{ cell, picture: cell.picture, light: facts.light }] : [];
  });
  const boxes = headBoxes(job, photos, page);
  const busyIn = (line: Rect): number => {
    const parts = seen.flatMap(({ cell, picture, light }) => {
      const here = overlap(line, cell.image);
      if (!here || !light) return [];
      return darkAndLight(light, partUnder(here, picture, cell)).map(
        ([darkest, lightest]) => Math.log(contrast(lightest, darkest)) / Math.log(MOST_CONTRAST),
      );
    });
    return parts.length === 0 ? 0 : parts.reduce((sum, one) => sum + one, 0) / parts.length;
  };
  const at = (x: number, y: number, width: number, height: number): Rect => ({
    x: um(Math.round(x)),
    y: um(Math.round(y)),
    width: um(width),
    height: um(height),
  });
  return {
    across: {
      heads: boxes.map((box) => [box.x - trim.x, box.x + box.width - trim.x]),
      eyes: [],
      busy: (x) => busyIn(at(trim.x + x, trim.y, 1, trim.height)),
    },
    down: {
      heads: boxes.map((box) => [box.y - trim.y, box.y + box.height - trim.y]),
      // Eyes lie half-way down a head (the proportion that portrait rules rest on).
      eyes: boxes.map((box) => box.y + box.height / 2 - trim.y),
      busy: (y) => busyIn(at(trim.x, trim.y + y, trim.width, 1)),
    },
  };
}

/** That of white and black (WCAG 2.2). */
const MOST_CONTRAST = 21;
