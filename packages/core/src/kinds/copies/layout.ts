import { inside, onItsSide, type Rect, type Size } from "../../geometry/index.ts";
import { blockFor, fitGrid, type GridFit } from "../../fit/index.ts";
import { nearest, um } from "../../length/index.ts";
import type { Job } from "../../job/index.ts";

/** A job's pieces, counted and set out, before any photo is looked at. */
export interface CopiesLayout {
  /** The paper as it lies. */
  paper: Size;
  fit: GridFit;
  /** Columns and rows of the block that is really used. */
  block: { columns: number; rows: number };
  pieces: number;
  sheets: number;
}

/** Decides how the paper lies, how many pieces stand on a sheet, and how many sheets it takes. */
export function layOutCopies({ ticket, sheet }: Job): CopiesLayout {
  const upright: Size = { width: sheet.paper.width, height: sheet.paper.height };
  const lying = onItsSide(upright);
  const fitOn = (paper: Size) =>
    fitGrid(
      { piece: ticket.size, paper, margins: sheet.margins, gap: ticket.gap },
      ticket.turnPieces ? "better" : "upright",
    );
  const papers = sheet.lie === "most" ? [upright, lying] : [sheet.lie === "portrait" ? upright : lying];
  const ways = papers.map((paper) => ({ paper, fit: fitOn(paper) }));
  // The first of equals: upright paper with upright pieces, so that nothing is turned for no gain.
  const { paper, fit } = ways.reduce((best, way) => (way.fit.count > best.fit.count ? way : best));
  const pieces = ticket.copies === "fit" ? fit.count : ticket.copies;
  const sheets = fit.count === 0 ? 0 : Math.ceil(pieces / fit.count);
  // Several sheets share one grid, so that the stops of the trimmer are the same for all.
  const block = sheets > 1 ? { columns: fit.columns, rows: fit.rows } : blockFor(pieces, fit);
  return { paper, fit, block, pieces, sheets };
}

/**
 * The finished rectangles of a sheet's block, row by row.
 *
 *     margin │ left over │ piece │ gap │ piece │ left over │ margin       left over halved when centred
 */
export function placesOf(job: Job, { paper, fit, block }: CopiesLayout): Rect[] {
  const { ticket, sheet } = job;
  const piece = fit.turned ? onItsSide(ticket.size) : ticket.size;
  const area = inside(paper, sheet.margins);
  const blockWidth = block.columns * piece.width + (block.columns - 1) * ticket.gap;
  const blockHeight = block.rows * piece.height + (block.rows - 1) * ticket.gap;
  const left = area.x + (ticket.place === "top left" ? 0 : nearest((area.width - blockWidth) / 2));
  const top = area.y + (ticket.place === "centred" ? nearest((area.height - blockHeight) / 2) : 0);
  const places: Rect[] = [];
  for (let row = 0; row < block.rows; row++) {
    for (let column = 0; column < block.columns; column++) {
      places.push({
        x: um(left + column * (piece.width + ticket.gap)),
        y: um(top + row * (piece.height + ticket.gap)),
        width: piece.width,
        height: piece.height,
      });
    }
  }
  return places;
}
