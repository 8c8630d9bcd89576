import { execFileSync } from "node:child_process";
import { join } from "node:path";
import sharp from "sharp";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { ruleById, USUAL_PRESS, type Backdrop } from "@wide-quilt/core";
import type { JobView, MadeBackdrop, ProblemBody } from "../src/contract.ts";
import { Server } from "../testing/server.ts";
import { Client, testFolder } from "./client.ts";

let server: Server;
let client: Client;
beforeAll(async () => {
  server = await Server.start(testFolder());
  client = new Client(server);
});
afterAll(() => server.kill());

/** A red disc before green, and its mask: 600 × 800 and a half of that. */
const disc = (size: number, ground: string, figure: string) =>
  sharp(
    Buffer.from(
      `<svg xmlns="http://www.w3.org/2000/svg" width="${3 * size}" height="${4 * size}" viewBox="0 0 3 4"><rect width="3" height="4" fill="${ground}"/><circle cx="1.5" cy="2" r="1" fill="${figure}"/></svg>`,
    ),
  );
const upload = async (name: string, data: Buffer): Promise<string> =>
  (await client.upload({ name, data })).body.photos[0]!.id;

describe("another background over HTTP", () => {
  let photo: string;
  let mask: string;
  beforeAll(async () => {
    photo = await upload("disc.png", await disc(200, "#20c020", "#c03030").png().toBuffer());
    mask = await upload("mask.png", await disc(100, "#000", "#fff").png().toBuffer());
  });
  const make = (id: string, body: object) =>
    client.ask<MadeBackdrop & ProblemBody>("POST", `/photos/${id}/backdrop`, body);

  it("makes a photo of the full size with it; the photo itself stays as it is", async () => {
    const { status, body } = await make(photo, { mask, kind: "flat", colour: "#e0e4f0" });
    expect(status).toBe(201);
    expect(body.id).not.toBe(photo);
    const at = async (id: string, left: number, top: number) => {
      const response = await fetch(`${server.address}/api/photos/${id}/preview/800`);
      const preview = sharp(Buffer.from(await response.arrayBuffer()));
      const { width } = await preview.metadata();
      expect(width).toBe(600);
      return [...(await preview.extract({ left, top, width: 1, height: 1 }).raw().toBuffer())];
    };
    const near = (got: number[], wanted: number[]) =>
      got.forEach((value, i) => expect(Math.abs(value - wanted[i]!)).toBeLessThanOrEqual(6));
    near(await at(body.id, 20, 20), [0xe0, 0xe4, 0xf0]);
    near(await at(body.id, 300, 400), [0xc0, 0x30, 0x30]);
    near(await at(photo, 20, 20), [0x20, 0xc0, 0x20]);
  });

  it("gives the same photo for the same wish", async () => {
    const wish = { mask, kind: "gradient", top: "#ffffff", bottom: "#c0c0c0" };
    const [a, b] = [await make(photo, wish), await make(photo, wish)];
    expect(a.body.id).toBe(b.body.id);
  });

  it("refuses a mask of another photo, colours that are none, and photos that are not here", async () => {
    const wide = await upload("wide.png", await disc(100, "#000", "#fff").rotate(90).png().toBuffer());
    const other = await make(photo, { mask: wide, kind: "flat", colour: "#ffffff" });
    expect([other.status, other.body.detail]).toEqual([422, expect.stringContaining("another photo")]);
    const colour = await make(photo, { mask, kind: "flat", colour: "white" });
    expect([colour.status, colour.body.field]).toEqual([400, "colour"]);
    const bare = await make(photo, { mask, kind: "gradient", top: "#ffffff" });
    expect([bare.status, bare.body.field]).toEqual([400, "bottom"]);
    expect((await make("0".repeat(64), { mask, kind: "flat", colour: "#ffffff" })).status).toBe(404);
  });
});

