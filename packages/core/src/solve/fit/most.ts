import { onItsSide, type Rect, type Size } from "../../base/geometry/index.ts";
import { um, type Um } from "../../base/length/index.ts";
import { countOf, gridBlock, type Block, type Grown } from "./blocks.ts";
import { mostByBounds } from "./bounds.ts";
import { pinwheel } from "./pinwheel.ts";
import { StraightTable } from "./straight.ts";

/** How pieces may be set: freed by edge-to-edge cuts of a trimmer, or anyhow. */
export type Cuts = "straight" | "any";

/** Identical pieces, each upright or turned as that helps, on the area inside a sheet's margins. */
export interface MostQuestion {
  piece: Size;
  area: Size;
  gap: Um;
  cuts: Cuts;
}

/** Where one piece lies, from the upper left corner of the area. */
export interface MostPlace extends Rect {
  turned: boolean;
}

export interface Most {
  count: number;
  places: MostPlace[];
  /** Whether no layout of this mode can hold more. */
  proved: boolean;
  /** No layout of any mode holds more than this. */
  bound: number;
}

/**
 * The most cells of one size on one sheet: a plain grid, a turned grid, or blocks of both. For straight cuts it is
 * exact, by dynamic programming over normal positions; for any cuts the five-block recursion, exact where a bound is
 * met. A plain grid is given wherever it holds as many.
 *
 *     mostOf({ piece: 5 × 3, area: 13 × 11, gap: 0, cuts: "any" })   // 9; plain grids hold 6 and 6
 */
export function mostOf({ piece, area, gap, cuts }: MostQuestion): Most {
  const grown: Grown = {
    piece: { width: um(piece.width + gap), height: um(piece.height + gap) },
    sheet: { width: um(area.width + gap), height: um(area.height + gap) },
  };
  const { blocks, proved, bound } = solve(grown, cuts);
  const places = blocks.flatMap((block) => placesOf(block, grown.piece, piece));
  return { count: places.length, places, proved, bound };
}

function solve({ piece, sheet }: Grown, cuts: Cuts) {
  if (sheet.width <= 0 || sheet.height <= 0) return { blocks: [], proved: true, bound: 0 };
  const grid = gridBlock(piece, 0, 0, sheet.width, sheet.height);
  const count = grid.columns * grid.rows;
  const table = count > 0 || fitsOne(piece, sheet) ? StraightTable.of({ piece, sheet }) : null;
  if (!table) {
    const bound = mostByBounds(piece, sheet);
    const blocks = count === 0 ? [] : twoBlocks({ piece, sheet });
    return { blocks, proved: countOf(blocks) === bound || count === 0, bound };
  }
  const [i, j] = [table.xs.length - 1, table.ys.length - 1];
  const bound = table.bounds.at(-1)!;
  if (count === bound) return { blocks: [grid], proved: true, bound };
  const straight = table.counts.at(-1)!;
  const found =
    cuts === "any" && straight < bound
      ? pinwheel(table)
      : { blocks: table.blocks(i, j), proved: cuts === "straight" || straight === bound };
  return { ...found, blocks: countOf(found.blocks) > count ? found.blocks : [grid], bound };
}

const fitsOne = (piece: Size, sheet: Size): boolean =>
  Math.max(piece.width, piece.height) <= Math.max(sheet.width, sheet.height) &&
  Math.min(piece.width, piece.height) <= Math.min(sheet.width, sheet.height);

/** The best pair of plain grids with one cut between them: for sheets with thousands of pieces. */
function twoBlocks({ piece, sheet }: Grown): Block[] {
  let best = [gridBlock(piece, 0, 0, sheet.width, sheet.height)];
  const offer = (blocks: Block[]) => {
    if (countOf(blocks) > countOf(best)) best = blocks;
  };
  for (const step of [piece.width, piece.height]) {
    for (let x: number = step; x < sheet.width; x += step) {
      offer([gridBlock(piece, 0, 0, x, sheet.height), gridBlock(piece, x, 0, sheet.width - x, sheet.height)]);
    }
    for (let y: number = step; y < sheet.height; y += step) {
      offer([gridBlock(piece, 0, 0, sheet.width, y), gridBlock(piece, 0, y, sheet.width, sheet.height - y)]);
    }
  }
  return best;
}

function placesOf({ x, y, columns, rows, turned }: Block, grown: Size, piece: Size): MostPlace[] {
  const step = turned ? onItsSide(grown) : grown;
  const size = turned ? onItsSide(piece) : piece;
  return Array.from({ length: columns * rows }, (_, n) => ({
    x: um(x + (n % columns) * step.width),
    y: um(y + Math.floor(n / columns) * step.height),
    ...size,
    turned,
  }));
}
