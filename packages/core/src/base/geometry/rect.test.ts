import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { mm, um } from "../length/index.ts";
import {
  area,
  bottom,
  contains,
  grown,
  inside,
  NO_EDGES,
  onItsSide,
  overlap,
  quarterTurned,
  right,
  turnedSize,
  type Rect,
} from "./index.ts";

const rect = (x: number, y: number, width: number, height: number): Rect => ({
  x: um(x),
  y: um(y),
  width: um(width),
  height: um(height),
});
const anyRect = fc
  .tuple(
    fc.integer({ min: -9999, max: 9999 }),
    fc.integer({ min: -9999, max: 9999 }),
    fc.integer({ min: 1, max: 9999 }),
    fc.integer({ min: 1, max: 9999 }),
  )
  .map(([x, y, w, h]) => rect(x, y, w, h));

describe("rectangles", () => {
  it("end where they begin and their size is", () => {
    expect([right(rect(10, 20, 30, 40)), bottom(rect(10, 20, 30, 40))]).toEqual([40, 60]);
    expect(area(rect(0, 0, 35_000, 45_000))).toBe(1_575_000_000);
    expect(onItsSide({ width: mm(35), height: mm(45) })).toEqual({ width: 45_000, height: 35_000 });
  });

  it("are cut back by four edges, each on its own side", () => {
    const edges = { top: um(1), right: um(2), bottom: um(3), left: um(4) };
    expect(inside({ width: um(100), height: um(50) }, edges)).toEqual(rect(4, 1, 94, 46));
    expect(inside({ width: um(100), height: um(50) }, NO_EDGES)).toEqual(rect(0, 0, 100, 50));
  });

  it("turn their edges clockwise: the left one comes to the top", () => {
    const edges = { top: um(1), right: um(2), bottom: um(3), left: um(4) };
    expect(quarterTurned(edges)).toEqual({ top: 4, right: 1, bottom: 2, left: 3 });
    expect([1, 2, 3, 4].reduce(quarterTurned, edges)).toEqual(edges);
  });

  it("turn sizes by quarters: a half turn changes nothing, a quarter swaps the sides", () => {
    const size = { width: 3, height: 4 };
    expect([0, 90, 180, 270].map((degrees) => turnedSize(size, degrees))).toEqual([
      size,
      { width: 4, height: 3 },
      size,
      { width: 4, height: 3 },
    ]);
  });

  it("share what both have, and nothing where they only touch", () => {
    expect(overlap(rect(0, 0, 10, 10), rect(5, 6, 10, 10))).toEqual(rect(5, 6, 5, 4));
    expect(overlap(rect(0, 0, 10, 10), rect(10, 0, 10, 10))).toBeNull();
    fc.assert(
      fc.property(anyRect, anyRect, (a, b) => {
        const shared = overlap(a, b);
        expect(overlap(b, a)).toEqual(shared);
        if (shared) expect([contains(a, shared), contains(b, shared)]).toEqual([true, true]);
      }),
    );
  });

  it("contain what they are grown from, and not what is grown from them", () => {
    fc.assert(
      fc.property(anyRect, fc.integer({ min: 1, max: 500 }), (one, by) => {
        expect(contains(grown(one, by), one)).toBe(true);
        expect(contains(one, grown(one, by))).toBe(false);
        expect(grown(grown(one, by), -by)).toEqual(one);
      }),
    );
  });
});
