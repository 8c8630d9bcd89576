import {
  applyEdit,
  arrange,
  check,
  freshJob,
  mm,
  sums,
  um,
  type Face,
  type Job,
  type Photos,
} from "@wide-quilt/core";
import { median } from "./measure.ts";

const ROUNDS = 300;
const BAR = 5;

/** Arranging, checking and summing up a sheet of 200 cells: what every change of the ticket costs; of a photo without heads and of a group. */
export function benchCore(): void {
  for (const heads of [0, 4]) change(heads);
}

function change(count: number): void {
  const heads = Array.from({ length: count }, (_, i) => headAt((i + 1) / (count + 1)));
  const photos: Photos = { p: { width: 6000, height: 4000, seen: { heads, by: "found" } } };
  let job: Job = applyEdit(freshJob("copies", "Bench"), {
    do: "add photos",
    photos: [{ id: "p", name: "p.jpg" }],
  });
  job = applyEdit(job, { do: "sheet", change: { paper: { name: "A3", width: mm(297), height: mm(420) } } });
  job = applyEdit(job, {
    do: "ticket",
    change: { copies: 200, size: { width: mm(20), height: mm(25) }, gap: mm(1) },
  });
  job = applyEdit(job, { do: "finish", change: { outline: { width: um(200), colour: "#9a9a9a" } } });
  const times: number[] = [];
  for (let round = 0; round < ROUNDS; round++) {
    const changed = applyEdit(job, { do: "shot", shot: "1", change: { scale: 1 + round / ROUNDS } });
    const start = performance.now();
    const sheets = arrange(changed, photos);
    check(changed, photos, sheets);
    sums(changed, photos, sheets);
    times.push(performance.now() - start);
    if (sheets[0]!.cells.length !== 200) throw new Error("This is not a sheet of 200 cells");
  }
  const worst = Math.max(...times.slice(20));
  const middle = median(times);
  console.log(
    `a change of the ticket, 200 cells with ${count} heads in each: arrange, check and sums\n  median ${middle.toFixed(2)} ms, worst ${worst.toFixed(2)} ms of ${ROUNDS}` +
      `\n  bar ${BAR} ms: ${middle <= BAR ? "kept" : "NOT kept"}`,
  );
}

/** An upright head, its middle a share of the photo’s width from its left. */
const headAt = (x: number): Face => ({
  crown: { x, y: 0.3 },
  skull: null,
  chin: { x, y: 0.5 },
  leftEye: { x: x - 0.02, y: 0.4 },
  rightEye: { x: x + 0.02, y: 0.4 },
  ears: null,
  sure: true,
  pose: null,
});
