import type { Point } from "./boundary.ts";

/** The convex outline of points, clockwise as seen (y goes down), without points on its sides (Andrew 1979). */
export function hullOf(edge: readonly number[]): Point[] {
  const points: Point[] = [];
  for (let i = 0; i < edge.length; i += 2) points.push([edge[i]!, edge[i + 1]!]);
  points.sort(([ax, ay], [bx, by]) => ax - bx || ay - by);
  const half = (of: readonly Point[]): Point[] => {
    const out: Point[] = [];
    for (const point of of) {
      while (out.length > 1 && turn(out.at(-2)!, out.at(-1)!, point) <= 0) out.pop();
      out.push(point);
    }
    return out.slice(0, -1);
  };
  return [...half(points), ...half(points.reverse())];
}

/** Twice the area between three points; positive where they turn clockwise as seen. */
const turn = ([ax, ay]: Point, [bx, by]: Point, [cx, cy]: Point): number =>
  (bx - ax) * (cy - ay) - (by - ay) * (cx - ax);

/** The outline with points left out that are nearer than `tolerance` to the line between those beside them. */
export function simplified(hull: readonly Point[], tolerance: number): Point[] {
  const kept: Point[] = [];
  for (let i = 0; i < hull.length; i++) {
    const before = kept.at(-1) ?? hull.at(-1)!;
    const [here, after] = [hull[i]!, hull[(i + 1) % hull.length]!];
    const length = Math.hypot(after[0] - before[0], after[1] - before[1]);
    if (length === 0 || Math.abs(turn(before, here, after)) / length >= tolerance) kept.push(here);
  }
  return kept.length > 2 ? kept : [...hull];
}

/** A rectangle about its middle, turned by `angle` radians clockwise as seen. */
export interface Turned {
  x: number;
  y: number;
  width: number;
  height: number;
  angle: number;
}

/** The rectangle of the least area around a convex outline: one of its sides lies on a side of it (Freeman and Shapira 1975). */
export function leastRectangle(hull: readonly Point[]): Turned {
  let best: Turned | null = null;
  for (let i = 0; i < hull.length; i++) {
    const [a, b] = [hull[i]!, hull[(i + 1) % hull.length]!];
    const angle = Math.atan2(b[1] - a[1], b[0] - a[0]);
    const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
    let [left, right, top, bottom] = [Infinity, -Infinity, Infinity, -Infinity];
    for (const [x, y] of hull) {
      const [u, v] = [x * cos + y * sin, y * cos - x * sin];
      [left, right] = [Math.min(left, u), Math.max(right, u)];
      [top, bottom] = [Math.min(top, v), Math.max(bottom, v)];
    }
    const [width, height] = [right - left, bottom - top];
    if (best && width * height >= best.width * best.height) continue;
    const [u, v] = [(left + right) / 2, (top + bottom) / 2];
    best = { x: u * cos - v * sin, y: u * sin + v * cos, width, height, angle };
  }
  return best!;
}
