import type { SheetPixels } from "./canvas.ts";

/** Rows and columns that are looked at, about: a print of any size is estimated in a moment. */
const LOOKED = 700;

/**
 * How much of a sheet each ink covers, added up: 0 for bare paper, 1 for black all over. RGB is taken as a driver would
 * print it: what cyan, magenta and yellow have in common becomes black.
 */
export function coverage({ data, width, height, space }: SheetPixels): number {
  const { channels, most } = space;
  const step = Math.max(1, Math.floor(Math.min(width, height) / LOOKED));
  let [sum, count] = [0, 0];
  for (let y = 0; y < height; y += step) {
    for (let x = 0; x < width; x += step) {
      const at = (y * width + x) * channels;
      count++;
      if (channels === 4) sum += data[at]! + data[at + 1]! + data[at + 2]! + data[at + 3]!;
      else {
        const [c, m, k] = [most - data[at]!, most - data[at + 1]!, most - data[at + 2]!];
        sum += c + m + k - 2 * Math.min(c, m, k);
      }
    }
  }
  return count === 0 ? 0 : sum / count / most;
}
