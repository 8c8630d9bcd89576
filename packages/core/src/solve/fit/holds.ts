import { onItsSide, type Size } from "../../base/geometry/index.ts";
import { um } from "../../base/length/index.ts";
import { remembered } from "../../base/remembered.ts";
import { fitGrid, type GridFit } from "./fit.ts";
import { mostOf, type MostPlace, type MostQuestion } from "./most.ts";

/** What an area holds of pieces of one size. */
export interface Holds {
  grid: GridFit;
  /** Pieces of a layout of blocks that holds more than any grid; null where there is none, or none was looked for. */
  blocks: MostPlace[] | null;
  count: number;
  /** Whether more are proved impossible; undefined where that is no question. */
  proved: boolean | undefined;
}

const most = remembered((question: MostQuestion) => mostOf(question));

/**
 * How many pieces an area holds: upright, all of them turned where that holds more, or each by itself. Blocks are looked
 * for only while a grid holds fewer than `upTo`: among more it takes too long, and gains next to nothing.
 */
export function holdsOf(question: MostQuestion, turn: "never" | "all" | "each", upTo: number): Holds {
  const grid = fitGrid(question, turn === "never" ? "upright" : "better");
  if (turn !== "each" || grid.count >= upTo)
    return { grid, blocks: null, count: grid.count, proved: undefined };
  const found = most(question);
  const gains = found.count > grid.count;
  return {
    grid,
    blocks: gains ? found.places : null,
    count: gains ? found.count : grid.count,
    proved: found.proved,
  };
}

/** The pieces of a grid from the corner of their block, row by row. */
export function gridPlaces(
  piece: Size,
  gap: number,
  { columns, rows, turned }: Pick<GridFit, "columns" | "rows" | "turned">,
): MostPlace[] {
  const { width, height } = turned ? onItsSide(piece) : piece;
  return Array.from({ length: columns * rows }, (_, n) => ({
    x: um((n % columns) * (width + gap)),
    y: um(Math.floor(n / columns) * (height + gap)),
    width,
    height,
    turned,
  }));
}
