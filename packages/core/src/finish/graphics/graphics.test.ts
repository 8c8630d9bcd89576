import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { contains, type Rect } from "../../base/geometry/index.ts";
import { mm, um } from "../../base/length/index.ts";
import { ANCHORS, coverWith, placeIn, type Graphic, type Ground } from "./index.ts";

const rect = (x: number, y: number, width: number, height: number): Rect => ({
  x: mm(x),
  y: mm(y),
  width: mm(width),
  height: mm(height),
});
const ground = (box: Rect, turn = 0): Ground => ({ box, turn, clip: box });
const graphic = (change: Partial<Graphic>): Graphic => ({
  role: "stamp",
  of: { kind: "file", file: "g", name: "g.png", proportion: 2 },
  width: mm(20),
  at: "middle",
  away: um(0),
  turn: 0,
  tiled: false,
  apart: mm(5),
  fit: "stretch",
  opacity: 1,
  blend: "normal",
  sheet: null,
  ...change,
});
const source = { file: "gull.jpg", own: {}, job: "Autumn", page: 1, pages: 1, sheet: 1, sheets: 1 };
const none = () => null;
const placed = (own: Graphic, on: Ground) =>
  placeIn(own, on, source, none).map((ink) =>
    ink.kind === "picture" ? ink.rect : ink.kind === "text" ? ink.text.box : ink.box,
  );

describe("a graphic that is placed", () => {
  const box = rect(10, 20, 100, 80);

  it.each([
    ["top left", rect(14, 24, 20, 10)],
    ["top", rect(50, 24, 20, 10)],
    ["right", rect(86, 55, 20, 10)],
    ["bottom right", rect(86, 86, 20, 10)],
    ["middle", rect(50, 55, 20, 10)],
  ] as const)("at the %s keeps its distance from the edges it is placed at", (at, where) =>
    expect(placed(graphic({ at, away: mm(4) }), ground(box))).toEqual([where]),
  );

  it("goes round with a cell that lies on its side", () => {
    // Upright 40 × 60 about (50, 50): its lower right is, a quarter clockwise, at the lower left of 60 × 40.
    const [where] = placed(graphic({ at: "bottom right" }), ground(rect(30, 20, 40, 60), 90));
    const middle = { x: where!.x + where!.width / 2, y: where!.y + where!.height / 2 };
    // From the middle it is 10 to the right and 25 down; turned that is 25 to the left and 10 down.
    expect(middle).toEqual({ x: mm(25), y: mm(60) });
  });

  it("as words is as wide on paper as it was asked to be, and takes fields", () => {
    const words = graphic({
      of: { kind: "words", text: "[job] [sheet]", font: "hanken", colour: "#000000" },
    });
    const [ink] = placeIn(words, ground(box), source, none);
    if (ink?.kind !== "text") throw new Error("no words");
    expect(ink.text.lines.map(({ text }) => text)).toEqual(["Autumn 1"]);
    expect(ink.text.box.width).toBe(mm(20) + 2);
    expect(
      placeIn({ ...words, of: { ...words.of, text: "[title]" } as Graphic["of"] }, ground(box), source, none),
    ).toEqual([]);
  });

  it("lies inside its box wherever it is placed, as long as it fits", () => {
    fc.assert(
      fc.property(fc.constantFrom(...ANCHORS), fc.integer({ min: 0, max: 20 }), (at, away) => {
        const [where] = placed(graphic({ at, away: mm(away) }), ground(box));
        expect(contains(box, where!)).toBe(true);
      }),
    );
  });
});

describe("a watermark that is repeated", () => {
  it("leaves no place of the photo further from a repeat than a step, and never takes more than a few hundred", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 20, max: 200 }),
        fc.integer({ min: 20, max: 200 }),
        fc.integer({ min: 2, max: 60 }),
        fc.integer({ min: -90, max: 90 }),
        (width, height, wide, turn) => {
          const box = rect(0, 0, width, height);
          const own = graphic({ role: "watermark", tiled: true, width: mm(wide), turn });
          const all = placed(own, ground(box));
          expect(all.length).toBeGreaterThan(0);
          expect(all.length).toBeLessThanOrEqual(700);
          const middles = all.map((one) => [one.x + one.width / 2, one.y + one.height / 2] as const);
          // Rows are half a graphic and a gap apart, columns a graphic and a gap, or wider where that would be too many.
          const step = Math.max(mm(wide) + mm(5), Math.hypot(mm(width), mm(height)) / 8);
          for (const [u, v] of [
            [0.05, 0.05],
            [0.5, 0.95],
            [0.95, 0.5],
          ] as const) {
            const nearest = Math.min(
              ...middles.map(([x, y]) => Math.hypot(x - u * box.width, y - v * box.height)),
            );
            expect(nearest).toBeLessThanOrEqual(step * 1.2);
          }
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe("a graphic that takes the size of what it lies on", () => {
  const box = rect(0, 0, 60, 60);
  const covered = (fit: Graphic["fit"]) => {
    const [ink] = coverWith(graphic({ role: "overlay", fit }), ground(box), none);
    return ink?.kind === "picture" ? ink.rect : null;
  };

  it("is stretched, filled or whole: 2 : 1 on 60 × 60 mm", () => {
    expect(covered("stretch")).toEqual(box);
    expect(covered("whole")).toEqual(rect(0, 15, 60, 30));
    expect(covered("fill")).toEqual(rect(-30, 0, 120, 60));
  });

  it("is nothing while its photo is missing", () =>
    expect(
      coverWith(graphic({ role: "backing", of: { kind: "photo", photo: "x", order: 1 } }), ground(box), none),
    ).toEqual([]));
});
