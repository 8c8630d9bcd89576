import { onItsSide, type Rect } from "../geometry/index.ts";
import { um } from "../length/index.ts";
import type { CellPlan } from "./types.ts";

/** A cell as the upright piece it is before it is laid on its side: finished at the origin, and what is to be covered. */
export interface UprightPiece {
  finished: Rect;
  cover: Rect;
}

/**
 * A piece on its side is the upright one turned a quarter clockwise, (x, y) going to (height − y, x); this takes it
 * back.
 */
export function uprightPiece({
  finished,
  cover,
  turn,
}: Pick<CellPlan, "finished" | "cover" | "turn">): UprightPiece {
  const [dx, dy] = [cover.x - finished.x, cover.y - finished.y];
  if (turn % 180 === 0) {
    return {
      finished: { ...finished, x: um(0), y: um(0) },
      cover: { ...cover, x: um(dx), y: um(dy) },
    };
  }
  return {
    finished: { x: um(0), y: um(0), ...onItsSide(finished) },
    cover: { x: um(dy), y: um(finished.width - dx - cover.width), ...onItsSide(cover) },
  };
}
