import { bottom, overlap, right, type Rect, type Size } from "../../base/geometry/index.ts";
import { nearest, um } from "../../base/length/index.ts";

/**
 * The largest free rectangle around a point: inside an area, a gap away from every cell. Null where the point itself is
 * taken. Every free rectangle that cannot grow has its sides on cells or on the area, so those are tried.
 */
export function roomAround(
  point: { x: number; y: number },
  area: Rect,
  cells: readonly Rect[],
  gap: number,
): Rect | null {
  const taken = cells.map((c) => ({
    left: c.x - gap,
    top: c.y - gap,
    right: right(c) + gap,
    bottom: bottom(c) + gap,
  }));
  const inside = (t: (typeof taken)[number]) =>
    point.x > t.left && point.x < t.right && point.y > t.top && point.y < t.bottom;
  const onArea = point.x >= area.x && point.x <= right(area) && point.y >= area.y && point.y <= bottom(area);
  if (!onArea || taken.some(inside)) return null;
  const tops = [area.y, ...taken.map((t) => t.bottom)].filter((y) => y <= point.y && y >= area.y);
  const feet = [bottom(area), ...taken.map((t) => t.top)].filter((y) => y >= point.y && y <= bottom(area));
  let best: Rect | null = null;
  for (const top of new Set(tops)) {
    for (const foot of new Set(feet)) {
      let left: number = area.x;
      let end: number = right(area);
      for (const t of taken) {
        if (t.bottom <= top || t.top >= foot) continue;
        if (t.right <= point.x) left = Math.max(left, t.right);
        else if (t.left >= point.x) end = Math.min(end, t.left);
        else end = left;
      }
      const room = { x: um(left), y: um(top), width: um(Math.max(0, end - left)), height: um(foot - top) };
      if (!best || room.width * room.height > best.width * best.height) best = room;
    }
  }
  return best && best.width > 0 && best.height > 0 ? best : null;
}

/** A size that could be set at a point, and where. */
export interface SizeThere {
  name: string;
  place: Rect;
}

/**
 * The sizes that fit around a point, the largest first: each lying as the photo does, its middle at the point or as near
 * as the room lets it.
 */
export function sizesThere(
  point: { x: number; y: number },
  room: Rect,
  sizes: readonly (Size & { name: string })[],
  proportion: number,
): SizeThere[] {
  const at = ({ width, height }: Size): Rect => ({
    x: nearest(Math.min(Math.max(point.x - width / 2, room.x), right(room) - width)),
    y: nearest(Math.min(Math.max(point.y - height / 2, room.y), bottom(room) - height)),
    width,
    height,
  });
  const wide = Math.min(room.width, nearest(room.height * proportion));
  const whole: Size = { width: um(wide), height: um(Math.min(room.height, nearest(wide / proportion))) };
  const lying = sizes
    .map((size) => {
      const turns = proportion > 1 === size.width < size.height && size.width !== size.height;
      return {
        name: size.name,
        width: turns ? size.height : size.width,
        height: turns ? size.width : size.height,
      };
    })
    .filter(({ width, height }) => width <= room.width && height <= room.height)
    .sort((a, b) => b.width * b.height - a.width * a.height);
  return [
    { name: "As large as fits", place: at(whole) },
    ...lying.map(({ name, width, height }) => ({ name, place: at({ width, height }) })),
  ].filter(({ place }) => overlap(place, room) !== null);
}
