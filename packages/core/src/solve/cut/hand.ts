import { bottom, right, type Rect, type Size } from "../../base/geometry/index.ts";
import { um } from "../../base/length/index.ts";

/** A piece of paper in hand: its size, and the finished pieces that are still to be freed from it. */
export interface Hand extends Size {
  /** From its upper left corner. */
  cells: readonly Rect[];
}

/** A straight cut from edge to edge: `x` parts left from right at a distance from the left edge, `y` top from bottom. */
export interface Cut {
  along: "x" | "y";
  at: number;
}

/** Quarter turns clockwise. */
export type Quarters = 0 | 1 | 2 | 3;

/** A piece in hand laid on its side a quarter clockwise: (x, y) goes to (height − y, x). */
const quarter = ({ width, height, cells }: Hand): Hand => ({
  width: height,
  height: width,
  cells: cells.map((c) => ({ x: um(height - c.y - c.height), y: c.x, width: c.height, height: c.width })),
});

/**
 * A piece in hand as it is called whichever way it lies: pieces of one name can be stacked and cut as one. `turned`
 * says by how many quarters the piece was turned to lie as its name has it.
 */
export function named(hand: Hand): { name: string; turned: Quarters; lying: Hand } {
  let lying = hand;
  let best = { name: nameOf(hand), turned: 0 as Quarters, lying: hand };
  for (const turned of [1, 2, 3] as const) {
    lying = quarter(lying);
    const name = nameOf(lying);
    if (name < best.name) best = { name, turned, lying };
  }
  return best;
}

function nameOf({ width, height, cells }: Hand): string {
  let name = `${width}×${height}:`;
  for (const c of [...cells].sort((a, b) => a.x - b.x || a.y - b.y)) {
    name += `${c.x},${c.y},${c.width},${c.height};`;
  }
  return name;
}

/** Whether a piece in hand is a finished piece. */
export const isFinished = ({ width, height, cells }: Hand): boolean =>
  cells.length === 1 && cells[0]!.width === width && cells[0]!.height === height;

/** All straight cuts along finished edges that pass through no finished piece. */
export function cutsOf(hand: Hand): Cut[] {
  return [...cutsAlong(hand, "x"), ...cutsAlong(hand, "y")];
}

/**
 * Walks over the edges of the pieces in order and keeps those at which no piece is open.
 *
 *     |   [ a ]  [ b ]   |      edges of a and of b, no matter how they lie in the other direction
 *         ^   ^  ^   ^          each is a cut unless some other piece spans it
 */
export function cutsAlong({ width, height, cells }: Hand, along: "x" | "y"): Cut[] {
  const length = along === "x" ? width : height;
  const spans = cells
    .map((c) => (along === "x" ? ([c.x, right(c)] as const) : ([c.y, bottom(c)] as const)))
    .sort((a, b) => a[0] - b[0] || a[1] - b[1]);
  const cuts: Cut[] = [];
  let reach = 0;
  for (const [from, to] of spans) {
    if (from >= reach) {
      if (reach > 0) cuts.push({ along, at: reach });
      if (from > reach) cuts.push({ along, at: from });
    }
    reach = Math.max(reach, to);
  }
  if (reach > 0 && reach < length) cuts.push({ along, at: reach });
  return cuts;
}

/** The two parts of a cut, the left or upper one first. */
export function cutInTwo(hand: Hand, { along, at }: Cut): [Hand, Hand] {
  const { width, height, cells } = hand;
  const across = along === "x";
  const before: Rect[] = [];
  const after: Rect[] = [];
  for (const c of cells) {
    if ((across ? c.x : c.y) < at) before.push(c);
    else after.push(across ? { ...c, x: um(c.x - at) } : { ...c, y: um(c.y - at) });
  }
  return across
    ? [
        { width: um(at), height, cells: before },
        { width: um(width - at), height, cells: after },
      ]
    : [
        { width, height: um(at), cells: before },
        { width, height: um(height - at), cells: after },
      ];
}
