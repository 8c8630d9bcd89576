import fc from "fast-check";
import { expect, it } from "vitest";
import { graphCut, type GridGraph } from "./graphCut.ts";

/** What a division costs, counted edge by edge. */
function cost({ width, height, terminal, links }: GridGraph, side: ArrayLike<number>): number {
  let sum = 0;
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const i = y * width + x;
      sum += side[i] === 1 ? Math.max(0, -terminal[i]!) : Math.max(0, terminal[i]!);
      for (const [direction, [dx, dy]] of [
        [1, 0],
        [1, 1],
        [0, 1],
        [-1, 1],
      ].entries()) {
        const [nx, ny] = [x + dx!, y + dy!];
        if (nx < 0 || nx >= width || ny >= height) continue;
        if (side[i] !== side[ny * width + nx]) sum += links[i * 4 + direction]!;
      }
    }
  }
  return sum;
}

it("costs as little as the best of all divisions, tried one by one", () => {
  const grid = fc
    .record({ width: fc.integer({ min: 1, max: 4 }), height: fc.integer({ min: 1, max: 3 }) })
    .chain(({ width, height }) =>
      fc.record({
        width: fc.constant(width),
        height: fc.constant(height),
        terminal: fc
          .array(fc.integer({ min: -9, max: 9 }), { minLength: width * height, maxLength: width * height })
          .map((values) => Float32Array.from(values)),
        links: fc
          .array(fc.integer({ min: 0, max: 7 }), {
            minLength: width * height * 4,
            maxLength: width * height * 4,
          })
          .map((values) => Float32Array.from(values)),
      }),
    );
  fc.assert(
    fc.property(grid, (graph) => {
      const n = graph.width * graph.height;
      let best = Infinity;
      for (let bits = 0; bits < 1 << n; bits++) {
        best = Math.min(
          best,
          cost(
            graph,
            Array.from({ length: n }, (_, i) => (bits >> i) & 1),
          ),
        );
      }
      expect(cost(graph, graphCut(graph))).toBe(best);
    }),
    { numRuns: 150 },
  );
});

it("cuts a sheet of 300 × 400 places along its one weak line", () => {
  const [width, height] = [300, 400];
  const terminal = new Float32Array(width * height);
  const links = new Float32Array(width * height * 4).fill(5);
  for (let y = 0; y < height; y++) {
    terminal[y * width] = 100;
    terminal[y * width + width - 1] = -100;
    // Parting column 119 from column 120 costs little.
    for (const direction of [0, 1]) links[(y * width + 119) * 4 + direction] = 0.1;
    links[(y * width + 120) * 4 + 3] = 0.1;
  }
  const side = graphCut({ width, height, terminal, links });
  const kept = Array.from({ length: height }, (_, y) =>
    side.slice(y * width, (y + 1) * width).lastIndexOf(1),
  );
  expect(new Set(kept)).toEqual(new Set([119]));
});
