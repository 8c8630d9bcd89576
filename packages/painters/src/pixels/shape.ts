import { toPx, type CellPlan, type PixelBox } from "@wide-quilt/core";

/**
 * Takes away from the cover of a box (0…255 a pixel) what lies outside a convex shape, given in µm clockwise as seen. A pixel
 * on a side of it is covered by how far its middle lies inside, from half a pixel out to half a pixel in.
 */
export function cutToShape(
  cover: Uint8Array,
  box: PixelBox,
  shape: NonNullable<CellPlan["within"]>,
  ppi: number,
): void {
  const corners = shape.map(([x, y]) => [toPx(x, ppi) - box.left, toPx(y, ppi) - box.top] as const);
  const sides = corners.flatMap(([x, y], i) => {
    const [u, v] = corners[(i + 1) % corners.length]!;
    const length = Math.hypot(u - x, v - y);
    // How far inside a point is: along the normal that points in, (−dy, dx).
    return length < 1e-6 ? [] : [{ a: (y - v) / length, b: (u - x) / length, x, y }];
  });
  for (let row = 0; row < box.height; row++) {
    for (let column = 0; column < box.width; column++) {
      let inside = 0.5;
      for (const { a, b, x, y } of sides)
        inside = Math.min(inside, a * (column + 0.5 - x) + b * (row + 0.5 - y));
      if (inside < 0.5) cover[row * box.width + column]! *= Math.max(0, inside + 0.5);
    }
  }
}
