import { inside, NO_EDGES, type Size } from "../base/geometry/index.ts";
import { edgePx } from "../base/length/index.ts";
import type { SheetPlan } from "../plan/index.ts";

/** A sheet with nothing on it yet, printed all over. `paper` is the stock as it lies. */
export function bareSheet(
  { id, number, of }: Pick<SheetPlan, "id" | "number" | "of">,
  stock: SheetPlan["stock"],
  paper: Size,
  ppi: number,
): SheetPlan {
  const whole = inside(paper, NO_EDGES);
  return {
    id,
    number,
    of,
    title: null,
    shows: null,
    stock,
    paper,
    printable: whole,
    trim: whole,
    bleed: whole,
    safe: whole,
    mayLose: NO_EDGES,
    ppi,
    pixels: { width: edgePx(paper.width, ppi), height: edgePx(paper.height, ppi) },
    grounds: [],
    backing: [],
    cells: [],
    // Pages are changed as pages.
    items: [],
    over: [],
    marks: [],
    freed: [],
    parts: [],
  };
}
