import { nearest, um, type Um } from "../../base/length/index.ts";
import type { Piece } from "./pieces.ts";
import type { Panels } from "./schema.ts";

/** Where a hook goes into the wall: from the left edge of all that hangs, and above the floor. */
export interface Hook {
  panel: number;
  x: Um;
  y: Um;
}

/**
 * The hooks of all panels, row by row. One is at a panel’s middle; of several each holds as much as the others: at the
 * middle of its part of the panel.
 *
 *     ├────┬────┤     ├──┬────┬──┤        y = middle + height of all / 2 − panel’s upper edge − below
 */
export function hooksOf(pieces: readonly Piece[], { middle, hooks, below }: Panels["hang"]): Hook[] {
  const high = Math.max(...pieces.map(({ wall }) => wall.y + wall.height));
  return pieces.flatMap(({ number, wall }) =>
    Array.from({ length: hooks }, (_, i): Hook => ({
      panel: number ?? 1,
      x: nearest(wall.x + (wall.width * (2 * i + 1)) / (2 * hooks)),
      y: um(middle + Math.round(high / 2) - wall.y - below),
    })),
  );
}
