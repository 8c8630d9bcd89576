import { describe, expect, it } from "vitest";
import { after, placing, type Matrix } from "./matrix.ts";

const at = ([a, b, c, d, e, f]: Matrix, x: number, y: number) => [a * x + c * y + e, b * x + d * y + f];
const square = { x: 0, y: 0, width: 1, height: 1 };

describe("placing", () => {
  /**
   * Where the stored picture's row 0, column 0 is seen (Exif 2.32, 4.6.4): 1 top left, 2 top right, 3 bottom right,
   * 4 bottom left; 5 left top, 6 right top, 7 right bottom, 8 left bottom. And where the end of row 0 is seen.
   */
  it.each([
    [1, [0, 0], [1, 0]],
    [2, [1, 0], [0, 0]],
    [3, [1, 1], [0, 1]],
    [4, [0, 1], [1, 1]],
    [5, [0, 0], [0, 1]],
    [6, [1, 0], [1, 1]],
    [7, [1, 1], [1, 0]],
    [8, [0, 1], [0, 0]],
  ])("shows orientation %i upright", (orientation, corner, endOfRow) => {
    const matrix = placing(orientation, 0, square);
    expect(at(matrix, 0, 0)).toEqual(corner);
    expect(at(matrix, 1, 0)).toEqual(endOfRow);
  });

  it("turns clockwise: the upper left corner goes to the upper right", () => {
    expect(at(placing(1, 90, square), 0, 0)).toEqual([1, 0]);
    expect(at(placing(1, 180, square), 0, 0)).toEqual([1, 1]);
    expect(at(placing(1, 270, square), 0, 0)).toEqual([0, 1]);
  });

  it("stretches to where the picture lies", () => {
    const matrix = placing(1, 0, { x: 10, y: 20, width: 30, height: 40 });
    expect([at(matrix, 0, 0), at(matrix, 1, 1)]).toEqual([
      [10, 20],
      [40, 60],
    ]);
  });

  it("takes an orientation that cameras do not write for upright", () => {
    expect(placing(0, 0, square)).toEqual(placing(1, 0, square));
  });
});

it("does one matrix after another", () => {
  const shift: Matrix = [1, 0, 0, 1, 5, 0];
  const double: Matrix = [2, 0, 0, 2, 0, 0];
  expect(at(after(shift, double), 1, 1)).toEqual([12, 2]);
  expect(at(after(double, shift), 1, 1)).toEqual([7, 2]);
});
