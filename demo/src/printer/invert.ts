import type { Lab } from "@wide-quilt/core";

/** What amounts of colorants look like. */
export type Model = (amounts: readonly number[]) => Lab;

/** A wish for the amounts themselves, where several would look the same: how strongly, and what. */
export interface Wish {
  weight: number;
  amounts: readonly (number | null)[];
}

const STEPS = 14;
const TINY = 1e-3;

/**
 * The amounts, each 0…1, that look most like a colour: Gauss–Newton with Levenberg's damping on L*, a*, b* and the wish,
 * held inside the range at every step.
 */
export function invert(model: Model, wanted: Lab, from: readonly number[], wish?: Wish): number[] {
  let at = [...from];
  let error = errors(model, wanted, at, wish);
  let damping = 1;
  for (let step = 0; step < STEPS; step++) {
    const slopes = at.map((value, i) => {
      const aside = [...at];
      const d = value > 0.5 ? -TINY : TINY;
      aside[i] = value + d;
      return errors(model, wanted, aside, wish).map((e, j) => (e - error[j]!) / d);
    });
    const next = better(at, error, slopes, damping);
    const tried = errors(model, wanted, next, wish);
    if (total(tried) < total(error)) {
      const gained = total(error) - total(tried);
      [at, error] = [next, tried];
      damping = Math.max(damping / 4, 1e-3);
      if (gained < 1e-3) break;
    } else damping *= 8;
  }
  return at;
}

const total = (values: readonly number[]): number => values.reduce((sum, v) => sum + v * v, 0);

function errors(model: Model, wanted: Lab, at: readonly number[], wish?: Wish): number[] {
  const lab = model(at);
  const wishes = wish?.amounts.map((want, i) => (want === null ? 0 : wish.weight * (at[i]! - want))) ?? [];
  return [...lab.map((v, i) => v - wanted[i]!), ...wishes];
}

function better(at: number[], error: number[], slopes: number[][], damping: number): number[] {
  const n = at.length;
  const free = at.map((v, i) => {
    const pull = slopes[i]!.reduce((sum, s, j) => sum + s * error[j]!, 0);
    // At an end of its range and pushed further, an amount stays.
    return !((v <= 0 && pull > 0) || (v >= 1 && pull < 0));
  });
  const rows = Array.from({ length: n }, (_, i) =>
    Array.from({ length: n + 1 }, (_, j) => {
      if (!free[i]) return i === j ? 1 : 0;
      if (j === n) return -slopes[i]!.reduce((sum, s, e) => sum + s * error[e]!, 0);
      if (!free[j]) return 0;
      const dot = slopes[i]!.reduce((sum, s, e) => sum + s * slopes[j]![e]!, 0);
      return i === j ? dot + damping : dot;
    }),
  );
  const move = solve(rows);
  return at.map((v, i) => Math.min(Math.max(v + move[i]!, 0), 1));
}

/** Solves linear equations by Gaussian elimination with pivoting; each row has its right side last. */
function solve(rows: number[][]): number[] {
  const n = rows.length;
  for (let i = 0; i < n; i++) {
    let pivot = i;
    for (let r = i + 1; r < n; r++) if (Math.abs(rows[r]![i]!) > Math.abs(rows[pivot]![i]!)) pivot = r;
    [rows[i], rows[pivot]] = [rows[pivot]!, rows[i]!];
    for (let r = i + 1; r < n; r++) {
      const factor = rows[r]![i]! / rows[i]![i]!;
      for (let c = i; c <= n; c++) rows[r]![c]! -= factor * rows[i]![c]!;
    }
  }
  const out = new Array<number>(n).fill(0);
  for (let i = n - 1; i >= 0; i--) {
    const known = rows[i]!.slice(i + 1, n).reduce((sum, v, j) => sum + v * out[i + 1 + j]!, 0);
    out[i] = (rows[i]![n]! - known) / rows[i]![i]!;
  }
  return out;
}
