import { grown, onItsSide, overlap, type Rect } from "../../geometry/index.ts";
import { edgePx, um } from "../../length/index.ts";
import { cutMarks } from "../../marks/index.ts";
import { placePicture, turnedBy, type Picture } from "../../crop/index.ts";
import { isByHand, shotByNumber, shotOfCell, type Job } from "../../job/index.ts";
import { printableArea, type CellPlan, type Photos, type SheetPlan } from "../../plan/index.ts";
import { layOutCopies, placesOf, type CopiesLayout } from "./layout.ts";

/** Sheets of identical pieces. No sheet at all when not even one piece fits. */
export function arrangeCopies(job: Job, photos: Photos): SheetPlan[] {
  const layout = layOutCopies(job);
  const places = placesOf(job, layout);
  return Array.from({ length: layout.sheets }, (_, index) => sheetPlan(job, photos, layout, places, index));
}

function sheetPlan(job: Job, photos: Photos, layout: CopiesLayout, places: Rect[], index: number): SheetPlan {
  const { paper, fit, pieces, sheets } = layout;
  const { sheet, finish } = job;
  const before = index * fit.count;
  const here = places.slice(0, Math.min(places.length, pieces - before));
  const pictureOf = pictures(job, photos, fit.turned);
  const whole: Rect = { x: um(0), y: um(0), ...paper };
  const cells = here.map((finished, i): CellPlan => {
    const key = String(before + i + 1);
    const shot = shotOfCell(job, key);
    const { photo } = shotByNumber(job, shot);
    return {
      key,
      number: i + 1,
      shot,
      finished,
      image: imageRect(finished, whole, job),
      turn: fit.turned ? 90 : 0,
      photo,
      picture: pictureOf(shot, finished),
      outline: finish.outline,
      byHand: key in job.cells || isByHand(shotByNumber(job, shot)),
    };
  });
  return {
    number: index + 1,
    of: sheets,
    paper,
    printable: printableArea(job, paper),
    trim: whole,
    bleed: whole,
    ppi: sheet.ppi,
    pixels: { width: edgePx(paper.width, sheet.ppi), height: edgePx(paper.height, sheet.ppi) },
    cells,
    marks: cutMarks(paper, cells, finish.marks),
  };
}

/**
 * The finished size and its slack, cut back to the middle of the gap and to the paper, so that no piece is printed
 * over another. The photo itself is placed for the full slack: all pieces look the same.
 */
function imageRect(finished: Rect, paper: Rect, { finish, ticket }: Job): Rect {
  const slack = Math.min(finish.slack, Math.floor(ticket.gap / 2));
  return overlap(grown(finished, slack), paper) ?? finished;
}

/**
 * Places each shot's photo once, at the origin, and moves it to every cell: the cells of one shot are the same to
 * the micrometre wherever they lie.
 */
function pictures(job: Job, photos: Photos, turned: boolean) {
  const atOrigin = new Map<number, Picture | null>();
  const size = job.ticket.size;
  const finished: Rect = { x: um(0), y: um(0), ...size };
  const place = (number: number): Picture | null => {
    const shot = shotByNumber(job, number);
    const facts = shot.photo === null ? undefined : photos[shot.photo];
    if (!facts) return null;
    const picture = placePicture(facts, finished, grown(finished, job.finish.slack), shot);
    return turned ? onPieceSide(picture, size.height) : picture;
  };
  return (number: number, at: Rect): Picture | null => {
    let picture = atOrigin.get(number);
    if (picture === undefined) atOrigin.set(number, (picture = place(number)));
    if (!picture) return null;
    const { placed } = picture;
    return { ...picture, placed: { ...placed, x: um(placed.x + at.x), y: um(placed.y + at.y) } };
  };
}

/**
 * A picture in an upright piece of height h, after the whole piece is laid on its side, a quarter clockwise:
 * (x, y) goes to (h − y, x).
 */
function onPieceSide(picture: Picture, pieceHeight: number): Picture {
  const { placed } = picture;
  return {
    ...picture,
    turn: turnedBy(picture.turn, 90),
    placed: { x: um(pieceHeight - placed.y - placed.height), y: placed.x, ...onItsSide(placed) },
  };
}
