import { overlap } from "../../base/geometry/index.ts";
import { um } from "../../base/length/index.ts";
import type { CellPlan, SheetPlan } from "../../plan/index.ts";
import { cutPlan, type CutPlan } from "../../solve/cut/index.ts";

/** What of a sheet's plan decides its cuts. */
export type CutSheet = Pick<SheetPlan, "paper" | "trim" | "freed"> & {
  cells: readonly Pick<CellPlan, "finished" | "angle">[];
};

/**
 * The cut plan of a sheet's plan. A finished sheet smaller than its paper is cut out when no cells are to be freed
 * from it: a collage or a page is one piece. Tilted cells cannot be cut straight. A stack has at most so many pieces.
 */
export function cutPlanOf({ paper, trim, cells, freed }: CutSheet, whole = false, most = Infinity): CutPlan {
  // Pages that are cut apart are what is freed, whatever lies on them.
  if (freed) return cutPlan(paper, freed, most);
  if (whole) return cutPlan(paper, [trim]);
  const tilted = cells.flatMap(({ angle }, i) => (angle === 0 ? [] : [i]));
  if (tilted.length > 0) return { ok: false, inTheWay: tilted };
  const off = cells.flatMap(({ finished }, i) => {
    const on = overlap(finished, { x: um(0), y: um(0), ...paper });
    return on && on.width === finished.width && on.height === finished.height ? [] : [i];
  });
  if (off.length > 0) return { ok: false, inTheWay: off };
  return cutPlan(
    paper,
    cells.map(({ finished }) => finished),
    most,
  );
}
