import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { mm } from "@wide-quilt/core";
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
    const stash = [{ id: "a", name: "a.jpg", number: 1 }];
    const { id } = await client.importJob({ name: "Eight", stash, numbered: 1 });
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
    const book = (await client.ask<PatternView[]>("GET", "/patterns")).body;
    expect(book.filter(({ keptAt }) => keptAt !== null)).toHaveLength(2);
    // Those that come with the program start jobs too, and stay as they are.
    const ships = book.find(({ keptAt }) => keptAt === null)!;
    const begun = await client.ask<JobView>("POST", `/patterns/${ships.id}/start`);
    expect(begun.body.job).toMatchObject({ name: ships.name, ticket: { kind: "strips" } });
    expect((await client.ask("DELETE", `/patterns/${ships.id}`)).status).toBe(404);
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
