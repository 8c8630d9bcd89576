import type { Metadata } from "sharp";
import type { Part } from "./part.ts";

/**
 * The part of a photo that it is in truth when all of it is asked for at a size: a JPEG is loaded at a half, a quarter or an
 * eighth of its size where that is enough, and where its sides are no multiple of that, what is left of them is dropped:
 *
 *     ┌────────────┬─┐
 *     │ loaded     │ │  15 pixels loaded at a quarter are 3, as wide as 12
 *     └────────────┴─┘
 *
 * `to` is the size asked for, upright.
 */
export function loadedPart(
  { format, width, height, orientation = 1 }: Metadata,
  to: { width: number; height: number },
): Part {
  const onItsSide = orientation > 4;
  const shrink = Math.min(
    width / (onItsSide ? to.height : to.width),
    height / (onItsSide ? to.width : to.height),
  );
  const by = format === "jpeg" ? loadedBy(shrink) : 1;
  const dropped = (side: number) => (side % by) / side;
  const [right, bottom] = [dropped(width), dropped(height)];
  const off = droppedUpright(right, bottom)[orientation] ?? { right, bottom };
  return {
    left: off.left ?? 0,
    top: off.top ?? 0,
    right: 1 - (off.right ?? 0),
    bottom: 1 - (off.bottom ?? 0),
  };
}

/** By how much sharp has a JPEG loaded smaller that it is to shrink by so much (its pipeline.cc). */
function loadedBy(shrink: number): number {
  const by = [8, 4, 2].find((one) => shrink >= one) ?? 1;
  return by > 1 && Math.trunc(shrink) === by ? by / 2 : by;
}

/** Off which sides of the upright photo is what is dropped off the stored one's right and lower side (TIFF 6.0, Orientation). */
const droppedUpright = (right: number, bottom: number): Record<number, Partial<Part>> => ({
  1: { right, bottom },
  2: { left: right, bottom },
  3: { left: right, top: bottom },
  4: { right, top: bottom },
  5: { bottom: right, right: bottom },
  6: { bottom: right, left: bottom },
  7: { top: right, left: bottom },
  8: { top: right, right: bottom },
});
