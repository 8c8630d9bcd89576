interface Point {
  x: number;
  y: number;
}

/**
 * A smooth curve through points that never turns back between two of them: cubic Hermite with slopes limited after
 * F. N. Fritsch and R. E. Carlson, “Monotone piecewise cubic interpolation”, SIAM J. Numer. Anal. 17 (1980). Black and
 * white stay where they are unless a point moves them.
 */
export function curveThrough(given: readonly Point[]): (x: number) => number {
  const points = ended(given);
  const n = points.length;
  const slope = points.slice(1).map((p, i) => (p.y - points[i]!.y) / (p.x - points[i]!.x));
  const tangent = points.map((_, i) => {
    const [before, after] = [slope[i - 1], slope[i]];
    if (before === undefined) return after!;
    if (after === undefined) return before;
    return before * after <= 0 ? 0 : (before + after) / 2;
  });
  slope.forEach((d, i) => {
    if (d === 0) {
      tangent[i] = tangent[i + 1] = 0;
      return;
    }
    const [a, b] = [tangent[i]! / d, tangent[i + 1]! / d];
    const length = Math.hypot(a, b);
    if (length <= 3) return;
    tangent[i] = (3 * a * d) / length;
    tangent[i + 1] = (3 * b * d) / length;
  });
  return (x) => {
    let i = 0;
    while (i < n - 2 && x > points[i + 1]!.x) i++;
    const [p, q] = [points[i]!, points[i + 1]!];
    const width = q.x - p.x;
    const t = Math.min(1, Math.max(0, (x - p.x) / width));
    const [t2, t3] = [t * t, t * t * t];
    return (
      (2 * t3 - 3 * t2 + 1) * p.y +
      (t3 - 2 * t2 + t) * width * tangent[i]! +
      (3 * t2 - 2 * t3) * q.y +
      (t3 - t2) * width * tangent[i + 1]!
    );
  };
}

/** The points from left to right, one at each place, with both ends. */
function ended(given: readonly Point[]): Point[] {
  const sorted = [...given].sort((a, b) => a.x - b.x).filter((p, i, all) => i === 0 || p.x > all[i - 1]!.x);
  const first = sorted[0]?.x === 0 ? [] : [{ x: 0, y: 0 }];
  const last = sorted.at(-1)?.x === 1 ? [] : [{ x: 1, y: 1 }];
  return [...first, ...sorted, ...last];
}
