import { afterAll, beforeAll, describe, expect, it } from "vitest";
import sharp from "sharp";
import { freshJob, mm, PRINTERS } from "@wide-quilt/core";
import type { EventView, JobView, PatternView, ProblemBody } from "../src/contract.ts";
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

describe("a pattern for several printers", () => {
  const madeFor = (change: Record<string, unknown> = {}) => ({
    name: "Fair printer",
    printer: { ...PRINTERS[0]!, ppi: 350, bleed: 0 },
    page: { paper: { name: "wide", width: 105_000, height: 150_000 }, lie: "portrait", trim: null },
    onPaper: null,
    fit: "fill",
    most: 3,
    widened: null,
    ...change,
  });
  const text = (x: number) => ({
    do: "texts" as const,
    texts: {
      t1: {
        text: "Open day",
        type: {
          font: "hanken" as const,
          size: mm(5),
          least: mm(3),
          colour: "#000000",
          align: "middle" as const,
        },
        x: mm(x),
        y: mm(120),
        width: mm(80),
        height: mm(12),
        turn: 0,
        sheet: null,
      },
    },
  });
  const page = {
    do: "sheet" as const,
    change: {
      paper: { name: "card", width: mm(100), height: mm(150) },
      lie: "portrait" as const,
    },
  };
  const kept = async () => {
    const { id } = await client.importJob({ ...freshJob("free", "Card") });
    const begun = await client.edit(id, 0, page);
    await client.edit(id, begun.body.version, text(10));
    const { body } = await client.ask<PatternView>("POST", "/patterns", {
      job: id,
      name: "Card",
      folder: "",
    });
    return { job: id, pattern: body };
  };
  const started = async (id: string) => (await client.ask<JobView>("POST", `/patterns/${id}/start`)).body;

  it("starts a job for any of them, keeps what is set by hand for one, and makes all anew when it changes itself", async () => {
    const { job, pattern } = await kept();
    // The job that a pattern was kept from is of it.
    expect((await client.ask<JobView>("GET", `/jobs/${job}`)).body.pattern).toMatchObject({
      id: pattern.id,
      target: null,
    });
    const made = await client.ask<PatternView>("POST", `/patterns/${pattern.id}/targets`, madeFor());
    expect(made.status).toBe(201);
    const [target] = made.body.targets;
    const there = await started(target!.id);
    // 1.05 times, about the middle: 157.5 mm high on 150 mm, so 3.75 mm are lost above and below.
    expect(there.job.texts.t1).toMatchObject({ x: 10_500, y: 122_250, width: 84_000 });
    expect(there.job).toMatchObject({ name: "Card, Fair printer", target: { ppi: 350 } });
    expect(there.pattern).toEqual({
      id: pattern.id,
      name: "Card",
      targets: 1,
      target: { id: target!.id, name: "Fair printer" },
    });
    // By hand for this printer: lower.
    const moved = { ...there.job.texts.t1!, y: mm(130) };
    await client.edit(there.id, 0, { do: "texts", texts: { t1: moved } });
    const corrected = await client.ask<PatternView>("PUT", `/patterns/of/${there.id}`);
    expect(corrected.body.targets[0]!.corrections).toEqual([{ at: ["texts", "t1", "y"], to: 130_000 }]);
    expect(corrected.body.job).toEqual(pattern.job);
    // The pattern itself: further to the right.
    const own = await started(pattern.id);
    await client.edit(own.id, 0, text(15));
    const changed = await client.ask<PatternView>("PUT", `/patterns/of/${own.id}`);
    expect(changed.body.job.texts.t1).toMatchObject({ x: 15_000 });
    expect((await started(target!.id)).job.texts.t1).toMatchObject({ x: 15_750, y: 130_000 });
    // Made otherwise, what was set by hand stays; forgotten, it is as computed; taken out, it is no more.
    const wider = madeFor({
      page: { ...madeFor().page, paper: { name: "x", width: 110_000, height: 150_000 } },
    });
    await client.ask("PUT", `/patterns/${pattern.id}/targets/${target!.id}`, wider);
    expect((await started(target!.id)).job.texts.t1).toMatchObject({ x: 16_500, y: 130_000 });
    await client.ask("DELETE", `/patterns/${pattern.id}/targets/${target!.id}/corrections`);
    expect((await started(target!.id)).job.texts.t1).toMatchObject({ x: 16_500, y: 124_500 });
    await client.ask("DELETE", `/patterns/${pattern.id}/targets/${target!.id}`);
    expect((await client.ask("POST", `/patterns/${target!.id}/start`)).status).toBe(404);
    expect((await client.ask<JobView>("GET", `/jobs/${there.id}`)).body.pattern).toBeNull();
    const lost = await client.ask<ProblemBody>("PUT", `/patterns/of/${there.id}`);
    expect(lost).toMatchObject({ status: 404, body: { type: "/problems/no-such-pattern" } });
  });

  it("goes into its file with its printers and out of it again, and one that ships is copied for them", async () => {
    const { pattern } = await kept();
    await client.ask("POST", `/patterns/${pattern.id}/targets`, madeFor());
    const file = (await client.ask<Record<string, unknown>>("GET", `/patterns/${pattern.id}/file`)).body;
    const again = (await client.ask<PatternView>("POST", "/patterns/import", file)).body;
    expect(again.targets.map((one) => one.for.name)).toEqual(["Fair printer"]);
    const book = (await client.ask<PatternView[]>("GET", "/patterns")).body;
    const ids = book.flatMap(({ targets }) => targets.map(({ id }) => id));
    expect(new Set(ids).size).toBe(ids.length);
    const ships = book.find(({ keptAt }) => keptAt === null)!;
    const own = (await client.ask<PatternView>("POST", `/patterns/${ships.id}/targets`, madeFor())).body;
    expect([own.id === ships.id, own.name, own.targets.length]).toEqual([false, ships.name, 1]);
    // An event takes the layout of a target as it takes a pattern’s own.
    const [target] = own.targets;
    const event = await client.ask<EventView>("POST", "/events", { name: "Fair", patterns: [target!.id] });
    expect(event.body.patterns[target!.id]).toMatchObject({ sheet: { paper: { width: 105_000 } } });
  });

  it("refuses what is nothing to make it for, with a sentence that names the field", async () => {
    const { pattern } = await kept();
    for (const [bad, field, why] of [
      [madeFor({ most: 200 }), "most", /at most 100 %/],
      [madeFor({ printer: { ...madeFor().printer, ppi: 3 } }), "printer.ppi", /ppi/],
      [
        madeFor({ page: { ...madeFor().page, paper: { name: "x", width: 5, height: 5 } } }),
        "page.paper.width",
        /20 mm/,
      ],
      [{ hello: "there" }, "name", /./],
    ] as const) {
      const refused = await client.ask<ProblemBody>("POST", `/patterns/${pattern.id}/targets`, bad);
      expect(refused).toMatchObject({ status: 422, body: { type: "/problems/not-a-target", field } });
      expect(refused.body.detail).toMatch(why);
    }
    for (let i = 0; i < 40; i++) await client.ask("POST", `/patterns/${pattern.id}/targets`, madeFor());
    const many = await client.ask<ProblemBody>("POST", `/patterns/${pattern.id}/targets`, madeFor());
    expect(many).toMatchObject({ status: 409, body: { type: "/problems/too-many-targets" } });
  });
});

