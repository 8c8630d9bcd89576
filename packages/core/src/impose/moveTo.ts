import { placedRect, type Placement, type Rect } from "../base/geometry/index.ts";
import { nearest, um } from "../base/length/index.ts";
import type { Move } from "../plan/index.ts";

/** Moves what lies on a page so that its finished rectangle comes to lie at a placement. */
export function moveTo(at: Placement, trim: Pick<Rect, "x" | "y">): Move {
  const rect = (own: Rect): Rect => placedRect(at, { ...own, x: um(own.x - trim.x), y: um(own.y - trim.y) });
  return {
    rect,
    // A turned box keeps its sides about where its middle goes.
    box: (own) => {
      const there = rect(own);
      return {
        x: nearest(there.x + (there.width - own.width) / 2),
        y: nearest(there.y + (there.height - own.height) / 2),
        width: own.width,
        height: own.height,
      };
    },
    inBox: ({ x, y }, before, after) => ({ x: x + after.x - before.x, y: y + after.y - before.y }),
    turn: at.turn,
  };
}
