import type { Rect, Size } from "../../base/geometry/index.ts";
import { cellsOfStrips, type Along, type Strip } from "./lines.ts";

/** Photos in rows of one height, or columns of one width, each filled from end to end. */
export interface FilledQuestion {
  area: Size;
  gap: number;
  /** Width over height of each photo, in order. */
  proportions: readonly number[];
  along: Along;
  /** How many rows or columns; null for as many as crop least. */
  strips: number | null;
}

export interface Filled {
  cells: Rect[];
  strips: number;
  /** The largest share that is cropped of any photo, 0…1. */
  crop: number;
}

/**
 * Photos in their order over strips of equal height, those of one strip as wide as their proportions have it and then
 * all stretched by one factor t, so that each strip is filled:
 *
 *     t = (W − gaps) / (h · Σ proportions)      cropped of each: 1 − min(t, 1/t)
 *
 * The strips are broken where the worst crop is least, by dynamic programming over all breaks.
 */
export function filled({ area, gap, proportions, along, strips }: FilledQuestion): Filled | null {
  const rows = along === "rows";
  const long = rows ? area.width : area.height;
  const thick = rows ? area.height : area.width;
  const lengths = rows ? proportions : proportions.map((p) => 1 / p);
  const counts = strips === null ? lengths.map((_, i) => i + 1) : [Math.min(strips, lengths.length)];
  let best: { crop: number; breaks: number[] } | null = null;
  for (const count of counts) {
    const height = (thick - gap * (count - 1)) / count;
    if (height <= 0) break;
    const found = leastCrop(lengths, count, (sum, pieces) => {
      const room = long - gap * (pieces - 1);
      const t = room / (height * sum);
      return room <= 0 ? Infinity : 1 - Math.min(t, 1 / t);
    });
    if (!best || found.crop < best.crop - 1e-12) best = found;
  }
  if (!best) return null;
  const layout = best.breaks.map((from, i): Strip => ({
    share: 1,
    shares: lengths.slice(from, best.breaks[i + 1]),
  }));
  const cells = cellsOfStrips(area, layout, gap, along);
  return cells && { cells, strips: layout.length, crop: best.crop };
}

/** The breaks of a sequence into strips such that the worst strip crops least. */
function leastCrop(
  lengths: readonly number[],
  strips: number,
  cropOf: (sum: number, pieces: number) => number,
): { crop: number; breaks: number[] } {
  const n = lengths.length;
  const sums = [0];
  for (const length of lengths) sums.push(sums.at(-1)! + length);
  // worst[k][i]: the least worst crop of the first i in k strips, and where the last of them begins.
  let worst = new Array<number>(n + 1).fill(Infinity);
  worst[0] = 0;
  const begins: number[][] = [];
  for (let k = 1; k <= strips; k++) {
    const next = new Array<number>(n + 1).fill(Infinity);
    const begin = new Array<number>(n + 1).fill(k - 1);
    for (let i = k; i <= n; i++) {
      for (let from = k - 1; from < i; from++) {
        if (worst[from]! >= next[i]!) continue;
        const crop = Math.max(worst[from]!, cropOf(sums[i]! - sums[from]!, i - from));
        if (crop < next[i]!) [next[i], begin[i]] = [crop, from];
      }
    }
    worst = next;
    begins.push(begin);
  }
  const breaks: number[] = [];
  for (let k = strips, end = n; k >= 1; k--) {
    end = begins[k - 1]![end]!;
    breaks.unshift(end);
  }
  return { crop: worst[n]!, breaks };
}
