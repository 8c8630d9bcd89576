import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { overlap } from "../../base/geometry/index.ts";
import { mm, um } from "../../base/length/index.ts";
import type { Finish } from "../../job/index.ts";
import { cutMarks } from "./index.ts";

const paper = { width: mm(100), height: mm(60) };
const rect = (x: number, y: number, w: number, h: number) => ({
  x: mm(x),
  y: mm(y),
  width: mm(w),
  height: mm(h),
});
const cell = (x: number, y: number, w: number, h: number, slack = 0) => ({
  finished: rect(x, y, w, h),
  image: rect(x - slack, y - slack, w + 2 * slack, h + 2 * slack),
});
const marks = (kind: Finish["marks"]["kind"]): Finish["marks"] => ({
  kind,
  length: mm(4),
  width: um(150),
  colour: "#000000",
});
const spans = (strokes: ReturnType<typeof cutMarks>) =>
  strokes
    .map(({ x1, y1, x2, y2 }) => [x1, y1, x2, y2].map((v) => v / 1000))
    .sort((a, b) => a[0]! - b[0]! || a[1]! - b[1]! || a[2]! - b[2]!);

describe("cutMarks", () => {
  it("sets eight ticks at one piece: half a millimetre off its corners, four long", () => {
    expect(spans(cutMarks(paper, [cell(20, 20, 30, 20)], marks("corner ticks")))).toEqual([
      [15.5, 20, 19.5, 20],
      [15.5, 40, 19.5, 40],
      [20, 15.5, 20, 19.5],
      [20, 40.5, 20, 44.5],
      [50, 15.5, 50, 19.5],
      [50, 40.5, 50, 44.5],
      [50.5, 20, 54.5, 20],
      [50.5, 40, 54.5, 40],
    ]);
  });

  it("shortens ticks to the gap, a quarter of a millimetre clear of both photos", () => {
    const strokes = cutMarks(paper, [cell(20, 20, 20, 20), cell(42, 20, 20, 20)], marks("corner ticks"));
    expect(spans(strokes)).toContainEqual([40.25, 20, 41.75, 20]);
  });

  it("leaves out ticks where pieces touch, and begins outside the slack", () => {
    const touching = cutMarks(paper, [cell(20, 20, 20, 20), cell(40, 20, 20, 20)], marks("corner ticks"));
    expect(spans(touching)).toContainEqual([40, 15.5, 40, 19.5]);
    expect(touching.every(({ y1, y2, x1, x2 }) => y1 !== y2 || x2 <= mm(20) || x1 >= mm(60))).toBe(true);
    const slack = cutMarks(paper, [cell(20, 20, 30, 20, 2)], marks("corner ticks"));
    expect(spans(slack)).toContainEqual([15.5, 20, 17.75, 20]);
  });

  it("runs full lines from edge to edge, broken by photos", () => {
    expect(spans(cutMarks(paper, [cell(20, 20, 30, 20)], marks("full lines")))).toContainEqual([
      0, 20, 19.75, 20,
    ]);
    expect(spans(cutMarks(paper, [cell(20, 20, 30, 20)], marks("full lines")))).toContainEqual([
      50.25, 20, 100, 20,
    ]);
  });

  it("draws nothing for none", () => {
    expect(cutMarks(paper, [cell(20, 20, 30, 20)], marks("none"))).toEqual([]);
  });

  it("never touches an image or leaves the paper", () => {
    const kinds = fc.constantFrom("corner ticks", "crosses", "full lines") as fc.Arbitrary<
      Finish["marks"]["kind"]
    >;
    const part = fc.integer({ min: 0, max: 60 });
    fc.assert(
      fc.property(
        kinds,
        fc.array(
          fc.tuple(
            part,
            part,
            fc.integer({ min: 3, max: 40 }),
            fc.integer({ min: 3, max: 40 }),
            fc.integer({ min: 0, max: 3 }),
          ),
          { maxLength: 8 },
        ),
        (kind, boxes) => {
          const cells = boxes.map(([x, y, w, h, slack]) => cell(x, y, w, h, slack));
          for (const { x1, y1, x2, y2, width } of cutMarks(paper, cells, marks(kind))) {
            expect(Math.min(x1, y1)).toBeGreaterThanOrEqual(0);
            expect(x2).toBeLessThanOrEqual(paper.width);
            expect(y2).toBeLessThanOrEqual(paper.height);
            const along =
              x1 === x2
                ? { x: um(x1 - width / 2), y: y1, width, height: um(y2 - y1) }
                : { x: x1, y: um(y1 - width / 2), width: um(x2 - x1), height: width };
            for (const { image } of cells) expect(overlap(along, image)).toBeNull();
          }
        },
      ),
    );
  });
});
