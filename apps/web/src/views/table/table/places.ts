import { rectOf, um, type CellPlan, type Job, type JobEdit, type Place, type Rect } from "@wide-quilt/core";

/** The place of a cell as a hand would have it: its own, or where the layout has it now. */
export function placeOf(job: Job, sheet: string, cell: CellPlan): Place {
  const own = job.cells[cell.key]?.place;
  return own ?? { sheet, ...rectOf(cell.finished), angle: 0, order: 0, locked: false, proportion: false };
}

/** Puts cells elsewhere: each with what changes of its place. */
export function placeEdit(
  job: Job,
  sheet: string,
  cells: readonly { cell: CellPlan; to: Partial<Place> }[],
): JobEdit {
  return {
    do: "place",
    cells: Object.fromEntries(
      cells.map(({ cell, to }) => [
        cell.key,
        { place: { ...placeOf(job, sheet, cell), ...to }, shot: cell.slot },
      ]),
    ),
  };
}

export const shifted = (rect: Rect, dx: number, dy: number): Rect => ({
  ...rect,
  x: um(rect.x + dx),
  y: um(rect.y + dy),
});