it("what lies in front of a page’s photos comes as a PNG with transparency, or a sentence where nothing does", async () => {
  const { id } = await client.importJob({ ...freshJob("free", "Frame") });
  const none = await client.ask<ProblemBody>("GET", `/jobs/${id}/artwork?sheet=1`);
  expect(none).toMatchObject({ status: 422, body: { type: "/problems/no-artwork" } });
  const box = {
    x: mm(0),
    y: mm(0),
    width: mm(50),
    height: mm(50),
    turn: 0,
    corner: mm(0),
    points: 5,
    depth: 0.5,
  };
  const plain = { stroke: null, shadow: null, opacity: 1, order: 0, sheet: null };
  await client.edit(id, 0, {
    do: "shapes",
    shapes: {
      s1: { form: "rectangle", ...box, ...plain, fill: { kind: "flat", colour: "#2d5a66" }, is: "front" },
      s2: { form: "ellipse", ...box, ...plain, fill: null, is: "window" },
    },
  });
  const answer = await fetch(`${server.address}/api/jobs/${id}/artwork?sheet=1`);
  expect(answer.headers.get("content-disposition")).toContain("Frame, artwork.png");
  const { data, info } = await sharp(Buffer.from(await answer.arrayBuffer()))
    .raw()
    .toBuffer({ resolveWithObject: true });
  const at = (x: number, y: number) => {
    const i = (Math.round((y / 25.4) * 300) * info.width + Math.round((x / 25.4) * 300)) * 4;
    return [...data.subarray(i, i + 4)];
  };
  // The corner of the square is outside the circle in it; its middle is the window; past 50 mm there is nothing.
  expect([at(2, 2), at(25, 25)[3], at(60, 60)[3]]).toEqual([[0x2d, 0x5a, 0x66, 255], 0, 0]);
  expect((await client.ask("GET", `/jobs/${id}/artwork?sheet=..%2f`)).status).toBe(400);
});
