import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { mm, um } from "../../base/length/index.ts";
import { hooksOf, piecesOf, TRIPTYCH, wallOf, type Panels, type Side } from "./index.ts";

const page = (width: number, height: number) => ({ width: mm(width), height: mm(height) });
const faces = (of: ReturnType<typeof piecesOf>) =>
  of!.map(({ face: { x, y, width, height } }) => [x, y, width, height].map((value) => value / 1000));
const one: Side = { share: 1 };

describe("a page in panels", () => {
  it("is a triptych of thirds, the picture running on behind the gaps: 1000 × 400 mm, 20 mm apart", () => {
    // By hand: (1000 − 40) / 3 = 320.
    const pieces = piecesOf(page(1000, 400), TRIPTYCH);
    expect(faces(pieces)).toEqual([
      [0, 0, 320, 400],
      [340, 0, 320, 400],
      [680, 0, 320, 400],
    ]);
    expect(pieces!.map(({ wall }) => wall.x / 1000)).toEqual([0, 340, 680]);
  });

  it("is cut apart without a loss where the picture does not run on: panels touch on it, and are apart on the wall", () => {
    const panels: Panels = { ...TRIPTYCH, behind: false };
    const pieces = piecesOf(page(960, 400), panels);
    expect(faces(pieces).map(([x]) => x)).toEqual([0, 320, 640]);
    expect(pieces!.map(({ wall }) => wall.x / 1000)).toEqual([0, 340, 680]);
    expect(wallOf(page(960, 400), panels)).toEqual(page(1000, 400));
  });

  it("has sides that are given, and shares what they leave: 300, and 1 : 2 of the rest", () => {
    // By hand: 1000 − 2 · 20 − 300 = 660; 220 and 440.
    const columns: Side[] = [{ size: mm(300) }, { share: 1 }, { share: 2 }];
    expect(faces(piecesOf(page(1000, 400), { ...TRIPTYCH, columns })).map(([, , width]) => width)).toEqual([
      300, 220, 440,
    ]);
  });

  it("goes down in steps from the middle: 30 mm less at the top and the foot of each further one", () => {
    const panels: Panels = { ...TRIPTYCH, columns: [one, one, one, one, one], step: mm(30) };
    expect(faces(piecesOf(page(1000, 400), panels)).map(([, y, , height]) => [y, height])).toEqual([
      [60, 280],
      [30, 340],
      [0, 400],
      [30, 340],
      [60, 280],
    ]);
  });

  it("is none where a panel would have no room", () => {
    expect(piecesOf(page(200, 400), { ...TRIPTYCH, columns: [{ size: mm(250) }, one] })).toBeNull();
    expect(piecesOf(page(60, 400), { ...TRIPTYCH, gap: mm(25) })).toBeNull();
    expect(
      piecesOf(page(1000, 100), { ...TRIPTYCH, columns: [one, one, one, one, one], step: mm(40) }),
    ).toBeNull();
  });

  it("adds up to the page whatever is asked: panels and gaps, to the micrometre", () => {
    const side = fc.oneof(
      fc.record({ share: fc.integer({ min: 1, max: 100 }) }),
      fc.record({ size: fc.integer({ min: 20_000, max: 400_000 }).map(um) }),
    );
    fc.assert(
      fc.property(
        fc.array(side, { minLength: 1, maxLength: 12 }),
        fc.integer({ min: 500_000, max: 5_000_000 }),
        fc.integer({ min: 0, max: 60_000 }),
        fc.boolean(),
        (columns, width, gap, behind) => {
          const panels: Panels = { ...TRIPTYCH, columns, gap: um(gap), behind };
          const size = { width: um(width), height: mm(400) };
          const pieces = piecesOf(size, panels);
          fc.pre(pieces !== null);
          const gaps = behind ? (columns.length - 1) * gap : 0;
          expect(pieces.reduce((sum, { face }) => sum + face.width, 0) + gaps).toBe(width);
          const last = pieces.at(-1)!.wall;
          expect(last.x + last.width).toBe(wallOf(size, panels).width);
        },
      ),
      { numRuns: 500 },
    );
  });

  it("hangs by hooks: two to a panel of 320 mm, all 400 mm about 1500 mm above the floor, hooks 25 mm down", () => {
    const hang = { middle: mm(1500), hooks: 2, below: mm(25) };
    const hooks = hooksOf(piecesOf(page(1000, 400), TRIPTYCH)!, hang);
    // By hand: quarters of 320 are 80 and 240; 1500 + 200 − 25 = 1675.
    expect(hooks.map(({ panel, x, y }) => [panel, x / 1000, y / 1000])).toEqual([
      [1, 80, 1675],
      [1, 240, 1675],
      [2, 420, 1675],
      [2, 580, 1675],
      [3, 760, 1675],
      [3, 920, 1675],
    ]);
  });
});
