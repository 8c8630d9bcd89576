import { chance } from "@wide-quilt/core";

/** A classic random problem of two-dimensional bin packing: square sheets and pieces, in whole units. */
export interface Instance {
  side: number;
  pieces: { width: number; height: number }[];
}

/**
 * Classes 1–6: J. O. Berkey and P. Y. Wang, "Two-dimensional finite bin-packing algorithms", J. Oper. Res. Soc. 38
 * (1987): sides drawn evenly from 1 … most, sheets of one size.
 */
const BERKEY_WANG: readonly { most: number; side: number }[] = [
  { most: 10, side: 10 },
  { most: 10, side: 30 },
  { most: 35, side: 40 },
  { most: 35, side: 100 },
  { most: 100, side: 100 },
  { most: 100, side: 300 },
];

/**
 * Classes 7–10: S. Martello and D. Vigo, "Exact solution of the two-dimensional finite bin packing problem", Management
 * Science 44 (1998), on sheets of 100 × 100. Seven of ten pieces are of the class's own type, one of ten of each other.
 */
const TYPES: readonly [width: [number, number], height: [number, number]][] = [
  [
    [67, 100],
    [1, 50],
  ],
  [
    [1, 50],
    [67, 100],
  ],
  [
    [50, 100],
    [50, 100],
  ],
  [
    [1, 50],
    [1, 50],
  ],
];

export const CLASSES = 10;
export const SIZES = [20, 40, 60, 80, 100] as const;
export const EACH = 10;

/** The instance of a class, with some number of pieces; always the same. */
export function instance(kind: number, count: number, number: number): Instance {
  const random = chance(kind * 10_000 + count * 100 + number);
  const between = ([least, most]: readonly [number, number]) =>
    least + Math.floor(random() * (most - least + 1));
  if (kind <= BERKEY_WANG.length) {
    const { most, side } = BERKEY_WANG[kind - 1]!;
    const pieces = Array.from({ length: count }, () => ({
      width: between([1, most]),
      height: between([1, most]),
    }));
    return { side, pieces };
  }
  const own = kind - BERKEY_WANG.length - 1;
  const others = [0, 1, 2, 3].filter((type) => type !== own);
  const pieces = Array.from({ length: count }, () => {
    const draw = random();
    const type = draw < 0.7 ? own : others[Math.min(2, Math.floor((draw - 0.7) / 0.1))]!;
    const [width, height] = TYPES[type]!;
    return { width: between(width), height: between(height) };
  });
  return { side: 100, pieces };
}
