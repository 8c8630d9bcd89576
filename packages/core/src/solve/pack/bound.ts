import type { PackPiece, PackQuestion } from "./types.ts";

/**
 * Measures a length as a share of the sheet's, such that the measures of lengths that fit side by side never add up to
 * more than 1 (a dual feasible function). Then the products of two such measures, summed over all pieces, are at
 * most the number of sheets.
 */
type Measure = (share: number) => number;

/** Different limits tried; more of them hardly ever raise the bound. */
const MOST_LIMITS = 24;
const TINY = 1e-9;

/**
 * No fewer sheets than this, and no lower price. S. Fekete and J. Schepers, "A general framework for bounds for
 * higher-dimensional orthogonal packing problems", Math. Methods of OR 60 (2004); a piece that may turn counts for the
 * lesser of its two ways. Several papers are taken as the sheet that holds each of them.
 */
export function packBound({ pieces, papers, gap }: PackQuestion): { sheets: number; price: number } {
  const width = Math.max(...papers.map((paper) => paper.width)) + gap;
  const height = Math.max(...papers.map((paper) => paper.height)) + gap;
  const shares = pieces.map((piece) => sharesOf(piece, gap, width, height));
  const area = pieces.reduce((sum, p) => sum + (p.width + gap) * (p.height + gap) * p.quantity, 0);
  const largest = Math.max(...papers.map((paper) => (paper.width + gap) * (paper.height + gap)));
  let sheets = area === 0 ? 0 : Math.max(1, Math.ceil(area / largest - TINY));
  const measures = measuresFor(shares.flatMap(({ ways }) => ways.flat()));
  for (const across of measures) {
    for (const down of measures) {
      let sum = 0;
      for (const { ways, quantity } of shares) {
        let least = Infinity;
        for (const [x, y] of ways) least = Math.min(least, across(x) * down(y));
        sum += least * quantity;
      }
      sheets = Math.max(sheets, Math.ceil(sum - TINY));
    }
  }
  const perArea = Math.min(...papers.map((p) => p.price / ((p.width + gap) * (p.height + gap))));
  const cheapest = Math.min(...papers.map((paper) => paper.price));
  return { sheets, price: Math.max(area * perArea, sheets * cheapest) };
}

type Way = readonly [x: number, y: number];

/** The ways that pieces of one kind can lie, in shares of the sheet's width and height. */
function sharesOf({ width, height, quantity, mayTurn }: PackPiece, gap: number, W: number, H: number) {
  const upright: Way = [(width + gap) / W, (height + gap) / H];
  const turned: Way = [(height + gap) / W, (width + gap) / H];
  const ways = (mayTurn ? [upright, turned] : [upright]).filter(([x, y]) => x <= 1 && y <= 1);
  return { ways: ways.length > 0 ? ways : [[0, 0] as Way], quantity };
}

function measuresFor(shares: number[]): Measure[] {
  const short = [...new Set(shares.map((x) => Math.min(x, 1 - x)))].filter((x) => x > TINY && x <= 0.5);
  short.sort((a, b) => a - b);
  const every = Math.max(1, Math.ceil(short.length / MOST_LIMITS));
  const limits = [...short.filter((_, i) => i % every === 0), 0.5, 1 / 3, 1 / 4];
  return [
    (x) => x,
    ...limits.map((limit) => nearlyWhole(limit)),
    ...limits.map((limit) => counted(limit)),
    ...[1, 2, 3, 4, 5].map((k) => stepped(k)),
  ];
}

/** More than 1 − limit leaves no room for anything of at least the limit: it counts whole, and less than that nothing. */
const nearlyWhole =
  (limit: number): Measure =>
  (x) =>
    x > 1 - limit + TINY ? 1 : x < limit - TINY ? 0 : x;

/** Counts how many of at least the limit can stand beside. */
const counted = (limit: number): Measure => {
  const most = Math.floor(1 / limit + TINY);
  return (x) => {
    if (x > 0.5 + TINY) return 1 - Math.floor((1 - x) / limit + TINY) / most;
    return x >= limit - TINY ? 1 / most : 0;
  };
};

/** Rounds down to k-ths, which several pieces together cannot make use of. */
const stepped =
  (k: number): Measure =>
  (x) => {
    const steps = (k + 1) * x;
    return Math.abs(steps - Math.round(steps)) < TINY ? x : Math.floor(steps) / k;
  };
