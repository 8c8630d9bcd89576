/** A place in a picture, in its pixels. */
export interface Point {
  x: number;
  y: number;
}

export const middle = (points: readonly Point[]): Point => ({
  x: points.reduce((sum, { x }) => sum + x, 0) / points.length,
  y: points.reduce((sum, { y }) => sum + y, 0) / points.length,
});

export const away = (a: Point, b: Point): number => Math.hypot(a.x - b.x, a.y - b.y);

/** A share of the way from one point to another; less than 0 lies behind the first. */
export const along = (from: Point, to: Point, share: number): Point => ({
  x: from.x + (to.x - from.x) * share,
  y: from.y + (to.y - from.y) * share,
});

/** How far the line from left to right is off level, degrees clockwise. */
export const slant = (left: Point, right: Point): number =>
  (Math.atan2(right.y - left.y, right.x - left.x) * 180) / Math.PI;

export function boxOf(points: readonly Point[]) {
  const [xs, ys] = [points.map(({ x }) => x), points.map(({ y }) => y)];
  return { left: Math.min(...xs), right: Math.max(...xs), top: Math.min(...ys), bottom: Math.max(...ys) };
}
