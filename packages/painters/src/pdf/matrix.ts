import type { Quarter } from "@wide-quilt/core";

/** x' = a·x + c·y + e, y' = b·x + d·y + f, as PDF and SVG write it. */
export type Matrix = [a: number, b: number, c: number, d: number, e: number, f: number];

/** First `inner`, then `outer`. */
export function after(inner: Matrix, outer: Matrix): Matrix {
  const [a, b, c, d, e, f] = inner;
  const [A, B, C, D, E, F] = outer;
  return [A * a + C * b, B * a + D * b, A * c + C * d, B * c + D * d, A * e + C * f + E, B * e + D * f + F];
}

/**
 * How the unit square of a stored picture becomes that of the upright one, for EXIF orientations 1…8
 * (Exif 2.32, 4.6.4 Orientation: where the stored row 0 and column 0 are on the visual picture).
 */
const UPRIGHT: Record<number, Matrix> = {
  1: [1, 0, 0, 1, 0, 0],
  2: [-1, 0, 0, 1, 1, 0],
  3: [-1, 0, 0, -1, 1, 1],
  4: [1, 0, 0, -1, 0, 1],
  5: [0, 1, 1, 0, 0, 0],
  6: [0, 1, -1, 0, 1, 0],
  7: [0, -1, -1, 0, 1, 1],
  8: [0, -1, 1, 0, 0, 1],
};

/** A unit square turned clockwise about itself, y down. */
const TURNED: Record<Quarter, Matrix> = {
  0: [1, 0, 0, 1, 0, 0],
  90: [0, 1, -1, 0, 1, 0],
  180: [-1, 0, 0, -1, 1, 1],
  270: [0, -1, 1, 0, 0, 1],
};

/** From the unit square of a stored picture to where it lies: upright, turned, then stretched to a rectangle. */
export const placing = (
  orientation: number,
  turn: Quarter,
  at: { x: number; y: number; width: number; height: number },
): Matrix =>
  after(after(UPRIGHT[orientation] ?? UPRIGHT[1]!, TURNED[turn]), [at.width, 0, 0, at.height, at.x, at.y]);
