import fc from "fast-check";
import { expect, it } from "vitest";
import { mm, um } from "../../base/length/index.ts";
import { nested } from "./roll.ts";

const piece = (width: number, height: number) => ({ width: mm(width), height: mm(height) });
const roll = { width: mm(600), most: mm(5000) };

it("nests three panels of 280 × 400 mm on 600 mm of roll: two beside each other, one lying below", () => {
  // By hand: two side by side take 280 + 10 + 280 = 570 across and 400 along; the third lies on its side, 280 along.
  const [cut, ...more] = nested([piece(280, 400), piece(280, 400), piece(280, 400)], roll, {
    gap: mm(10),
    mayTurn: true,
  });
  expect(more).toEqual([]);
  expect(cut!.length).toBe(mm(690));
  expect(cut!.places.map(({ piece: index }) => index)).toEqual([0, 1, 2]);
});

it("takes another length where one is not long enough, and leaves out what is wider than the roll", () => {
  const cuts = nested([piece(590, 3000), piece(590, 3000), piece(700, 900)], roll, {
    gap: um(0),
    mayTurn: false,
  });
  expect(cuts.map(({ length }) => length)).toEqual([mm(3000), mm(3000)]);
});

it("lets no piece lie over another or beside the roll, and no piece twice", () => {
  fc.assert(
    fc.property(
      fc.array(fc.tuple(fc.integer({ min: 30, max: 600 }), fc.integer({ min: 30, max: 900 })), {
        minLength: 1,
        maxLength: 12,
      }),
      fc.boolean(),
      (sizes, mayTurn) => {
        const gap = 8;
        const cuts = nested(
          sizes.map(([width, height]) => piece(width, height)),
          roll,
          { gap: mm(gap), mayTurn },
        );
        expect(cuts.flatMap(({ places }) => places.map((at) => at.piece)).toSorted((a, b) => a - b)).toEqual(
          sizes.map((_, index) => index),
        );
        for (const { places, length } of cuts) {
          for (const [i, a] of places.entries()) {
            const [width, height] = sizes[a.piece]!;
            expect(a.turned ? [a.height, a.width] : [a.width, a.height]).toEqual([mm(width), mm(height)]);
            expect(a.x >= 0 && a.y >= 0 && a.x + a.width <= roll.width && a.y + a.height <= length).toBe(
              true,
            );
            for (const b of places.slice(i + 1)) {
              const apart =
                a.x + a.width + mm(gap) <= b.x ||
                b.x + b.width + mm(gap) <= a.x ||
                a.y + a.height + mm(gap) <= b.y ||
                b.y + b.height + mm(gap) <= a.y;
              expect(apart).toBe(true);
            }
          }
        }
      },
    ),
    { numRuns: 60 },
  );
});
