import {
  byCounts,
  filled,
  fitTree,
  nothingCropped,
  readTree,
  writeTree,
  type WholeQuestion,
} from "../../collage/index.ts";
import { grown, type Rect, type Size } from "../../geometry/index.ts";
import { LIMITS, shotByNumber, type Job } from "../../job/index.ts";
import { um } from "../../length/index.ts";
import type { Photos } from "../../plan/index.ts";
import { remembered } from "../../remembered.ts";
import { layoutArea, waysToLie } from "../area.ts";
import type { LaidCell, LaidSheet, Layout } from "../layout.ts";
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
  const ids = job.stash.map(({ id }) => id);
  const proportions = proportionsOf(job, ticket, photos);
  const ways = waysToLie(job.sheet, job.sheet.paper).flatMap((lying) => {
    const area = grown(layoutArea(job.sheet, lying), -ticket.border);
    const divided = area.width > 0 && area.height > 0 ? divide(ticket, job, area, proportions) : null;
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
  const counted = ticket.way === "counts" || ticket.way === "grid";
  const count = counted && ticket.sheets === "all" ? Math.max(1, Math.ceil(ids.length / cells.length)) : 1;
  const sheet = (index: number): LaidSheet => ({
    paper: job.sheet.paper,
    lying: way.lying,
    cells: cells.map((cell, i): LaidCell => {
      const shot = index * cells.length + i + 1;
      const finished = { ...cell, x: um(way.area.x + cell.x), y: um(way.area.y + cell.y) };
      return { key: String(shot), shot, finished, turn: 0, photo: ids[shot - 1] ?? null };
    }),
  });
  const grid = ticket.way === "grid";
  return {
    sheets: Array.from({ length: count }, (_, index) => sheet(index)),
    sums: {
      columns: grid ? ticket.columns : 0,
      rows: grid ? ticket.rows : 0,
      perSheet: cells.length,
      pieces: cells.length * count,
      mostPerSheet: cells.length,
      crop,
      arrangement,
    },
  };
}

/** Width over height of the photo in each cell, in the order of shots. */
function proportionsOf(job: Job, { way }: CollageTicket, photos: Photos): number[] {
  const follows = way === "whole" || way === "lines";
  const count = follows ? job.stash.length || PLACEHOLDERS : job.stash.length;
  return Array.from({ length: count }, (_, i) => {
    const id = shotByNumber(job, i + 1).photo ?? job.stash[i]?.id;
    const facts = id === undefined ? undefined : photos[id];
    return facts ? facts.width / facts.height : COMMON_PROPORTION;
  });
}

function divide(ticket: CollageTicket, job: Job, area: Size, proportions: readonly number[]): Divided | null {
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
      const weights = job.stash.length > 0 ? job.stash.map(({ id }) => ticket.weights[id] ?? 1) : undefined;
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
