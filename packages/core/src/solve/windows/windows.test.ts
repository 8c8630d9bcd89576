import { describe, expect, it } from "vitest";
import { chance } from "../../base/chance.ts";
import { findWindows, inReadingOrder, type Alpha, type ArtWindow } from "./index.ts";
import { drawnAlpha, type Drawn } from "./testing/drawn.ts";

/** The corners of a rectangle that is tilted about its middle, clockwise from the upper left one. */
function corners({ x, y, width, height, angle }: Omit<Drawn, "shape">): [number, number][] {
  const radians = (angle * Math.PI) / 180;
  const [cx, cy] = [x + width / 2, y + height / 2];
  return [
    [-1, -1],
    [1, -1],
    [1, 1],
    [-1, 1],
  ].map(([u, v]) => {
    const [dx, dy] = [(u! * width) / 2, (v! * height) / 2];
    return [
      cx + dx * Math.cos(radians) - dy * Math.sin(radians),
      cy + dx * Math.sin(radians) + dy * Math.cos(radians),
    ];
  });
}

const farthest = (found: ArtWindow, drawn: Drawn): number => {
  const there = corners(drawn);
  return Math.max(...corners(found).map(([x, y], i) => Math.hypot(x - there[i]![0], y - there[i]![1])));
};

/** An artwork of so many windows on a grid, tilted and shaped by chance, with soft edges, islands and specks. */
function artwork(seed: number): { alpha: Alpha; drawn: Drawn[] } {
  const random = chance(seed);
  const [columns, rows] = [1 + Math.floor(random() * 3), 1 + Math.floor(random() * 4)];
  const [width, height] = [600 + Math.floor(random() * 600), 600 + Math.floor(random() * 900)];
  const [across, down] = [width / columns, height / rows];
  const soft = seed % 3 === 0 ? 0 : random() * 14;
  const drawn: Drawn[] = [];
  for (let row = 0; row < rows; row++) {
    for (let column = 0; column < columns; column++) {
      const shape = (["rectangle", "rectangle", "rounded", "ellipse"] as const)[Math.floor(random() * 4)]!;
      const angle = shape === "ellipse" || random() < 0.3 ? 0 : (random() - 0.5) * 50;
      const least = Math.min(across, down);
      const [w, h] = [least * (0.45 + random() * 0.15), least * (0.4 + random() * 0.15)];
      const [x, y] = [across * (column + 0.5) - w / 2 + random(), down * (row + 0.5) - h / 2 + random()];
      drawn.push({ shape, x, y, width: w, height: h, angle });
    }
  }
  const noise = seed % 2 === 0 ? { specks: 40, grain: 4, islands: seed % 4 === 0 } : null;
  return { alpha: drawnAlpha({ width, height, soft, windows: drawn, noise, random }), drawn };
}

describe("windows of sixty artworks that were drawn", () => {
  const works = Array.from({ length: 60 }, (_, seed) => ({ seed, ...artwork(seed + 1) }));

  it("are all found, in reading order, and nothing else", () => {
    for (const { seed, alpha, drawn } of works) {
      const found = findWindows(alpha);
      expect([seed, found.length]).toEqual([seed, drawn.length]);
      found.forEach((one, i) => {
        const middle = drawn[i]!;
        const off = Math.hypot(
          one.x + one.width / 2 - middle.x - middle.width / 2,
          one.y + one.height / 2 - middle.y - middle.height / 2,
        );
        expect([seed, i, off < 1]).toEqual([seed, i, true]);
      });
    }
  });

  it("have their corners within a pixel and their tilt within a tenth of a degree where they are rectangles", () => {
    let [rectangles, worst, tilt] = [0, 0, 0];
    for (const { alpha, drawn } of works) {
      findWindows(alpha).forEach((found, i) => {
        const { shape, angle, width, height } = drawn[i]!;
        if (shape === "ellipse") {
          expect(found.outline.length).toBeGreaterThan(8);
          expect(Math.abs(found.width - width)).toBeLessThan(1.5);
          expect(Math.abs(found.height - height)).toBeLessThan(1.5);
          return;
        }
        rectangles++;
        expect(found.outline).toEqual([]);
        worst = Math.max(worst, farthest(found, drawn[i]!));
        tilt = Math.max(tilt, Math.abs(found.angle - angle));
      });
    }
    console.log(
      `${rectangles} rectangles: corners off by ${worst.toFixed(2)} px, tilt by ${tilt.toFixed(3)}°`,
    );
    expect(rectangles).toBeGreaterThan(200);
    expect(worst).toBeLessThan(1);
    expect(tilt).toBeLessThan(0.1);
  });
});

describe("an artwork", () => {
  it("has no window where nothing is transparent, or specks alone are", () => {
    const opaque: Alpha = { data: new Uint8Array(100 * 100).fill(255), width: 100, height: 100 };
    expect(findWindows(opaque)).toEqual([]);
    opaque.data[5050] = 0;
    expect(findWindows(opaque)).toEqual([]);
  });

  it("has one window from edge to edge where all of it is transparent", () => {
    const all: Alpha = { data: new Uint8Array(80 * 60), width: 80, height: 60 };
    expect(findWindows(all)).toEqual([{ x: 0, y: 0, width: 80, height: 60, angle: 0, soft: 0, outline: [] }]);
  });

  it("says how far a soft edge is seen through: an even ramp of 20 pixels goes on for 10 beyond its half", () => {
    const soft = drawnAlpha({
      width: 300,
      height: 300,
      soft: 20,
      windows: [{ shape: "rectangle", x: 80, y: 80, width: 140, height: 120, angle: 0 }],
    });
    const [found] = findWindows(soft);
    expect(found).toMatchObject({ x: 80, y: 80, width: 140, height: 120, angle: 0 });
    expect(found!.soft).toBeGreaterThanOrEqual(9);
    expect(found!.soft).toBeLessThanOrEqual(11);
  });

  it("is read row by row, each from the left, though rows are not quite straight", () => {
    const at = (x: number, y: number): ArtWindow => ({
      ...{ x, y, width: 100, height: 100, angle: 0, soft: 0 },
      outline: [],
    });
    const rows = [at(0, 12), at(150, 0), at(300, 20), at(10, 200), at(160, 190), at(310, 215)];
    expect(inReadingOrder([rows[4]!, rows[2]!, rows[0]!, rows[5]!, rows[1]!, rows[3]!])).toEqual(rows);
    // A tall one beside two small ones is of the first row.
    const [tall, above, below] = [{ ...at(0, 0), height: 400 }, at(150, 20), at(150, 280)];
    expect(inReadingOrder([below, tall, above])).toEqual([above, tall, below]);
  });
});
