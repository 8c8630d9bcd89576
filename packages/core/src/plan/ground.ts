import type { GroundPlan } from "./types.ts";

/**
 * Where a colour that changes from the top of a page down begins and ends, whichever way the page lies: shares of its
 * rectangle. A quarter clockwise, its top lies at the right.
 */
export const gradientEnds = ({ turn }: Pick<GroundPlan, "turn">) => ENDS[turn];

const ENDS = {
  0: { x1: 0, y1: 0, x2: 0, y2: 1 },
  90: { x1: 1, y1: 0, x2: 0, y2: 0 },
  180: { x1: 0, y1: 1, x2: 0, y2: 0 },
  270: { x1: 0, y1: 0, x2: 1, y2: 0 },
} as const;
