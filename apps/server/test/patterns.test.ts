import { join } from "node:path";
import Database from "better-sqlite3";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { JOB_VERSION, mm } from "@wide-quilt/core";
import type { JobView, PatternView, ProblemBody } from "../src/contract.ts";
import { Server } from "../testing/server.ts";
import { Client, testFolder } from "./client.ts";

let server: Server;
let client: Client;
beforeAll(async () => {
  server = await Server.start(testFolder());
  client = new Client(server);
});
afterAll(() => server.kill());

describe("the pattern book over HTTP", () => {
  it("keeps a job's layout without its photos, renames it, starts jobs from it, and lets it go", async () => {
    const stash = [{ id: "a", name: "a.jpg" }];
    const { id } = await client.importJob({ name: "Eight", stash });
    await client.edit(id, 0, { do: "ticket", change: { gap: mm(4) } });
    const kept = await client.ask<PatternView>("POST", "/patterns", {
      job: id,
      name: " Badges ",
      folder: "Ringers",
    });
    expect(kept).toMatchObject({
      status: 201,
      body: { name: "Badges", folder: "Ringers", job: { stash: [] } },
    });
    const renamed = await client.ask<PatternView>("PUT", `/patterns/${kept.body.id}`, {
      name: "Eight badges",
    });
    expect(renamed.body).toMatchObject({ name: "Eight badges", folder: "Ringers" });
    const started = await client.ask<JobView>("POST", `/patterns/${kept.body.id}/start`);
    expect(started.body.job).toMatchObject({ name: "Eight badges", ticket: { gap: 4000 }, stash: [] });
    const file = await client.ask<Record<string, unknown>>("GET", `/patterns/${kept.body.id}/file`);
    const again = await client.ask<PatternView>("POST", "/patterns/import", file.body);
    expect(again.body).toMatchObject({ name: "Eight badges", job: kept.body.job });
    expect((await client.ask<PatternView[]>("GET", "/patterns")).body).toHaveLength(2);
    expect((await client.ask("DELETE", `/patterns/${kept.body.id}`)).status).toBe(204);
    const gone = await client.ask<ProblemBody>("POST", `/patterns/${kept.body.id}/start`);
    expect(gone).toMatchObject({ status: 404, body: { type: "/problems/no-such-pattern" } });
  });

  it("refuses what is no pattern, or one of a newer version, with a sentence", async () => {
    const none = await client.ask<ProblemBody>("POST", "/patterns/import", { format: "poster" });
    expect(none).toMatchObject({ status: 422, body: { type: "/problems/not-a-pattern" } });
    const newer = { format: "wide-quilt-pattern", version: 99, name: "x", folder: "", job: {} };
    const refused = await client.ask<ProblemBody>("POST", "/patterns/import", newer);
    expect(refused.body.detail).toMatch(/newer Wide Quilt \(version 99/);
    const nameless = await client.ask<ProblemBody>("POST", "/patterns", { job: "x", name: " ", folder: "" });
    expect(nameless).toMatchObject({ status: 400, body: { field: "name" } });
  });
});

it("brings jobs that an older version kept up to date when it starts", async () => {
  const folder = testFolder();
  let own = await Server.start(folder);
  const { id, job } = await new Client(own).importJob({ name: "Old" });
  await own.kill();
  // As version 1 had it.
  const { sheets: _sheets, ...rest } = job as unknown as Record<string, unknown>;
  const { cuts: _cuts, ...ticket } = job.ticket as unknown as Record<string, unknown>;
  const { trim: _t, bleed: _b, safe: _s, enlarged: _e, facing: _f, ...sheet } = job.sheet;
  const old = { ...rest, version: 1, sheet, ticket: { ...ticket, turnPieces: true } };
  const database = new Database(join(folder, "wide-quilt.sqlite"));
  database.prepare("UPDATE jobs SET job = ? WHERE id = ?").run(JSON.stringify(old), id);
  database.close();
  own = await Server.start(folder);
  try {
    const { body } = await new Client(own).ask<JobView>("GET", `/jobs/${id}`);
    expect(body.job).toMatchObject({
      version: JOB_VERSION,
      name: "Old",
      ticket: { turnPieces: "all" },
      sheet: { trim: null },
    });
  } finally {
    await own.kill();
  }
});
