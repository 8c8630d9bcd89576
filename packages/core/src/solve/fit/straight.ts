import type { Size } from "../../base/geometry/index.ts";
import { gridBlock, type Block, type Grown } from "./blocks.ts";
import { mostByBounds } from "./bounds.ts";
import { normalPositions, restTable } from "./positions.ts";

/** Positions along a side, and additions in all, beyond which the exact computation would take too long. */
const MOST_POSITIONS = 500;
const MOST_SUMS = 2e7;

/**
 * The most pieces by straight cuts for every part of the sheet that begins in a corner and ends at normal positions.
 *
 *     ┌───────┬──────────┐
 *     │ best  │  best of │     F(X, Y) = max over a of F(a, Y) + F(X − a, Y), over b of F(X, b) + F(X, Y − b),
 *     │ of a  │  X − a   │     and the two plain grids; exact for guillotine cuts (Gilmore and Gomory 1966)
 *     └───────┴──────────┘
 */
export class StraightTable {
  /** By index of their positions, at i · ys.length + j: the most by straight cuts on the part up to there. */
  readonly counts: Int32Array;
  /** Likewise, what no packing of that part can exceed. */
  readonly bounds: Int32Array;
  /** Index of the last position that is at most position i less position a, at i · length + a. */
  readonly restX: Int16Array;
  readonly restY: Int16Array;

  private constructor(
    readonly piece: Size,
    readonly xs: readonly number[],
    readonly ys: readonly number[],
  ) {
    this.counts = new Int32Array(xs.length * ys.length);
    this.bounds = new Int32Array(xs.length * ys.length);
    this.restX = restTable(xs);
    this.restY = restTable(ys);
    this.fill();
  }

  /** Null when the sheet has too many positions to be computed exactly in good time. */
  static of({ piece, sheet }: Grown): StraightTable | null {
    const xs = normalPositions(sheet.width, piece.width, piece.height, MOST_POSITIONS);
    const ys = normalPositions(sheet.height, piece.width, piece.height, MOST_POSITIONS);
    if (!xs || !ys || (xs.length * ys.length * (xs.length + ys.length)) / 4 > MOST_SUMS) return null;
    return new StraightTable(piece, xs, ys);
  }

  private fill(): void {
    const { xs, ys } = this;
    for (let i = 1; i < xs.length; i++) {
      for (let j = 1; j < ys.length; j++) {
        const at = i * ys.length + j;
        this.bounds[at] = mostByBounds(this.piece, { width: xs[i]!, height: ys[j]! } as Size);
        this.counts[at] = this.best(i, j, this.bounds[at]).count;
      }
    }
  }

  /** The best cut of a part: along x or y at a position, or none where a plain grid does as well. */
  private best(i: number, j: number, enough: number): { count: number; x?: number; y?: number } {
    const { xs, ys, counts, restX, restY } = this;
    const n = ys.length;
    const block = gridBlock(this.piece, 0, 0, xs[i]!, ys[j]!);
    let best: { count: number; x?: number; y?: number } = { count: block.columns * block.rows };
    for (let a = 1; a <= i && xs[a]! * 2 <= xs[i]! && best.count < enough; a++) {
      const count = counts[a * n + j]! + counts[restX[i * xs.length + a]! * n + j]!;
      if (count > best.count) best = { count, x: a };
    }
    for (let b = 1; b <= j && ys[b]! * 2 <= ys[j]! && best.count < enough; b++) {
      const count = counts[i * n + b]! + counts[i * n + restY[j * n + b]!]!;
      if (count > best.count) best = { count, y: b };
    }
    return best;
  }

  /** The blocks of the best layout of a part that begins at (x, y). */
  blocks(i: number, j: number, x = 0, y = 0): Block[] {
    const { xs, ys, restX, restY } = this;
    const best = this.best(i, j, this.bounds[i * ys.length + j]!);
    if (best.count === 0) return [];
    if (best.x !== undefined) {
      const rest = restX[i * xs.length + best.x]!;
      return [...this.blocks(best.x, j, x, y), ...this.blocks(rest, j, x + xs[best.x]!, y)];
    }
    if (best.y !== undefined) {
      const rest = restY[j * ys.length + best.y]!;
      return [...this.blocks(i, best.y, x, y), ...this.blocks(i, rest, x, y + ys[best.y]!)];
    }
    return [gridBlock(this.piece, x, y, xs[i]!, ys[j]!)];
  }
}
