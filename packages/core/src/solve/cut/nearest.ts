import { bottom, boundsOf, right, type Rect } from "../../base/geometry/index.ts";
import { nearest, um } from "../../base/length/index.ts";
import { Packer } from "../pack/index.ts";

/** Orders in which a layout is looked for. */
const SEEDS = 8;

/**
 * The layout nearest to one that cannot be cut straight: the same rectangles, none turned, set by straight cuts inside
 * an area with the least movement in all that was found. Null when they do not all fit on one sheet that way.
 */
export function nearestStraight(finished: readonly Rect[], area: Rect, gap: number): Rect[] | null {
  const pieces = finished.map(({ width, height }) => ({ width, height, quantity: 1, mayTurn: false }));
  let best: { rects: Rect[]; moved: number } | null = null;
  for (let seed = 1; seed <= SEEDS; seed++) {
    const packer = new Packer(
      {
        pieces,
        papers: [{ width: area.width, height: area.height, price: 1 }],
        gap: um(gap),
        cuts: "straight",
        aim: "sheets",
      },
      seed,
    );
    for (let look = 0; look < 12 && !packer.isProved; look++) packer.improve();
    const { sheets, tooLarge } = packer.best();
    if (sheets.length !== 1 || tooLarge.length > 0) continue;
    for (const places of mirrored(sheets[0]!.places, area)) {
      const rects = towards(nearestOf(finished, places), finished, area);
      const moved = rects.reduce(
        (sum, r, i) => sum + Math.hypot(r.x - finished[i]!.x, r.y - finished[i]!.y),
        0,
      );
      if (!best || moved < best.moved) best = { rects, moved };
    }
  }
  return best?.rects ?? null;
}

/** A layout and its mirror images: all can be cut as well, and one of them lies nearer. */
function mirrored(places: readonly Rect[], area: Rect): Rect[][] {
  const block = boundsOf(places);
  const flip = (x: boolean, y: boolean): Rect[] =>
    places.map((p) => ({
      width: p.width,
      height: p.height,
      x: um(area.x + (x ? right(block) - right(p) : p.x)),
      y: um(area.y + (y ? bottom(block) - bottom(p) : p.y)),
    }));
  return [flip(false, false), flip(true, false), flip(false, true), flip(true, true)];
}

/** Hands each rectangle the nearest place of its size that is left. */
function nearestOf(finished: readonly Rect[], places: readonly Rect[]): Rect[] {
  const left = [...places];
  return finished.map((r) => {
    let index = -1;
    let least = Infinity;
    left.forEach((p, i) => {
      if (p.width !== r.width || p.height !== r.height) return;
      const distance = Math.hypot(p.x - r.x, p.y - r.y);
      if (distance < least) [index, least] = [i, distance];
    });
    return left.splice(index, 1)[0]!;
  });
}

/** Moves a whole layout towards where it was, as far as the area lets it. */
function towards(rects: readonly Rect[], finished: readonly Rect[], area: Rect): Rect[] {
  const mean = (of: readonly Rect[], side: "x" | "y") => of.reduce((sum, r) => sum + r[side], 0) / of.length;
  const block = boundsOf(rects);
  const within = (by: number, least: number, most: number) => nearest(Math.min(Math.max(by, least), most));
  const dx = within(mean(finished, "x") - mean(rects, "x"), area.x - block.x, right(area) - right(block));
  const dy = within(mean(finished, "y") - mean(rects, "y"), area.y - block.y, bottom(area) - bottom(block));
  return rects.map((r) => ({ ...r, x: um(r.x + dx), y: um(r.y + dy) }));
}
