import { onItsSide, onItsSideAbout, type Rect } from "../base/geometry/index.ts";
import { um } from "../base/length/index.ts";
import type { CellPlan } from "./types.ts";

/** A cell as the upright piece it is before it is laid on its side: finished at the origin, the rest from there. */
export interface UprightPiece {
  finished: Rect;
  opening: Rect;
  cover: Rect;
}

type Lying = Pick<CellPlan, "finished" | "turn">;

export const uprightPiece = (
  cell: Pick<CellPlan, "finished" | "opening" | "cover" | "turn">,
): UprightPiece => ({
  finished: onUpright(cell.finished, cell),
  opening: onUpright(cell.opening, cell),
  cover: onUpright(cell.cover, cell),
});

/**
 * A rectangle of the sheet as the upright piece has it. A piece on its side is the upright one turned a quarter
 * clockwise, (x, y) going to (height − y, x); this takes it back.
 */
export function onUpright(rect: Rect, { finished, turn }: Lying): Rect {
  const [dx, dy] = [rect.x - finished.x, rect.y - finished.y];
  if (turn % 180 === 0) return { ...rect, x: um(dx), y: um(dy) };
  return { x: um(dy), y: um(finished.width - dx - rect.width), ...onItsSide(rect) };
}

/** A rectangle of the upright piece where it lies on the sheet. */
export function onSheet(rect: Rect, { finished, turn }: Lying): Rect {
  if (turn % 180 === 0) return { ...rect, x: um(rect.x + finished.x), y: um(rect.y + finished.y) };
  return {
    x: um(finished.x + finished.width - rect.y - rect.height),
    y: um(finished.y + rect.x),
    ...onItsSide(rect),
  };
}

/**
 * The same, as a box that stands upright about the middle of where it lies, and how far it is turned from that: how
 * words and graphics are told where they are.
 */
export function standingOnSheet(rect: Rect, lying: Lying): { box: Rect; turn: number } {
  const there = onSheet(rect, lying);
  return lying.turn % 180 === 0 ? { box: there, turn: 0 } : { box: onItsSideAbout(there), turn: 90 };
}
