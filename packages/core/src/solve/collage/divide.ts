import { nearest, um, type Um } from "../../base/length/index.ts";

/** One part of a divided length. */
export interface Span {
  from: Um;
  to: Um;
}

/**
 * Divides a length into parts of given shares with a gap between them, so that parts and gaps add up to it exactly:
 * edges are rounded, never sizes, and equal parts differ by a micrometre at most.
 *
 *     |<------------------- length ------------------->|
 *     |  share 1  |gap|      share 2      |gap| share 3 |
 *
 *     divide(100, [1, 1, 1], 5)   // 0–30, 35–65, 70–100
 *
 * Null when the gaps leave less than a micrometre for a part.
 */
export function divide(length: number, shares: readonly number[], gap: number): Span[] | null {
  const room = length - gap * (shares.length - 1);
  const sum = shares.reduce((a, b) => a + b, 0);
  let before = 0;
  let passed = 0;
  const spans = shares.map((share, i): Span => {
    passed += share;
    const from = um(before + gap * i);
    before = nearest((room * passed) / sum);
    return { from, to: um(before + gap * i) };
  });
  return spans.every(({ from, to }) => to > from) ? spans : null;
}

/** So many equal parts. */
export const equal = (count: number): number[] => Array.from({ length: count }, () => 1);
