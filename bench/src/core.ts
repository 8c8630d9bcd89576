import { applyEdit, arrange, check, freshJob, mm, sums, um, type Job } from "@wide-quilt/core";
import { median } from "./measure.ts";

const ROUNDS = 300;
const BAR = 5;

/** Arranging, checking and summing up a sheet of 200 cells: what every change of the ticket costs. */
export function benchCore(): void {
  const photos = { p: { width: 6000, height: 4000 } };
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
    `a change of the ticket, 200 cells: arrange, check and sums\n  median ${middle.toFixed(2)} ms, worst ${worst.toFixed(2)} ms of ${ROUNDS}` +
      `\n  bar ${BAR} ms: ${middle <= BAR ? "kept" : "NOT kept"}`,
  );
}
