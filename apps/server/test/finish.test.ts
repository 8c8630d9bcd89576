import { execFileSync } from "node:child_process";
import { existsSync, readFileSync } from "node:fs";
import { join } from "node:path";
import sharp from "sharp";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { freshJob, mm, um, type Graphic, type JobEdit } from "@wide-quilt/core";
import type { GraphicView, JobView, ProblemBody, StyleView } from "../src/contract.ts";
import { Server } from "../testing/server.ts";
import { Client, testFolder } from "./client.ts";

const folder = testFolder();
let server: Server;
let client: Client;

beforeAll(async () => {
  server = await Server.start(testFolder());
  client = new Client(server);
});
afterAll(() => server.kill());

const send = async <T>(path: string, field: string, name: string, data: Buffer) => {
  const form = new FormData();
  form.append(field, new Blob([new Uint8Array(data)]), name);
  const response = await fetch(`${server.address}/api${path}`, { method: "POST", body: form });
  return { status: response.status, body: (await response.json()) as T };
};

const flat = (background: string, width = 60, height = 40) =>
  sharp({ create: { width, height, channels: 4, background } });

describe("graphics over HTTP", () => {
  it("keeps an SVG as shapes alone, and serves it so that it can do nothing", async () => {
    const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="40" height="20" onload="x()"><script>x()</script><rect width="9" height="9"/></svg>`;
    const { body } = await send<GraphicView>("/graphics", "graphic", "möwe.svg", Buffer.from(svg));
    expect(body).toMatchObject({
      name: "möwe.svg",
      proportion: 2,
      said: [expect.stringContaining("script")],
    });
    const answer = await fetch(`${server.address}/api/graphics/${body.id}`);
    expect(answer.headers.get("Content-Type")).toContain("image/svg+xml");
    expect(answer.headers.get("Content-Security-Policy")).toContain("sandbox");
    expect(await answer.text()).not.toMatch(/script|onload/);
  });

  it("refuses what is none with a problem, and knows none that is not there", async () => {
    const { status, body } = await send<ProblemBody>("/graphics", "graphic", "a.png", Buffer.from("text"));
    expect([status, body.type, body.detail]).toEqual([
      422,
      expect.stringContaining("bad-graphic"),
      expect.stringMatching(/^“a\.png”: /),
    ]);
    expect((await fetch(`${server.address}/api/graphics/${"0".repeat(64)}`)).status).toBe(404);
    expect((await fetch(`${server.address}/api/graphics/..%2f..%2fwide-quilt.sqlite`)).status).toBe(404);
  });

  it("paints them in a run", async () => {
    const png = await flat("#00aa00").png().toBuffer();
    const { body: graphic } = await send<GraphicView>("/graphics", "graphic", "stamp.png", png);
    const started = await client.ask<JobView>("POST", "/jobs", {
      kind: "free",
      name: "Stamped",
      locale: "en-GB",
    });
    const stamp: Graphic = {
      role: "stamp",
      of: { kind: "file", file: graphic.id, name: graphic.name, proportion: graphic.proportion },
      width: 30_000 as Graphic["width"],
      at: "middle",
      away: 0 as Graphic["away"],
      turn: 0,
      tiled: false,
      apart: 0 as Graphic["apart"],
      fit: "whole",
      opacity: 1,
      blend: "normal",
      sheet: null,
    };
    const { id } = started.body;
    await client.edit(id, 0, { do: "graphics", graphics: { g1: stamp } });
    const run = await client.ended((await client.startRun(id, { file: { format: "png" } })).body.id);
    expect(run.state).toBe("done");
    const { data, info } = await sharp(join(server.data, "out", "Stamped.png"))
      .removeAlpha()
      .raw()
      .toBuffer({ resolveWithObject: true });
    const middle = ((info.height >> 1) * info.width + (info.width >> 1)) * 3;
    expect([...data.subarray(middle, middle + 3)]).toEqual([0, 170, 0]);
  });
});

describe("styles over HTTP", () => {
  const look = { exposure: 0, contrast: 0, saturation: 0, warmth: 0.3, fade: 0, mono: 0, pale: 0, curve: [] };

  it("are kept, listed by name and forgotten", async () => {
    const kept = await client.ask<StyleView>("POST", "/styles", { name: " Late light ", style: { look } });
    await client.ask<StyleView>("POST", "/styles", { name: "Grey", style: { look: { ...look, mono: 1 } } });
    const names = async () => (await client.ask<StyleView[]>("GET", "/styles")).body.map(({ name }) => name);
    expect(await names()).toEqual(["Grey", "Late light"]);
    await client.ask("DELETE", `/styles/${kept.body.id}`);
    expect(await names()).toEqual(["Grey"]);
  });

  it("are refused with a sentence where the name is taken or nothing is in them", async () => {
    const ask = (name: string, style: object) => client.ask<ProblemBody>("POST", "/styles", { name, style });
    expect((await ask("Grey", { look })).body).toMatchObject({ status: 409, field: "name" });
    expect((await ask("Empty", {})).body).toMatchObject({
      status: 422,
      detail: expect.stringContaining("nothing"),
    });
    expect((await ask("Wrong", { look: { ...look, fade: 7 } })).body).toMatchObject({ field: "look.fade" });
    expect((await ask(" ", { look })).status).toBe(400);
  });
});

describe("a sheet that ended its painter once", () => {
  it("is painted: words as a watermark, one photo on A4, most of the words outside what is drawn at a time", async () => {
    const { id } = await client.importJob({ ...freshJob("single", "Proofs") });
    const data = await flat("#3a6ea5", 900, 1200).removeAlpha().jpeg().toBuffer();
    const photo = (await client.upload({ name: "p.jpg", data })).body.photos[0]!.id;
    const graphic: Graphic = {
      role: "watermark",
      of: { kind: "words", text: "Marram Spit, proof", font: "hanken", colour: "#ffffff" },
      width: mm(60),
      at: "middle",
      away: um(0),
      turn: 30,
      tiled: true,
      apart: mm(10),
      fit: "stretch",
      opacity: 0.4,
      blend: "normal",
      sheet: null,
    };
    const paper = { name: "A4", width: mm(210), height: mm(297) };
    for (const [version, edit] of (
      [
        { do: "add photos", photos: [{ id: photo, name: "p.jpg" }] },
        { do: "sheet", change: { paper } },
        { do: "graphics", graphics: { g1: graphic } },
      ] as JobEdit[]
    ).entries())
      expect((await client.edit(id, version, edit)).status).toBe(200);
    const run = await client.ended((await client.startRun(id, { file: { format: "png" } })).body.id);
    expect(run, run.why ?? "").toMatchObject({ state: "done" });
  });
});

describe("a HEIC photo over HTTP", () => {
  it("is kept as it came, developed once, and printed from that", async () => {
    const [png, heic] = [join(folder, "phone.png"), join(folder, "phone.heic")];
    await flat("#0000c8", 320, 240).removeAlpha().png().toFile(png);
    execFileSync("/usr/bin/heif-enc", ["-q", "95", png, "-o", heic], { stdio: "ignore" });
    const { body } = await client.upload({ name: "phone.heic", data: readFileSync(heic) });
    expect(body.refused).toEqual([]);
    const [photo] = body.photos;
    expect(photo).toMatchObject({ format: "heic", width: 320, height: 240 });
    const id = photo!.id;
    expect(readFileSync(join(server.data, "wide-quilt/photos", "originals", id.slice(0, 2), id))).toEqual(
      readFileSync(heic),
    );
    expect(existsSync(join(server.data, "wide-quilt/photos", "developed", id.slice(0, 2), `${id}.jpg`))).toBe(
      true,
    );
    const preview = await fetch(`${server.address}/api/photos/${id}/preview/320`);
    const { dominant } = await sharp(Buffer.from(await preview.arrayBuffer())).stats();
    expect(dominant.b).toBeGreaterThan(180);
    expect(dominant.r).toBeLessThan(40);
  });

  it("that is damaged is refused by itself; the others of the batch are kept", async () => {
    const whole = readFileSync(join(folder, "phone.heic"));
    const cut = whole.subarray(0, Math.floor(whole.length * 0.7));
    const { body } = await client.upload(
      { name: "cut.heic", data: cut },
      { name: "good.jpg", data: await flat("#112233").jpeg().toBuffer() },
    );
    const { photos, refused } = body;
    expect(photos.map(({ name }) => name)).toEqual(["good.jpg"]);
    expect(refused).toMatchObject([
      { name: "cut.heic", why: expect.stringMatching(/^(The HEIC file|This is not)/) },
    ]);
  });
});

describe("files of a run over HTTP", () => {
  it("are named by a rule in a folder; what would leave it is a name like any other", async () => {
    const data = await flat("#445566").jpeg().toBuffer();
    const { body: taken } = await client.upload({ name: "gull.jpg", data });
    const started = await client.ask<JobView>("POST", "/jobs", {
      kind: "single",
      name: "Proofs",
      locale: "en-GB",
    });
    const { id } = started.body;
    await client.edit(id, 0, { do: "add photos", photos: [{ id: taken.photos[0]!.id, name: "gull.jpg" }] });
    const write = async (how: object) => client.ended((await client.startRun(id, how)).body.id);
    expect(
      (await write({ rule: "[name] [sheet, 3 digits]", start: 12, folder: "../../up" })).files[0]!.name,
    ).toBe("-..-up/gull 012.jpg");
    expect((await write({ rule: "../[name]" })).files[0]!.name).toBe("-gull.jpg");
    const asked = await client.startRun(id, { start: -1 });
    expect([asked.status, asked.body.field]).toEqual([400, "start"]);
  });
});
