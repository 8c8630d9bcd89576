/**
 * The normal positions along one side: every i·a + j·b up to its length. A packing can always be pushed up and left
 * until each piece begins at one (Herz 1972; Christofides and Whitlock 1977), so nothing else has to be tried.
 * Null when there are more than `most`.
 */
export function normalPositions(length: number, a: number, b: number, most: number): number[] | null {
  const found = new Set<number>();
  for (let i = 0; i * a <= length; i++) {
    for (let at = i * a; at <= length; at += b) {
      found.add(at);
      if (found.size > most) return null;
    }
  }
  return [...found].sort((x, y) => x - y);
}

/** For every pair of ascending positions, at i · n + a: index of the last one that is at most position i less a. */
export function restTable(positions: readonly number[]): Int16Array {
  const n = positions.length;
  const table = new Int16Array(n * n);
  for (let i = 0; i < n; i++) {
    let rest = i;
    for (let a = 0; a <= i; a++) {
      while (positions[rest]! > positions[i]! - positions[a]!) rest--;
      table[i * n + a] = rest;
    }
  }
  return table;
}
