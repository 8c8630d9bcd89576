import { describe, expect, it } from "vitest";
import { um } from "../../base/length/index.ts";
import { darkAndLight, partUnder, type Light } from "./index.ts";

const box = (x: number, y: number, width: number, height: number) => ({
  x: um(x),
  y: um(y),
  width: um(width),
  height: um(height),
});

/** Three columns and two rows; each part from its number to ten more of it, in grey. */
const grey = (value: number) => value.toString(16).padStart(2, "0").repeat(3);
const light: Light = {
  columns: 3,
  rows: 2,
  parts: [0, 1, 2, 3, 4, 5].map((i) => grey(i * 16) + grey(i * 16 + 10)).join(""),
};

describe("the light of a photo", () => {
  it("is that of all parts reached into", () => {
    expect(darkAndLight(light, { left: 0.4, top: 0.1, right: 0.6, bottom: 0.2 })).toEqual([
      ["#101010", "#1a1a1a"],
    ]);
    expect(darkAndLight(light, { left: 0.6, top: 0.4, right: 0.7, bottom: 0.6 })).toHaveLength(4);
    // Past its edges the outermost parts count.
    expect(darkAndLight(light, { left: 0.9, top: 0.9, right: 1.4, bottom: 1.2 })).toEqual([
      ["#505050", "#5a5a5a"],
    ]);
  });

  it.each([
    // The upper left sixth of what lies there, of 300 × 200 upright and 200 × 300 on its side: the photo’s part by hand.
    [0, box(0, 0, 300, 200), { left: 0, top: 0, right: 1 / 3, bottom: 1 / 2 }],
    [90, box(0, 0, 200, 300), { left: 0, top: 1 / 2, right: 1 / 3, bottom: 1 }],
    [180, box(0, 0, 300, 200), { left: 2 / 3, top: 1 / 2, right: 1, bottom: 1 }],
    [270, box(0, 0, 200, 300), { left: 2 / 3, top: 0, right: 1, bottom: 1 / 2 }],
  ] as const)("is found where a photo lies turned by %i°", (turn, placed, part) => {
    const lies = { placed, turn, level: 0, loss: 0, ppi: 300 };
    const cell = { finished: placed, angle: 0, cover: placed };
    const found = partUnder(box(0, 0, 100, 100), lies, cell);
    for (const side of ["left", "top", "right", "bottom"] as const)
      expect(found[side], side).toBeCloseTo(part[side], 9);
  });

  it("is found in a tilted cell: a quarter clockwise about the middle of a square", () => {
    const square = box(0, 0, 400, 400);
    const upright = { placed: square, turn: 0, level: 0, loss: 0, ppi: 300 } as const;
    // Its left edge comes to lie at the top.
    const found = partUnder(box(0, 0, 400, 100), upright, { finished: square, angle: 90, cover: square });
    expect(found.left).toBeCloseTo(0, 9);
    expect(found.right).toBeCloseTo(0.25, 9);
    const levelled = partUnder(
      box(0, 0, 400, 100),
      { ...upright, level: 90 },
      { finished: square, angle: 0, cover: square },
    );
    expect(levelled.right).toBeCloseTo(0.25, 9);
  });
});
