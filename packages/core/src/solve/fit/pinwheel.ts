import { countOf, type Block } from "./blocks.ts";
import type { StraightTable } from "./straight.ts";

/** Pinwheels looked at before the search ends; about 10 to 30 ms. */
const MOST_LOOKS = 9e5;
/** What a pinwheel that is worth solving counts for against those that a bound rules out. */
const TRIAL = 120;
/** Pinwheels inside pinwheels. */
const DEPTH = 3;

/** A found layout of a part, and the number of its pieces. */
interface Found {
  count: number;
  blocks(x: number, y: number): Block[];
}

/**
 * The most pieces in any layout that divides into five blocks, each divided likewise (Morabito and Morales, "A simple
 * and effective recursive procedure for the manufacturer's pallet loading problem", JORS 49, 1998). Straight cuts are
 * the case where blocks are empty. `proved` when a bound is met or the whole search was made and nothing beyond it is
 * possible by the bound.
 *
 *        x1        x2
 *     ┌──────┬─────────────┐
 *     │  1   │      2      │ y1
 *     │      ├──────┬──────┤
 *     ├──────┤  3   │  5   │
 *  y2 │   4  └──────┤      │       1: x1 × y2      2: (W − x1) × y1     3: (x2 − x1) × (y2 − y1)
 *     └─────────────┴──────┘       4: x2 × (H − y2)                     5: (W − x2) × (H − y1)
 */
export function pinwheel(table: StraightTable): { blocks: Block[]; proved: boolean } {
  const { xs, ys, counts, bounds, restX, restY } = table;
  const [nx, ny] = [xs.length, ys.length];
  const known = new Map<number, Found>();
  let looks = 0;

  function solve(i: number, j: number, depth: number): Found {
    const bound = bounds[i * ny + j]!;
    let best: Found = { count: counts[i * ny + j]!, blocks: (x, y) => table.blocks(i, j, x, y) };
    if (best.count >= bound || depth === 0 || i === 0 || j === 0) return best;
    const name = (i * ny + j) * (DEPTH + 1) + depth;
    const before = known.get(name);
    if (before) return before;
    known.set(name, best);
    search: for (let a = 1; a < i; a++) {
      const restA = restX[i * nx + a]! * ny;
      for (let c = a; c < i; c++) {
        const midX = restX[c * nx + a]! * ny;
        const restC = restX[i * nx + c]! * ny;
        for (let b = 1; b < j; b++) {
          if (looks > MOST_LOOKS) break search;
          looks += j - b;
          const restB = restY[j * ny + b]!;
          const most25 = bounds[restA + b]! + bounds[restC + restB]!;
          for (let d = b; d < j; d++) {
            const restD = restY[j * ny + d]!;
            const midY = restY[d * ny + b]!;
            const most = most25 + bounds[a * ny + d]! + bounds[midX + midY]! + bounds[c * ny + restD]!;
            if (most <= best.count) continue;
            if ((looks += TRIAL) > MOST_LOOKS) break search;
            const parts = [
              solve(a, d, depth - 1),
              solve(restA / ny, b, depth - 1),
              solve(midX / ny, midY, depth - 1),
              solve(c, restD, depth - 1),
              solve(restC / ny, restB, depth - 1),
            ] as const;
            const count = parts.reduce((sum, part) => sum + part.count, 0);
            if (count <= best.count) continue;
            best = { count, blocks: joined(parts, xs[a]!, xs[c]!, ys[b]!, ys[d]!) };
            if (count >= bound) break search;
          }
        }
      }
    }
    known.set(name, best);
    return best;
  }

  const blocks = solve(nx - 1, ny - 1, DEPTH).blocks(0, 0);
  return { blocks, proved: countOf(blocks) >= bounds.at(-1)! };
}

const joined =
  (parts: readonly Found[], x1: number, x2: number, y1: number, y2: number) =>
  (x: number, y: number): Block[] => [
    ...parts[0]!.blocks(x, y),
    ...parts[1]!.blocks(x + x1, y),
    ...parts[2]!.blocks(x + x1, y + y1),
    ...parts[3]!.blocks(x, y + y2),
    ...parts[4]!.blocks(x + x2, y + y1),
  ];
