import {
  chance,
  cutPlan,
  mostOf,
  nothingCropped,
  PAPERS,
  PRINT_SIZES,
  um,
  type Cuts,
} from "@wide-quilt/core";
import { median } from "./measure.ts";

/** The layouts that answer at once: most cells of one size, a collage of sixty photos, a cut plan. */
export function benchLayouts(): void {
  benchMost();
  benchCollage();
  benchCuts();
}

const MOST_CELLS = 300;

function benchMost(): void {
  const worst: Record<Cuts, { took: number; what: string }> = {
    straight: { took: 0, what: "" },
    any: { took: 0, what: "" },
  };
  let asked = 0;
  let proved = 0;
  // The first pass warms the compiler up; a person's first sheet is no bench.
  for (const counts of [false, true]) {
    for (const paper of PAPERS) {
      for (const piece of PRINT_SIZES) {
        for (const gap of [0, 2000]) {
          for (const cuts of ["straight", "any"] as const) {
            const start = performance.now();
            const found = mostOf({ piece, area: paper, gap: um(gap), cuts });
            const took = performance.now() - start;
            if (!counts || found.count > MOST_CELLS) continue;
            asked++;
            if (found.proved) proved++;
            if (took > worst[cuts].took) {
              worst[cuts] = {
                took,
                what: `${piece.name} on ${paper.name}, ${gap / 1000} mm apart, ${found.count} cells`,
              };
            }
          }
        }
      }
    }
  }
  const kept = Math.max(worst.straight.took, worst.any.took) <= 50;
  console.log(
    `the most cells of one size, every paper × size with up to ${MOST_CELLS} cells: ${asked} questions, ${proved} proved` +
      `\n  worst by straight cuts ${worst.straight.took.toFixed(1)} ms (${worst.straight.what})` +
      `\n  worst by any cuts ${worst.any.took.toFixed(1)} ms (${worst.any.what})` +
      `\n  bar 50 ms: ${kept ? "kept" : "NOT kept"}`,
  );
}

function benchCollage(): void {
  const random = chance(7);
  const shapes = [1.5, 2 / 3, 4 / 3, 0.75, 1, 16 / 9];
  const times: number[] = [];
  let crop = 0;
  for (let round = 0; round < 12; round++) {
    const proportions = Array.from({ length: 60 }, () => shapes[Math.floor(random() * shapes.length)]!);
    const start = performance.now();
    const found = nothingCropped(
      { area: { width: um(300_000), height: um(200_000) }, gap: 2000, proportions },
      round,
    );
    times.push(performance.now() - start);
    crop = Math.max(crop, found?.crop ?? 1);
  }
  const worst = Math.max(...times.slice(1));
  console.log(
    `a collage of 60 photos with nothing cropped: median ${median(times).toFixed(0)} ms, worst ${worst.toFixed(0)} ms, at most ${(crop * 100).toFixed(2)} % cropped` +
      `\n  bar 200 ms: ${worst <= 200 ? "kept" : "NOT kept"}`,
  );
}

function benchCuts(): void {
  for (const [columns, rows] of [
    [4, 2],
    [8, 4],
    [15, 20],
  ] as const) {
    const cells = Array.from({ length: columns * rows }, (_, i) => ({
      x: um(3000 + (i % columns) * 37_000),
      y: um(4000 + Math.floor(i / columns) * 47_000),
      width: um(35_000),
      height: um(45_000),
    }));
    const paper = { width: um(columns * 37_000 + 5000), height: um(rows * 47_000 + 7000) };
    const start = performance.now();
    const plan = cutPlan(paper, cells);
    const took = performance.now() - start;
    console.log(
      `the cut plan of ${columns} × ${rows} with gaps: ${plan.ok ? `${plan.steps.length} passes, ${plan.stops} stops` : "none"}, ${took.toFixed(0)} ms`,
    );
  }
}
