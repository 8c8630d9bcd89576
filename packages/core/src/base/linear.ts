/**
 * Small exact optimisation by looking at every corner: a handful of unknowns, some twenty limits. Limits are rows
 * `a · x ≤ b`.
 */
export interface Limit {
  a: readonly number[];
  b: number;
}

const TOLERANCE = 1e-9;

/** Whether x keeps every limit, as nearly as numbers are exact. */
export const keeps = (limits: readonly Limit[], x: readonly number[]): boolean =>
  limits.every(({ a, b }) => dot(a, x) <= b + TOLERANCE * Math.max(1, Math.abs(b), ...a.map(Math.abs)));

/** The x with the least `cost · x` inside the limits, or null where nothing is inside. Its best corner is the answer. */
export function leastLinear(cost: readonly number[], limits: readonly Limit[]): number[] | null {
  let best: number[] | null = null;
  for (const corner of choices(limits.length, cost.length)) {
    const x = solve(
      corner.map((i) => [...limits[i]!.a]),
      corner.map((i) => limits[i]!.b),
    );
    if (x && keeps(limits, x) && (!best || dot(cost, x) < dot(cost, best) - TOLERANCE)) best = x;
  }
  return best;
}

/** A wish: `a · x` as near to `to` as may be, counted in squares. */
export interface Wish {
  a: readonly number[];
  to: number;
}

/**
 * The x inside the limits that comes nearest to all wishes, in the sense of least squares; null where nothing is inside.
 * The answer is the nearest point of the face that its binding limits span, so every face is looked at.
 */
export function leastSquares(wishes: readonly Wish[], limits: readonly Limit[]): number[] | null {
  const n = wishes[0]!.a.length;
  const off = (x: readonly number[]) => wishes.reduce((sum, { a, to }) => sum + (dot(a, x) - to) ** 2, 0);
  const normal = (row: number) =>
    Array.from({ length: n }, (_, column) => wishes.reduce((sum, { a }) => sum + a[row]! * a[column]!, 0));
  const wanted = (row: number) => wishes.reduce((sum, { a, to }) => sum + a[row]! * to, 0);
  let best: number[] | null = null;
  for (let bound = 0; bound <= n; bound++) {
    for (const face of choices(limits.length, bound)) {
      // Stationary point on the face, by Lagrange: [AᵀA Cᵀ; C 0] [x; λ] = [Aᵀt; d].
      const rows = [
        ...Array.from({ length: n }, (_, row) => [...normal(row), ...face.map((i) => limits[i]!.a[row]!)]),
        ...face.map((i) => [...limits[i]!.a, ...Array<number>(bound).fill(0)]),
      ];
      const right = [...Array.from({ length: n }, (_, row) => wanted(row)), ...face.map((i) => limits[i]!.b)];
      const x = solve(rows, right)?.slice(0, n);
      if (x && keeps(limits, x) && (!best || off(x) < off(best) - TOLERANCE)) best = x;
    }
    // Nothing binds: no other point can be nearer.
    if (bound === 0 && best) return best;
  }
  return best;
}

export const dot = (a: readonly number[], b: readonly number[]): number =>
  a.reduce((sum, value, i) => sum + value * b[i]!, 0);

/** Every choice of k numbers below n, in order. */
function* choices(n: number, k: number, from = 0): Generator<number[]> {
  if (k === 0) {
    yield [];
    return;
  }
  for (let i = from; i <= n - k; i++) {
    for (const rest of choices(n, k - 1, i + 1)) yield [i, ...rest];
  }
}

/** Solves a small square system by Gauss with the largest pivot; null where it has no single answer. */
export function solve(rows: number[][], right: number[]): number[] | null {
  const n = rows.length;
  const m = rows.map((row, i) => {
    const largest = Math.max(...row.map(Math.abs)) || 1;
    return [...row, right[i]!].map((value) => value / largest);
  });
  for (let column = 0; column < n; column++) {
    let pivot = column;
    for (let row = column + 1; row < n; row++) {
      if (Math.abs(m[row]![column]!) > Math.abs(m[pivot]![column]!)) pivot = row;
    }
    if (Math.abs(m[pivot]![column]!) < 1e-12) return null;
    [m[column], m[pivot]] = [m[pivot]!, m[column]!];
    for (let row = 0; row < n; row++) {
      if (row === column) continue;
      const factor = m[row]![column]! / m[column]![column]!;
      if (factor === 0) continue;
      for (let i = column; i <= n; i++) m[row]![i]! -= factor * m[column]![i]!;
    }
  }
  return m.map((row, i) => row[n]! / row[i]!);
}
