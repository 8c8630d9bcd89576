import { grown, waysToLie, type Rect, type Size } from "../../base/geometry/index.ts";
import { um } from "../../base/length/index.ts";
import { remembered } from "../../base/remembered.ts";
import { layoutArea, type Job } from "../../job/index.ts";
import type { Photos } from "../../photo/record/index.ts";
import { LIMITS, numberedSheet, photoCell, photoNumber } from "../../schema/index.ts";
import {
  byCounts,
  filled,
  fitTree,
  nothingCropped,
  readTree,
  writeTree,
  type WholeQuestion,
} from "../../solve/collage/index.ts";
import { isOut, photoFlow, waitingSlot, type Flowing } from "../flow.ts";
import type { LaidCell, Layout } from "../layout.ts";
import { photosInPlaces } from "../places.ts";
import type { TicketOf } from "../tickets.ts";

type CollageTicket = TicketOf<"collage">;

/** Cells that are shown while there are no photos yet, and the proportion they are given. */
const PLACEHOLDERS = 6;
const COMMON_PROPORTION = 1.5;

const search = remembered((question: WholeQuestion & { proposal: number }) =>
  nothingCropped(question, question.proposal),
);

/** Cells from the corner of their area, what fitting them crops, and how a tree divides them. */
interface Divided {
  cells: Rect[];
  crop?: number;
  arrangement?: string;
}

/** Photos that fill a finished rectangle: nothing cropped, in filled rows, by counts, or as a grid. */
export function layOutCollage(job: Job, ticket: CollageTicket, photos: Photos): Layout {
  const counted = ticket.way === "counts" || ticket.way === "grid";
  const coming = photoFlow(job).all.filter(({ ref }) => !isOut(job, ref));
  const proportions = proportionsOf(coming, counted, photos);
  const ways = waysToLie(job.sheet, job.sheet.paper).flatMap((lying) => {
    const area = grown(layoutArea(job.sheet, lying), -ticket.border);
    const divided = area.width > 0 && area.height > 0 ? divide(ticket, coming, area, proportions) : null;
    return divided && smallest(divided.cells) >= LIMITS.piece.least ? [{ lying, area, divided }] : [];
  });
  const way = ways.reduce<(typeof ways)[number] | undefined>(
    (best, other) =>
      best && loss(best.divided, proportions) <= loss(other.divided, proportions) ? best : other,
    undefined,
  );
  if (!way) {
    return {
      sheets: [],
      sums: { columns: 0, rows: 0, perSheet: 0, pieces: proportions.length, mostPerSheet: 0 },
    };
  }
  const { cells, crop, arrangement } = way.divided;
  const rects = cells.map((cell) => ({ ...cell, x: um(way.area.x + cell.x), y: um(way.area.y + cell.y) }));
  const laid = counted
    ? photosInPlaces(
        job,
        ticket.sheets,
        coming,
        rects.map((finished) => ({ finished })),
      )
    : [oneEach(job, coming, rects)];
  const grid = ticket.way === "grid";
  return {
    // A sheet whose places were all taken out is none.
    sheets: laid.flatMap((on, index) =>
      on.length === 0 && laid.length > 1
        ? []
        : [{ name: numberedSheet(index + 1), paper: job.sheet.paper, lying: way.lying, cells: on }],
    ),
    sums: {
      columns: grid ? ticket.columns : 0,
      rows: grid ? ticket.rows : 0,
      perSheet: cells.length,
      pieces: cells.length * laid.length,
      mostPerSheet: cells.length,
      crop,
      arrangement,
    },
  };
}

/** Cells that are made for their photos. */
const oneEach = ({ numbered }: Job, coming: readonly Flowing[], rects: readonly Rect[]): LaidCell[] =>
  rects.map((finished, i): LaidCell => {
    const { slot, shot, of, photo } = coming[i] ?? waitingSlot(numbered + i + 1);
    return { key: photoCell(photoNumber(slot)!), slot, shot, of, photo, finished, turn: 0 };
  });

/** Width over height of the photo in each cell, in the order in which they come. */
function proportionsOf(coming: readonly Flowing[], counted: boolean, photos: Photos): number[] {
  if (coming.length === 0)
    return counted ? [] : Array.from({ length: PLACEHOLDERS }, () => COMMON_PROPORTION);
  return coming.map(({ photo }) => {
    const facts = photo === null ? undefined : photos[photo];
    return facts ? facts.width / facts.height : COMMON_PROPORTION;
  });
}

function divide(
  ticket: CollageTicket,
  coming: readonly Flowing[],
  area: Size,
  proportions: readonly number[],
): Divided | null {
  const { gap, along } = ticket;
  const room: Size = { width: area.width, height: area.height };
  switch (ticket.way) {
    case "whole": {
      const kept = ticket.arrangement === null ? null : readTree(ticket.arrangement, proportions.length);
      if (kept !== null) {
        const fitted = fitTree(kept, proportions, room, gap);
        return fitted && { ...fitted, arrangement: ticket.arrangement! };
      }
      if (proportions.length > LIMITS.wholeCollage) return null;
      const weights = coming.length > 0 ? coming.map(({ ref }) => ticket.weights[ref.id] ?? 1) : undefined;
      const found = search({ area: room, gap, proportions, weights, proposal: ticket.proposal });
      return found && { cells: found.cells, crop: found.crop, arrangement: writeTree(found.tree) };
    }
    case "lines":
      return filled({ area: room, gap, proportions, along, strips: ticket.lines });
    case "counts": {
      const cells = byCounts(room, ticket.counts, gap, along);
      return cells && { cells };
    }
    case "grid": {
      const cells = byCounts(
        room,
        Array.from({ length: ticket.rows }, () => ticket.columns),
        gap,
        "rows",
      );
      return cells && { cells };
    }
  }
}

const smallest = (cells: readonly Rect[]): number =>
  Math.min(...cells.map(({ width, height }) => Math.min(width, height)));

/** What the cells crop of the photos in their order, one with another: how the better way to lay the paper is told. */
function loss({ cells, crop }: Divided, proportions: readonly number[]): number {
  if (crop !== undefined) return crop;
  const each = cells.map(({ width, height }, i) => {
    const stretched = width / height / (proportions[i] ?? COMMON_PROPORTION);
    return 1 - Math.min(stretched, 1 / stretched);
  });
  return each.reduce((sum, one) => sum + one, 0) / each.length;
}
