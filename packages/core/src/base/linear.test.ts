import { expect, it } from "vitest";
import { leastLinear, leastSquares } from "./linear.ts";

it("finds the best corner: x + y as large as x ≤ 4, y ≤ 3, x + 2y ≤ 8 allow is 4 + 2", () => {
  const limits = [
    { a: [1, 0], b: 4 },
    { a: [0, 1], b: 3 },
    { a: [1, 2], b: 8 },
    { a: [-1, 0], b: 0 },
    { a: [0, -1], b: 0 },
  ];
  expect(leastLinear([-1, -1], limits)).toEqual([4, 2]);
});

it("says that nothing keeps x ≤ 1 and x ≥ 2", () => {
  const limits = [
    { a: [1], b: 1 },
    { a: [-1], b: -2 },
  ];
  expect(leastLinear([1], limits)).toBeNull();
  expect(leastSquares([{ a: [1], to: 0 }], limits)).toBeNull();
});

it("goes to the wish where it may, else to the nearest point of the limit", () => {
  const wishes = [
    { a: [1, 0], to: 3 },
    { a: [0, 1], to: 4 },
  ];
  expect(leastSquares(wishes, [{ a: [1, 1], b: 10 }])).toEqual([3, 4]);
  // On x + y = 5 the foot of the perpendicular from (3, 4) is (2, 3).
  const foot = leastSquares(wishes, [{ a: [1, 1], b: 5 }])!;
  expect(foot[0]).toBeCloseTo(2, 9);
  expect(foot[1]).toBeCloseTo(3, 9);
});
