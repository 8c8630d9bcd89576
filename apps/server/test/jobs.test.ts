import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { freshJob, mm, patched, type Job, type JobEdit } from "@wide-quilt/core";
import type { JobChange, JobSummary, JobView, ProblemBody } from "../src/contract.ts";
import { Server } from "../testing/server.ts";
import { Client, testFolder } from "./client.ts";

let server: Server;
let client: Client;
beforeAll(async () => {
  server = await Server.start(testFolder());
  client = new Client(server);
});
afterAll(() => server.kill());

const PLACE = {
  sheet: "1",
  x: mm(10),
  y: mm(10),
  width: mm(40),
  height: mm(30),
  angle: 0,
  order: 0,
  locked: false,
  proportion: false,
};

const gap = (millimetres: number) => ({ do: "ticket", change: { gap: mm(millimetres) } }) as const;

describe("jobs over HTTP", () => {
  it("starts, renames, duplicates, bins, takes out and deletes", async () => {
    const started = await client.ask<JobView>("POST", "/jobs", {
      kind: "copies",
      name: "Badges",
      locale: "en-GB",
    });
    expect(started).toMatchObject({ status: 201, body: { version: 0, undo: null, job: { name: "Badges" } } });
    const { id } = started.body;
    const renamed = await client.edit(id, 0, { do: "rename", name: "Ringers" });
    expect(renamed.body).toMatchObject({ version: 1, undo: "name", job: { name: "Ringers" } });
    const copy = await client.ask<JobView>("POST", `/jobs/${id}/duplicate`);
    expect(copy.body.job.name).toBe("Ringers, copy");
    const early = await client.ask<ProblemBody>("DELETE", `/jobs/${id}`);
    expect(early).toMatchObject({ status: 409, body: { type: "/problems/not-in-the-bin" } });
    await client.ask("PUT", `/jobs/${id}/bin`, { binned: true });
    const names = async (bin: boolean) =>
      (await client.ask<JobSummary[]>("GET", `/jobs?bin=${bin}`)).body.map(({ name }) => name);
    expect(await names(true)).toEqual(["Ringers"]);
    expect(await names(false)).not.toContain("Ringers");
    await client.ask("PUT", `/jobs/${id}/bin`, { binned: false });
    expect(await names(false)).toContain("Ringers");
    await client.ask("PUT", `/jobs/${id}/bin`, { binned: true });
    expect((await client.ask("DELETE", `/jobs/${id}`)).status).toBe(204);
    expect((await client.ask<ProblemBody>("GET", `/jobs/${id}`)).body.type).toBe("/problems/no-such-job");
  });

  it("starts with what the reader's country expects", async () => {
    const { body } = await client.ask<JobView>("POST", "/jobs", {
      kind: "copies",
      name: "x",
      locale: "en-US",
    });
    expect(body.job.sheet.paper.name).toBe("4 × 6 in");
  });

  it("undoes and redoes every step, and forgets what was undone when something else is done", async () => {
    const { id, job } = await client.importJob();
    const way = (to: "undo" | "redo") => client.walk(id, to).then(({ body }) => body);
    await client.edit(id, 0, gap(3));
    const after = (await client.edit(id, 1, { do: "target", change: { ppi: 600 } })).body;
    expect(after).toMatchObject({ undo: "ppi", redo: null });
    const once = await way("undo");
    expect(once).toMatchObject({ undo: "gap", redo: "ppi", job: { target: { ppi: 300 } } });
    const twice = await way("undo");
    expect(twice.job).toEqual(job);
    expect(twice).toMatchObject({ undo: null, redo: "gap" });
    expect((await way("redo")).job.ticket.gap).toBe(3000);
    expect((await way("redo")).job).toEqual(after.job);
    await way("undo");
    const other = (await client.edit(id, 7, { do: "rename", name: "Other" })).body;
    expect(other).toMatchObject({ undo: "name", redo: null });
    expect((await way("redo")).job).toEqual(other.job);
  });

  it("undoes the edits of one gesture together", async () => {
    const { id, job } = await client.importJob();
    for (let i = 0; i < 5; i++) await client.edit(id, i, gap(3 + i), "slide-1");
    await client.edit(id, 5, gap(9), "slide-2");
    const undo = async () => (await client.walk(id, "undo")).body;
    expect((await undo()).job.ticket.gap).toBe(7000);
    expect((await undo()).job).toEqual(job);
  });

  it("applies an edit once that is sent twice, since its first answer was lost", async () => {
    const { id } = await client.importJob();
    const first = await client.edit(id, 0, gap(4), undefined, "edit-number-one");
    const second = await client.edit(id, 0, gap(4), undefined, "edit-number-one");
    expect(second).toMatchObject({ status: 200, body: { version: first.body.version } });
  });

  it("passes over what it took in before, also where another window changed the job meanwhile", async () => {
    const { id } = await client.importJob({ ticket: { ...freshJob("free", "x").ticket } });
    const other = new Client(server);
    const add: JobEdit = { do: "add cells", cells: [{ place: PLACE, photo: null }] };
    await client.edit(id, 0, add, undefined, "added-once");
    await other.edit(id, 1, { do: "rename", name: "Elsewhere" });
    // The answer was lost, so it is sent again, with what came after it.
    const edits = [
      { id: "added-once", edit: add },
      { id: "and-then", edit: gap(7) },
    ];
    const again = await client.ask<JobChange>("POST", `/jobs/${id}/edits`, {
      client: client.window,
      version: 0,
      edits,
    });
    expect(again.body).toMatchObject({ taken: "and-then", from: 0, version: 3 });
    const { body } = await client.ask<JobView>("GET", `/jobs/${id}`);
    expect(Object.keys(body.job.cells)).toEqual(["o1"]);
    expect(body.job).toMatchObject({ name: "Elsewhere", ticket: { gap: 7000 } });
  });

  it("puts edits of two windows on top of each other, and answers with the difference alone", async () => {
    const { id, job } = await client.importJob();
    const other = new Client(server);
    await other.edit(id, 0, gap(5));
    const { body } = await client.ask<JobChange>("POST", `/jobs/${id}/edits`, {
      client: client.window,
      version: 0,
      edits: [{ id: "mine-alone", edit: { do: "rename", name: "Late" } }],
    });
    expect(body.job).toBeUndefined();
    expect(patched(job, body.patch)).toMatchObject({ name: "Late", ticket: { gap: 5000 } });
    // Whoever is so far behind that nobody knows what lay between gets the job.
    const far = await client.ask<JobChange>("POST", `/jobs/${id}/edits`, {
      client: client.window,
      version: 900,
      edits: [{ id: "mine-again", edit: gap(6) }],
    });
    expect(far.body).toMatchObject({ from: null, job: { name: "Late", ticket: { gap: 6000 } } });
  });

  it.each([
    [
      "a length of nothing",
      { do: "ticket", change: { size: { width: 0, height: 45_000 } } },
      /at least 3 mm/,
    ],
    ["a negative length", { do: "ticket", change: { gap: -2000 } }, /at least 0 mm/],
    [
      "an absurd length",
      { do: "ticket", change: { size: { width: 9e15, height: 45_000 } } },
      /at most 3000 mm/,
    ],
    ["half a micrometre", { do: "finish", change: { slack: 0.5 } }, /whole number of micrometres/],
    ["too many copies", { do: "ticket", change: { copies: 1e7 } }, /./],
    ["something unknown", { do: "explode" }, /./],
  ])("refuses %s with a sentence, and changes nothing", async (_, edit, why) => {
    const { id, job } = await client.importJob();
    const answer = await client.edit(id, 0, edit as never);
    expect(answer.status).toBe(422);
    expect(answer.body.detail).toMatch(why);
    expect(answer.body.detail).toMatch(/The job is as it was/);
    expect((await client.ask<JobView>("GET", `/jobs/${id}`)).body).toMatchObject({ version: 0, job });
  });

  it("takes all edits of a lot or none", async () => {
    const { id, job } = await client.importJob();
    const edits = [gap(4), gap(-4)].map((edit, i) => ({ id: `lot-edit-${i}`, edit }));
    expect((await client.ask("POST", `/jobs/${id}/edits`, { version: 0, edits })).status).toBe(422);
    expect((await client.ask<JobView>("GET", `/jobs/${id}`)).body.job).toEqual(job);
  });

  it("exports the job file that it imports", async () => {
    const { id, job } = await client.importJob({ name: "Bürgerfest: “Ufer”" });
    const response = await fetch(`${server.address}/api/jobs/${id}/file`);
    expect(response.headers.get("Content-Disposition")).toContain("filename*=UTF-8''B%C3%BCrgerfest");
    const file = (await response.json()) as Job;
    expect(file).toEqual(job);
    expect((await client.ask<JobView>("POST", "/jobs/import", file)).body.job).toEqual(job);
    const bad = await client.ask<ProblemBody>("POST", "/jobs/import", { ...file, version: 99 });
    expect(bad).toMatchObject({ status: 422, body: { detail: expect.stringMatching(/newer Wide Quilt/) } });
  });

  it("names the field of a request that is not right, and refuses what does not belong", async () => {
    const without = await client.ask<ProblemBody>("POST", "/jobs", { kind: "copies", name: "" });
    expect(without).toMatchObject({ status: 400, body: { type: "/problems/not-valid", field: "name" } });
    const more = await client.ask<ProblemBody>("POST", "/jobs", { kind: "copies", name: "x", admin: true });
    expect(more).toMatchObject({ status: 400, body: { field: "admin" } });
    const deep = await client.ask<ProblemBody>("POST", "/jobs/any/edits", {
      version: 0,
      edits: [{ id: "x", edit: {} }],
    });
    expect(deep.body.field).toBe("edits.0.id");
  });
});
