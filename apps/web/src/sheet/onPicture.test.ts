import { um, type Picture, type Rect } from "@wide-quilt/core";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { onPicture, pictureAttributes } from "./onPicture.ts";

const rect = (x: number, y: number, width: number, height: number): Rect => ({
  x: um(x),
  y: um(y),
  width: um(width),
  height: um(height),
});
const picture = (turn: Picture["turn"], placed: Rect): Picture =>
  ({ placed, turn, level: 0, ppi: 300 }) as Picture;

/** A point through “translate(a b) rotate(t)” of SVG 1.1, 7.6: turned about the origin first, then moved. */
function through(transform: string, [x, y]: [number, number]): [number, number] {
  const [, a, b, t] = /^translate\((\S+) (\S+)\) rotate\((\d+)\)$/.exec(transform)!.map(Number) as [
    number,
    number,
    number,
    number,
  ];
  const [sin, cos] = [Math.sin((t * Math.PI) / 180), Math.cos((t * Math.PI) / 180)];
  return [a + x * cos - y * sin, b + x * sin + y * cos];
}

const turns = fc.constantFrom(0 as const, 90 as const, 180 as const, 270 as const);
const length = fc.integer({ min: 1, max: 500_000 });
const place = fc.integer({ min: -300_000, max: 300_000 });
const rects = fc.tuple(place, place, length, length).map(([x, y, w, h]) => rect(x, y, w, h));

describe("an upright photo laid where its turned picture is", () => {
  it("by hand: a quarter clockwise its upper left corner lies at the upper right", () => {
    // 20 × 30 mm on paper at 5, 7 mm: the upright photo is 30 wide and 20 high.
    const { width, height, transform } = pictureAttributes(picture(90, rect(5, 7, 20, 30)));
    expect([width, height]).toEqual([30, 20]);
    expect(transform).toBe("translate(25 7) rotate(90)");
  });

  it("covers exactly its place, whichever way it is turned", () => {
    fc.assert(
      fc.property(turns, rects, (turn, placed) => {
        const { width, height, transform } = pictureAttributes(picture(turn, placed));
        const corners = (
          [
            [0, 0],
            [width, 0],
            [width, height],
            [0, height],
          ] as [number, number][]
        ).map((corner) => through(transform, corner));
        const xs = corners.map(([x]) => x);
        const ys = corners.map(([, y]) => y);
        expect(Math.min(...xs)).toBeCloseTo(placed.x, 4);
        expect(Math.max(...xs)).toBeCloseTo(placed.x + placed.width, 4);
        expect(Math.min(...ys)).toBeCloseTo(placed.y, 4);
        expect(Math.max(...ys)).toBeCloseTo(placed.y + placed.height, 4);
      }),
    );
  });

  it("sees a window of the sheet where that is, whichever way it is turned", () => {
    fc.assert(
      fc.property(turns, rects, rects, (turn, placed, window) => {
        const seen = onPicture(window, picture(turn, placed))!;
        const { transform } = pictureAttributes(picture(turn, placed));
        const [x1, y1] = through(transform, [seen.x, seen.y]);
        const [x2, y2] = through(transform, [seen.x + seen.width, seen.y + seen.height]);
        expect(Math.min(x1, x2)).toBeCloseTo(window.x, 4);
        expect(Math.min(y1, y2)).toBeCloseTo(window.y, 4);
        expect(Math.max(x1, x2)).toBeCloseTo(window.x + window.width, 4);
        expect(Math.max(y1, y2)).toBeCloseTo(window.y + window.height, 4);
      }),
    );
  });
});
