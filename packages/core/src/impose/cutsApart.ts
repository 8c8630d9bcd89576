import type { Um } from "../base/length/index.ts";
import { nearest } from "../base/length/index.ts";
import type { SheetPlan } from "../plan/index.ts";

/** Straight cuts through a whole sheet, from its left and from its top. */
export interface CutsApart {
  x: Um[];
  y: Um[];
}

/**
 * Where the pages of a sheet are cut apart, each cut in the middle between two of them; none where pages do not share it, or
 * where no straight cut passes between them.
 */
export function cutsApart({ freed }: Pick<SheetPlan, "freed">): CutsApart {
  const pages = freed ?? [];
  return {
    x: between(pages.map(({ x, width }) => [x, x + width])),
    y: between(pages.map(({ y, height }) => [y, y + height])),
  };
}

/** The middles of the gaps that no span reaches into; spans that touch have one where they do. */
function between(spans: readonly (readonly [from: number, to: number])[]): Um[] {
  const sorted = [...spans].sort(([a], [b]) => a - b);
  const cuts: Um[] = [];
  let end = sorted[0]?.[1] ?? 0;
  for (const [from, to] of sorted.slice(1)) {
    if (from >= end) cuts.push(nearest((end + from) / 2));
    end = Math.max(end, to);
  }
  return cuts;
}
