import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { mm, type Job } from "@wide-quilt/core";
import type { JobSummary, JobView, ProblemBody } from "../src/contract.ts";
import { Server } from "../testing/server.ts";
import { Client, testFolder } from "./client.ts";

let server: Server;
let client: Client;
beforeAll(async () => {
  server = await Server.start(testFolder());
  client = new Client(server);
});
afterAll(() => server.kill());

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
      (await client.ask<JobSummary[]>("GET", `/jobs?bin=${bin}`)).body.map(({ job }) => job.name);
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
    const way = (to: "undo" | "redo", version: number) =>
      client.ask<JobView>("POST", `/jobs/${id}/${to}`, { version }).then(({ body }) => body);
    await client.edit(id, 0, gap(3));
    const after = (await client.edit(id, 1, { do: "sheet", change: { ppi: 600 } })).body;
    expect(after).toMatchObject({ undo: "ppi", redo: null });
    const once = await way("undo", 2);
    expect(once).toMatchObject({ undo: "gap", redo: "ppi", job: { sheet: { ppi: 300 } } });
    const twice = await way("undo", 3);
    expect(twice.job).toEqual(job);
    expect(twice).toMatchObject({ undo: null, redo: "gap" });
    expect((await way("redo", 4)).job.ticket.gap).toBe(3000);
    expect((await way("redo", 5)).job).toEqual(after.job);
    await way("undo", 6);
    const other = (await client.edit(id, 7, { do: "rename", name: "Other" })).body;
    expect(other).toMatchObject({ undo: "name", redo: null });
    expect((await way("redo", 8)).job).toEqual(other.job);
  });

  it("undoes the edits of one gesture together", async () => {
    const { id, job } = await client.importJob();
    for (let i = 0; i < 5; i++) await client.edit(id, i, gap(3 + i), "slide-1");
    await client.edit(id, 5, gap(9), "slide-2");
    const undo = async (version: number) =>
      (await client.ask<JobView>("POST", `/jobs/${id}/undo`, { version })).body;
    expect((await undo(6)).job.ticket.gap).toBe(7000);
    expect((await undo(7)).job).toEqual(job);
  });

  it("applies an edit once that is sent twice, since its first answer was lost", async () => {
    const { id } = await client.importJob();
    const first = await client.edit(id, 0, gap(4), undefined, "edit-number-one");
    const second = await client.edit(id, 0, gap(4), undefined, "edit-number-one");
    expect(second).toMatchObject({ status: 200, body: { version: first.body.version } });
  });

  it("does not let one window overwrite what another did: it is told, with the job as it is", async () => {
    const { id } = await client.importJob();
    await client.edit(id, 0, gap(5));
    const late = await client.edit(id, 0, { do: "rename", name: "Late" });
    expect(late.status).toBe(409);
    expect(late.body).toMatchObject({
      type: "/problems/changed-elsewhere",
      detail: expect.stringContaining("changed in another window"),
      current: { version: 1, job: { ticket: { gap: 5000 }, name: "Badges" } },
    });
    expect((await client.edit(id, 1, { do: "rename", name: "Late" })).body.job).toMatchObject({
      name: "Late",
      ticket: { gap: 5000 },
    });
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
