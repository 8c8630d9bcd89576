import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { contains, overlap, type Size } from "../../base/geometry/index.ts";
import { um } from "../../base/length/index.ts";
import { PAPERS, PRINT_SIZES } from "../../catalogue/paper/index.ts";
import { cutPlan } from "../cut/index.ts";
import { mostByBounds, mostOf, type Cuts } from "./index.ts";

const size = (width: number, height: number): Size => ({ width: um(width), height: um(height) });
const most = (piece: [number, number], area: [number, number], cuts: Cuts, gap = 0) =>
  mostOf({ piece: size(...piece), area: size(...area), gap: um(gap), cuts });

/** The most by straight cuts, by trying every whole-number cut of every part: slow, and written apart. */
function byEveryCut(a: number, b: number, width: number, height: number): number {
  const known = new Map<number, number>();
  const best = (w: number, h: number): number => {
    if (!((w >= a && h >= b) || (w >= b && h >= a))) return 0;
    const key = w * 1000 + h;
    const before = known.get(key);
    if (before !== undefined) return before;
    let count = 1;
    for (let x = 1; x <= w / 2; x++) count = Math.max(count, best(x, h) + best(w - x, h));
    for (let y = 1; y <= h / 2; y++) count = Math.max(count, best(w, y) + best(w, h - y));
    known.set(key, count);
    return count;
  };
  return best(width, height);
}

describe("the most cells of one size on one sheet", () => {
  it("mixes upright and turned where that holds more: nine of 5 × 3 on 13 × 11", () => {
    // plain: 2 × 3 = 6 and 4 × 2 = 8; area 143/15 = 9.5
    const { count, proved, bound } = most([5, 3], [13, 11], "straight");
    expect([count, proved, bound]).toEqual([9, true, 9]);
  });

  it("gains one by a pinwheel where straight cuts lose it: 15 of 9 × 4 on 26 × 21", () => {
    expect(most([9, 4], [26, 21], "straight").count).toBe(14); // by every whole-number cut, below
    expect(byEveryCut(9, 4, 26, 21)).toBe(14);
    // bars of 9: r = 8, s = 3, (9−8)(9−3) = 6; (546 − 6)/36 = 15
    expect(most([9, 4], [26, 21], "any")).toMatchObject({ count: 15, proved: true, bound: 15 });
  });

  it("keeps the plain grid wherever it holds as many", () => {
    const { places } = most([35, 45], [152, 101], "straight", 2);
    // (152 + 2)/37 = 4.2 by (101 + 2)/47 = 2.2, eight upright
    expect(places.map(({ x, y, turned }) => [x, y, turned])).toEqual(
      [0, 47].flatMap((y) => [0, 37, 74, 111].map((x) => [x, y, false])),
    );
  });

  it("is bounded as Barnes has it", () => {
    // 1 × 4 bars on 6 × 6: r = s = 2, at least 4 of 36 stay bare: 8, though the area would do for 9
    expect(mostByBounds(size(1, 4), size(6, 6))).toBe(8);
    expect(mostByBounds(size(5, 5), size(4, 100))).toBe(0);
  });

  it("has nothing for a piece larger than the area, or an area that margins ate", () => {
    expect(most([30, 40], [29, 50], "any")).toMatchObject({ count: 0, proved: true });
    expect(most([30, 40], [-5, 50], "any")).toMatchObject({ count: 0, places: [] });
  });

  it("holds thousands of pieces by two blocks, and does not claim to have proved it", () => {
    const { count, proved, bound } = most([17, 23], [3000, 2000], "any");
    expect(count).toBeGreaterThan(15_000);
    expect(count).toBeLessThanOrEqual(bound);
    expect(proved).toBe(count === bound);
  });

  it("is as many as trying every cut finds, by straight cuts", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: 9 }),
        fc.integer({ min: 2, max: 9 }),
        fc.integer({ min: 5, max: 40 }),
        fc.integer({ min: 5, max: 40 }),
        (a, b, width, height) => {
          const found = most([a, b], [width, height], "straight");
          expect(found.count).toBe(byEveryCut(a, b, width, height));
          expect(found.proved).toBe(true);
          expect(most([a, b], [width, height], "any").count).toBeGreaterThanOrEqual(found.count);
        },
      ),
      { numRuns: 60 },
    );
  });

  it("never overlaps, stays inside, keeps the gap, and cuts straight when asked to", () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...PRINT_SIZES),
        fc.constantFrom(...PAPERS.filter(({ width }) => width < 250_000)),
        fc.integer({ min: 0, max: 6000 }),
        fc.constantFrom<Cuts>("straight", "any"),
        (piece, paper, gap, cuts) => {
          const { places, count, bound } = mostOf({ piece, area: paper, gap: um(gap), cuts });
          expect(count).toBe(places.length);
          expect(count).toBeLessThanOrEqual(bound);
          const wide = (r: (typeof places)[number]) => ({
            ...r,
            width: um(r.width + gap),
            height: um(r.height + gap),
          });
          places.forEach((place, i) => {
            expect(contains({ x: um(0), y: um(0), width: paper.width, height: paper.height }, place)).toBe(
              true,
            );
            for (const other of places.slice(i + 1)) expect(overlap(wide(place), wide(other))).toBeNull();
          });
          if (cuts === "straight" && count <= 24) expect(cutPlan(paper, places).ok).toBe(true);
        },
      ),
      { numRuns: 40 },
    );
  });
});
