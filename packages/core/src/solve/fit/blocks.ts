import type { Size } from "../../base/geometry/index.ts";

/** A block of equal pieces in a plain grid: where it begins, how many across and down, and how they lie. */
export interface Block {
  x: number;
  y: number;
  columns: number;
  rows: number;
  turned: boolean;
}

/** Pieces of which every side is grown by the gap, on a sheet grown likewise: then no gap has to be thought of. */
export interface Grown {
  piece: Size;
  sheet: Size;
}

export const countOf = (blocks: readonly Block[]): number =>
  blocks.reduce((sum, { columns, rows }) => sum + columns * rows, 0);

/** The better of the two plain grids on a part of the sheet; upright when both are as good. */
export function gridBlock(piece: Size, x: number, y: number, width: number, height: number): Block {
  const upright = {
    x,
    y,
    columns: Math.floor(width / piece.width),
    rows: Math.floor(height / piece.height),
    turned: false,
  };
  const turned = {
    x,
    y,
    columns: Math.floor(width / piece.height),
    rows: Math.floor(height / piece.width),
    turned: true,
  };
  return turned.columns * turned.rows > upright.columns * upright.rows ? turned : upright;
}
