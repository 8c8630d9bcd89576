import type { Alpha, Runs } from "./runs.ts";

/** A point of an artwork, in pixels from its upper left corner. */
export type Point = readonly [x: number, y: number];

/** A part that is transparent: how many pixels it has, where it lies, and the points of its edge. */
export interface Part {
  area: number;
  left: number;
  top: number;
  right: number;
  bottom: number;
  /** Where the edge crosses between two pixels, as exactly as their alpha says: x and y in turns. */
  edge: number[];
}

/**
 * The parts that are at least so large both ways, with their edges. Between a transparent and an opaque pixel the edge lies
 * where alpha, taken to change evenly from the middle of one to the middle of the other, comes to the threshold.
 */
export function partsOf(alpha: Alpha, threshold: number, runs: Runs, least: number, most: number): Part[] {
  const parts = sized(runs, least, most);
  if (parts.size === 0) return [];
  const { data, width, height } = alpha;
  const { rows, from, to, part } = runs;
  const between = (outside: number, inside: number): number => {
    const [a, b] = [data[outside]!, data[inside]!];
    return a === b ? 0.5 : (a - threshold + 0.5) / (a - b);
  };
  for (let y = 0; y < height; y++) {
    for (let run = rows[y]!; run < rows[y + 1]!; run++) {
      const own = parts.get(part[run]!);
      if (!own) continue;
      const [first, after, row] = [from[run]!, to[run]!, y * width];
      const left = first === 0 ? 0 : first - 0.5 + between(row + first - 1, row + first);
      const right = after === width ? width : after + 0.5 - between(row + after, row + after - 1);
      own.edge.push(left, y + 0.5, right, y + 0.5);
      uncovered(runs, y - 1, first, after, (x) => {
        own.edge.push(x + 0.5, y === 0 ? 0 : y - 0.5 + between(row - width + x, row + x));
      });
      uncovered(runs, y + 1, first, after, (x) => {
        own.edge.push(x + 0.5, y === height - 1 ? height : y + 1.5 - between(row + width + x, row + x));
      });
    }
  }
  return [...parts.values()];
}

/** The parts by the run that they are named after, the largest so many of those that are large enough. */
function sized({ rows, from, to, part }: Runs, least: number, most: number): Map<number, Part> {
  const all = new Map<number, Part>();
  for (let y = 0; y < rows.length - 1; y++) {
    for (let run = rows[y]!; run < rows[y + 1]!; run++) {
      const name = part[run]!;
      const [left, right] = [from[run]!, to[run]!];
      const own = all.get(name);
      if (!own) {
        all.set(name, { area: right - left, left, top: y, right, bottom: y + 1, edge: [] });
        continue;
      }
      own.area += right - left;
      own.left = Math.min(own.left, left);
      own.right = Math.max(own.right, right);
      own.bottom = y + 1;
    }
  }
  const large = [...all].filter(
    ([, { left, top, right, bottom, area }]) =>
      right - left >= least && bottom - top >= least && area >= (least * least) / 2,
  );
  return new Map(large.sort(([, a], [, b]) => b.area - a.area).slice(0, most));
}

/** Tells each pixel of a stretch that has no transparent pixel beside it in another row. */
function uncovered(
  { rows, from, to }: Runs,
  row: number,
  first: number,
  after: number,
  tell: (x: number) => void,
): void {
  let x = first;
  if (row >= 0 && row < rows.length - 1) {
    for (let run = firstAfter(to, rows[row]!, rows[row + 1]!, first); run < rows[row + 1]!; run++) {
      if (from[run]! >= after) break;
      for (; x < from[run]!; x++) tell(x);
      x = Math.max(x, to[run]!);
    }
  }
  for (; x < after; x++) tell(x);
}

/** The first of the runs between two places that ends after a pixel (they are in order). */
function firstAfter(to: Int32Array, low: number, high: number, x: number): number {
  while (low < high) {
    const middle = (low + high) >> 1;
    if (to[middle]! <= x) low = middle + 1;
    else high = middle;
  }
  return low;
}
