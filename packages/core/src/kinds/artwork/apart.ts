import type { ArtWindow, Point } from "../../solve/windows/index.ts";

/** All points p with x · p.x + y · p.y ≤ most. */
export interface HalfPlane {
  x: number;
  y: number;
  most: number;
}

/** The convex outline of a window, in pixels of the artwork. */
export function outlineOf({ x, y, width, height, angle, outline }: ArtWindow): readonly Point[] {
  if (outline.length > 0) return outline;
  const radians = (angle * Math.PI) / 180;
  const [cos, sin] = [Math.cos(radians), Math.sin(radians)];
  const [cx, cy] = [x + width / 2, y + height / 2];
  return [
    [-width / 2, -height / 2],
    [width / 2, -height / 2],
    [width / 2, height / 2],
    [-width / 2, height / 2],
  ].map(([u, v]) => [cx + u! * cos - v! * sin, cy + u! * sin + v! * cos]);
}

/** How far across the gap to another window a photo reaches, of 1. */
const REACH = 0.6;

/**
 * By window: the half-planes that its photo has to stay in, one for each other window, so that it is not seen through that.
 * Each ends a little past the line midway between both, where they are farthest apart: soft edges may be seen through up to
 * there, and two photos that ended on one line would let paper shine through. Windows whose outlines lie in one another have
 * none: there the smaller one’s photo lies over the larger one’s.
 */
export function keptApart(windows: readonly ArtWindow[]): readonly HalfPlane[][] {
  const known = found.get(windows);
  if (known) return known;
  const outlines = windows.map(outlineOf);
  const planes = windows.map((): HalfPlane[] => []);
  for (let a = 0; a < windows.length; a++) {
    for (let b = a + 1; b < windows.length; b++) {
      const between = widestGap(outlines[a]!, outlines[b]!);
      if (!between) continue;
      const { x, y, from, to } = between;
      planes[a]!.push({ x, y, most: from + REACH * (to - from) });
      planes[b]!.push({ x: -x, y: -y, most: -(to - REACH * (to - from)) });
    }
  }
  found.set(windows, planes);
  return planes;
}

/** Windows change when another artwork is brought in; plans are made sixty times a second. */
const found = new WeakMap<readonly ArtWindow[], readonly HalfPlane[][]>();

/** The direction in which two convex outlines are farthest apart: where one ends in it and the other begins. */
interface Gap {
  x: number;
  y: number;
  from: number;
  to: number;
}

/**
 * The widest gap between two convex outlines; null where they meet. Two of them are farthest
 * apart across a side of one of them, or from corner to corner.
 */
function widestGap(a: readonly Point[], b: readonly Point[]): Gap | null {
  let best: Gap | null = null;
  const look = (dx: number, dy: number) => {
    const length = Math.hypot(dx, dy);
    if (length === 0) return;
    const [x, y] = [dx / length, dy / length];
    const from = Math.max(...a.map(([u, v]) => u * x + v * y));
    const to = Math.min(...b.map(([u, v]) => u * x + v * y));
    if (to >= from && (!best || to - from > best.to - best.from)) best = { x, y, from, to };
  };
  for (const [of, out] of [
    [a, 1],
    [b, -1],
  ] as const) {
    of.forEach(([u, v], i) => {
      const [s, t] = of[(i + 1) % of.length]!;
      // Clockwise as seen, so away from the inside is (dy, −dx).
      look(out * (t - v), out * (u - s));
    });
  }
  for (const [u, v] of a) for (const [s, t] of b) look(s - u, t - v);
  return best;
}

/** What of a convex shape lies in half-planes (Sutherland and Hodgman 1974); the shape itself where all of it does. */
export function cutTo(shape: readonly Point[], planes: readonly HalfPlane[]): readonly Point[] {
  return planes.reduce(
    (left, plane) => (left.every((at) => inside(at, plane)) ? left : cut(left, plane)),
    shape,
  );
}

const over = ([u, v]: Point, { x, y, most }: HalfPlane): number => u * x + v * y - most;
const inside = (at: Point, plane: HalfPlane): boolean => over(at, plane) <= 0;

function cut(shape: readonly Point[], plane: HalfPlane): Point[] {
  return shape.flatMap((here, i) => {
    const next = shape[(i + 1) % shape.length]!;
    const kept = inside(here, plane) ? [here] : [];
    if (inside(here, plane) === inside(next, plane)) return kept;
    const share = over(here, plane) / (over(here, plane) - over(next, plane));
    const there: Point = [here[0] + share * (next[0] - here[0]), here[1] + share * (next[1] - here[1])];
    return [...kept, there];
  });
}
