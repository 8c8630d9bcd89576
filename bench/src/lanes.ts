import { mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { setTimeout as wait } from "node:timers/promises";
import { freshJob, mm, type Job } from "@wide-quilt/core";
import type { JobView, Proof, Run } from "@wide-quilt/server/contract";
import { Server } from "@wide-quilt/server/testing";
import { upload } from "./upload.ts";

const ROUNDS = 5;
/** Sheets of each of the two runs that are painted meanwhile. */
const SHEETS = 300;
const EDITS = 200;

const median = (values: number[]): number => values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)]!;
const percentile = (values: number[], share: number): number =>
  values.toSorted((a, b) => a - b)[Math.min(values.length - 1, Math.floor(values.length * share))]!;

/** How long a proof of another job, and edits, take while two runs of many sheets are painted, beside an idle server. */
export async function benchLanes([photo]: string[]): Promise<void> {
  const server = await Server.start(mkdtempSync(join(tmpdir(), "wide-quilt-bench-")));
  const ask = async <T>(method: string, path: string, body?: object): Promise<T> => {
    const response = await fetch(`${server.address}/api${path}`, {
      method,
      headers: { "Content-Type": "application/json" },
      body: body && JSON.stringify(body),
    });
    return (response.status === 204 ? undefined : await response.json()) as T;
  };
  const [taken] = await upload(server.address, photo!);
  const stash = [{ id: taken!.id, name: "photo.jpg" }];
  const keep = (change: Partial<Job>) =>
    ask<JobView>("POST", "/jobs/import", { ...freshJob("copies", "Bench"), stash, ...change });
  const { id: own } = await keep({});
  let gap = 0;
  /** A proof is painted once, so each time the job is another. */
  const proof = async (): Promise<number> => {
    await ask("POST", `/jobs/${own}/edits`, {
      edits: [{ id: `gap-${++gap}-of-own`, edit: { do: "ticket", change: { gap: mm(1) + gap } } }],
    });
    const since = performance.now();
    let { id, state } = await ask<Proof>("POST", `/jobs/${own}/proofs`, { sheet: 1 });
    while (state === "painting") {
      await wait(20);
      ({ id, state } = await ask<Proof>("GET", `/proofs/${id}`));
    }
    if (state !== "done") throw new Error(`The proof came to nothing: ${state}`);
    return performance.now() - since;
  };
  const proofs = async () => {
    const times: number[] = [];
    for (let round = 0; round < ROUNDS; round++) times.push(await proof());
    return times;
  };
  await proof();
  const idle = median(await proofs());
  const ticket = { ...freshJob("copies", "x").ticket, copies: SHEETS * 8 } as Job["ticket"];
  const usual = freshJob("copies", "x").target;
  const target = { ...usual, file: { ...usual.file, format: "png" as const } };
  const runs: string[] = [];
  for (const name of ["First", "Second"]) {
    const { id } = await keep({ name, ticket, target });
    runs.push((await ask<Run>("POST", `/jobs/${id}/runs`, {})).id);
  }
  const isPainting = async () => {
    const states = await Promise.all(runs.map((id) => ask<Run>("GET", `/runs/${id}`)));
    return states.every(({ state, progress }) => state === "painting" && (progress?.done ?? 0) > 0);
  };
  while (!(await isPainting())) await wait(100);
  const busy = median(await proofs());
  const edits: number[] = [];
  for (let i = 0; i < EDITS; i++) {
    const since = performance.now();
    await ask("POST", `/jobs/${own}/edits`, {
      edits: [{ id: `edit-${i}-meanwhile`, edit: { do: "target", change: { ppi: 300 + (i % 2) } } }],
    });
    edits.push(performance.now() - since);
  }
  const stillPainting = await isPainting();
  for (const id of runs) await ask("DELETE", `/runs/${id}`);
  await server.kill();
  console.log(
    `\na proof of another job while two runs of ${SHEETS} sheets are painted${stillPainting ? "" : " (they were over before)"}`,
  );
  console.log(
    `  idle ${idle.toFixed(0)} ms, meanwhile ${busy.toFixed(0)} ms: ratio ${(busy / idle).toFixed(2)} (3 allowed), medians of ${ROUNDS}`,
  );
  console.log(
    `  edits meanwhile: median ${median(edits).toFixed(1)} ms, 95 % within ${percentile(edits, 0.95).toFixed(1)} ms (100 allowed)`,
  );
}
