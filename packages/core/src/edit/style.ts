import type { StyleChange, StylePart } from "../finish/style/index.ts";
import type { CellByHand, Job } from "../job/index.ts";

/** Changes what all cells wear: what is tried on, where something is, so that taking it off brings all of it back. */
export const styleAll = (job: Job, change: StyleChange): Job =>
  job.worn
    ? { ...job, worn: { ...job.worn, style: { ...job.worn.style, ...change } } }
    : { ...job, style: { ...job.style, ...change } };

export const styleCells = (job: Job, keys: readonly string[], change: StyleChange): Job => ({
  ...job,
  cells: {
    ...job.cells,
    ...Object.fromEntries(
      keys.map((key) => [key, { ...job.cells[key], style: { ...job.cells[key]?.style, ...change } }]),
    ),
  },
});

/** Cells wear what all wear again, in these parts. */
export function unstyle(job: Job, keys: readonly string[], parts: readonly StylePart[]): Job {
  const cells: Record<string, CellByHand> = { ...job.cells };
  for (const key of keys) {
    const own = cells[key];
    if (!own?.style) continue;
    const left = Object.entries(own.style).filter(([part]) => !parts.includes(part as StylePart));
    const { style: _style, ...rest } = own;
    cells[key] = left.length > 0 ? { ...rest, style: Object.fromEntries(left) } : rest;
    if (Object.keys(cells[key]).length === 0) delete cells[key];
  }
  return { ...job, cells };
}