describe("document photos over HTTP", () => {
  it("writes a PDF for each person, named after them, though two are called the same", async () => {
    const colours = ["#884422", "#224488", "#228844"];
    const ids = [];
    for (const [i, background] of colours.entries()) {
      const create = { width: 700, height: 900, channels: 3, background } as const;
      ids.push(await upload(`p${i}.png`, await sharp({ create }).png().toBuffer()));
    }
    const started = await client.ask<JobView>("POST", "/jobs", {
      kind: "portraits",
      name: "Team",
      locale: "en-GB",
    });
    const { id } = started.body;
    const photos = ids.map((photo, i) => ({ id: photo, name: `p${i}.png` }));
    const added = await client.edit(id, 0, { do: "add photos", photos });
    const { ticket } = added.body.job;
    if (ticket.kind !== "portraits") throw new Error("another kind");
    const people = ticket.people.map((one, i) => ({
      ...one,
      name: ["Ada Finch", "Ben/Tarn", "Ada Finch"][i]!,
    }));
    await client.edit(id, 1, {
      do: "ticket",
      change: { people, sheets: "per person", copies: 12, names: true },
    });
    const asked = await client.startRun(id, { file: { format: "pdf" } });
    const run = await client.ended(asked.body.id);
    expect(run.files.map(({ name }) => name)).toEqual(["Ada Finch.pdf", "Ben-Tarn.pdf", "Ada Finch (2).pdf"]);
    const pages = (name: string) =>
      /Pages:\s+(\d+)/.exec(
        execFileSync("pdfinfo", [join(server.data, "out", name)], { encoding: "utf8" }),
      )![1];
    // With names eight of 35 × 49 mm do not go on 10 × 15 cm any more: three across and two down, and two sheets of six.
    expect(run.files.map(({ name }) => pages(name))).toEqual(["2", "2", "2"]);
    const text = execFileSync("pdftotext", [join(server.data, "out/Ben-Tarn.pdf"), "-"], {
      encoding: "utf8",
    });
    expect(text.match(/Ben\/Tarn/g)).toHaveLength(12);
  });

  it("paints what was put behind, and the photo again when that is taken back", async () => {
    const photo = await upload("green.png", await disc(200, "#20c020", "#c03030").png().toBuffer());
    const mask = await upload("green-mask.png", await disc(100, "#000", "#fff").png().toBuffer());
    const made = await client.ask<MadeBackdrop>("POST", `/photos/${photo}/backdrop`, {
      mask,
      kind: "flat",
      colour: "#ffffff",
    });
    const started = await client.ask<JobView>("POST", "/jobs", {
      kind: "portraits",
      name: "One",
      locale: "en-GB",
    });
    const { id } = started.body;
    await client.edit(id, 0, { do: "add photos", photos: [{ id: photo, name: "green.png" }] });
    const backdrop: Backdrop = {
      strokes: [],
      fill: { kind: "flat", colour: "#ffffff" },
      mask,
      made: made.body.id,
    };
    await client.press(id, { file: { ...USUAL_PRESS.file, format: "png" } });
    await client.edit(id, 2, { do: "backdrops", backdrops: { [photo]: backdrop } });
    const green = async (name: string) => {
      const asked = await client.startRun(id, { rule: name });
      const { files } = await client.ended(asked.body.id);
      const { data } = await sharp(join(server.data, "out", files[0]!.name))
        .raw()
        .toBuffer({ resolveWithObject: true });
      let count = 0;
      for (let i = 0; i < data.length; i += 3) if (data[i + 1]! - data[i]! > 100) count++;
      return count;
    };
    expect(await green("Changed")).toBe(0);
    await client.walk(id, "undo");
    expect(await green("Own")).toBeGreaterThan(100_000);
  });

  it("makes the file that an office takes: its pixels, not more than its bytes, cropped as the print is", async () => {
    // Noise does not compress: at full quality 600 × 600 px of it are some 500 kB, and the rule takes 240.
    const create = { width: 1500, height: 1500, channels: 3, background: "#808080" } as const;
    const noise = { type: "gaussian", mean: 128, sigma: 40 } as const;
    const data = await sharp({ create: { ...create, noise } })
      .jpeg({ quality: 95 })
      .toBuffer();
    const photo = await upload("noise.jpg", data);
    const started = await client.ask<JobView>("POST", "/jobs", {
      kind: "portraits",
      name: "Visa",
      locale: "en-GB",
    });
    const { id } = started.body;
    await client.edit(id, 0, { do: "add photos", photos: [{ id: photo, name: "noise.jpg" }] });
    const take = (rule: string, version: number) =>
      client.edit(id, version, { do: "ticket", change: { rule, rules: [ruleById(rule)] } });
    const file = () => fetch(`${server.address}/api/jobs/${id}/people/1/file`);
    await take("us-visa", 1);
    const us = await file();
    expect(us.headers.get("Content-Disposition")).toContain('filename="noise.jpg"');
    const jpeg = Buffer.from(await us.arrayBuffer());
    expect(await sharp(jpeg).metadata()).toMatchObject({ format: "jpeg", width: 600, height: 600 });
    expect(jpeg.length).toBeLessThanOrEqual(240 * 1024);
    expect(jpeg.length).toBeGreaterThan(200 * 1024);
    // 500 × 653 px, as the police of Finland say: 36 × 47 mm at 500 px across are 652.8 px down.
    await take("fi-passport", 2);
    const fi = Buffer.from(await (await file()).arrayBuffer());
    expect(await sharp(fi).metadata()).toMatchObject({ width: 500, height: 653 });
    // 1200 × 1600 px are 3 : 4, the print of 40 × 50 mm is 4 : 5.
    await take("hk-passport", 3);
    const hk = await file();
    expect(hk.status).toBe(422);
    expect(((await hk.json()) as ProblemBody).detail).toContain("other proportions than the print");
    await take("de-passport", 4);
    expect(((await (await file()).json()) as ProblemBody).detail).toContain("says nothing of a file");
  });
});
