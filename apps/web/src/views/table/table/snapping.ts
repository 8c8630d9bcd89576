import {
  layoutArea,
  nearest,
  type CellPlan,
  type Job,
  type Rect,
  type SheetPlan,
  type SnapTo,
} from "@wide-quilt/core";
import type { View } from "../../../table/view.ts";

/** How near something has to be to be caught, in CSS pixels. */
const CATCH = 6;

/** What cells of a sheet catch on while some of them are moved. */
export function snapTargets(
  job: Job,
  sheet: SheetPlan,
  moved: readonly CellPlan[],
  { grid }: Pick<View, "grid">,
  perPixel: number,
): SnapTo {
  const keys = new Set(moved.map(({ key }) => key));
  const paper: Rect = { x: sheet.trim.x, y: sheet.trim.y, ...sheet.paper };
  return {
    cells: sheet.cells
      .filter(({ key, angle }) => !keys.has(key) && angle === 0)
      .map(({ finished }) => finished),
    areas: [{ ...paper, x: nearest(0), y: nearest(0) }, sheet.trim, layoutArea(job.sheet, sheet.paper)],
    guides: job.guides,
    grid,
    gap: job.ticket.gap,
    within: nearest(CATCH * perPixel),
  };
}
