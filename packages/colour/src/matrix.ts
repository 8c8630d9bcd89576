export type Triple = readonly [number, number, number];
/** Three rows. */
export type Matrix = readonly [Triple, Triple, Triple];

export const times = (m: Matrix, [x, y, z]: Triple): Triple =>
  m.map(([a, b, c]) => a * x + b * y + c * z) as unknown as Triple;

export const product = (m: Matrix, n: Matrix): Matrix =>
  m.map((row) =>
    [0, 1, 2].map((c) => row[0] * n[0][c]! + row[1] * n[1][c]! + row[2] * n[2][c]!),
  ) as unknown as Matrix;

export function inverse([[a, b, c], [d, e, f], [g, h, i]]: Matrix): Matrix {
  const det = a * (e * i - f * h) - b * (d * i - f * g) + c * (d * h - e * g);
  return [
    [(e * i - f * h) / det, (c * h - b * i) / det, (b * f - c * e) / det],
    [(f * g - d * i) / det, (a * i - c * g) / det, (c * d - a * f) / det],
    [(d * h - e * g) / det, (b * g - a * h) / det, (a * e - b * d) / det],
  ];
}
