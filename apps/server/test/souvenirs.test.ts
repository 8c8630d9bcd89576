import { execFileSync } from "node:child_process";
import { mkdirSync, readFileSync, writeFileSync } from "node:fs";
import { request } from "node:https";
import { join } from "node:path";
import { fileURLToPath } from "node:url";
import { headOf, portrait, RINGERS, ROOMY } from "@wide-quilt/demo";
import { MODELS, SimulatedPrinter } from "@wide-quilt/devices";
import { PRINTERS, type EventEntry, type EventSetup } from "@wide-quilt/core";
import sharp from "sharp";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import type { EventView, NetworkView, ProblemBody, Run, TakenIn, TakenSet } from "../src/contract.ts";
import { Server } from "../testing/server.ts";
import { Client, testFolder } from "./client.ts";

let server: Server;
let client: Client;
beforeAll(async () => {
  server = await Server.start(testFolder());
  client = new Client(server);
});
afterAll(() => server.kill());

const SHELL = fileURLToPath(new URL("../../cli/dist/main.js", import.meta.url));

const picture = (shot: number, width = 900, height = 600): Promise<Buffer> =>
  sharp({ create: { width, height, channels: 3, background: { r: 60 * shot, g: 40, b: 20 } } })
    .jpeg({ quality: 95 })
    .toBuffer();
const begin = async (change: Partial<EventSetup> = {}, pattern = "ships-strip-of-three"): Promise<string> => {
  const { body } = await client.ask<EventView>("POST", "/events", { name: "Open day", patterns: [pattern] });
  const setup = { ...body.state.setup, ...change };
  const set = await client.ask<ProblemBody>("PUT", `/events/${body.id}/setup`, { setup });
  expect(set.status).toBe(204);
  return body.id;
};
const view = async (id: string) => (await client.ask<EventView>("GET", `/events/${id}`)).body;
const tell = (id: string, entry: EventEntry) => client.ask("POST", `/events/${id}/entries`, { entry });
const shoot = async (id: string, shot: number, data?: Buffer) =>
  (
    await client.ask<TakenIn>(
      "POST",
      `/events/${id}/shots?name=shot-${shot}.jpg`,
      data ?? (await picture(shot)),
    )
  ).body;
const bytes = async (path: string) => {
  const response = await fetch(`${server.address}${path}`);
  return { status: response.status, data: Buffer.from(await response.arrayBuffer()) };
};
const linkOf = async (id: string, set: number) =>
  (await client.ask<{ link: string }>("GET", `/events/${id}/sets/${set}/link`)).body.link;

describe("a set’s link", () => {
  it("gives its page, its shots and a moving picture, of this set alone, until the event ends", async () => {
    const id = await begin({ review: false });
    for (const shot of [1, 2, 3, 4]) await shoot(id, shot);
    const link = await linkOf(id, 1);
    const taken = await client.ask<TakenSet>("GET", `/taken/${link}`);
    expect(taken.body).toMatchObject({ name: "Open day", set: 1, shots: [1, 2, 3], moves: true });
    expect((await bytes(`/api/taken/${link}/shots/2`)).data).toEqual(await picture(2));
    // A strip of 5.08 × 15.24 cm at 300 ppi, its photos one below the other: the reds of the three shots.
    const page = sharp((await bytes(`/api/taken/${link}/page`)).data);
    expect(await page.metadata()).toMatchObject({ format: "jpeg", width: 600, height: 1800 });
    const reds = await Promise.all(
      [24, 66, 108].map(async (y) => {
        const box = { left: 280, top: Math.round((y * 300) / 25.4), width: 20, height: 20 };
        return (await page.clone().extract(box).resize(1, 1).raw().toBuffer())[0]!;
      }),
    );
    expect(reds.map((red) => Math.round(red / 60))).toEqual([1, 2, 3]);
    const moving = await sharp((await bytes(`/api/taken/${link}/moving`)).data, { pages: -1 }).metadata();
    expect(moving).toMatchObject({ format: "gif", pages: 3, width: 640, pageHeight: 427, loop: 0 });
    const other = link.replace(`${id}.1.`, `${id}.2.`);
    for (const wrong of [
      other,
      `${id}.1.AAAAAAAAAAAAAAAAAAAAAA`,
      `${id}.1`,
      "x",
      `${id}.9.${link.split(".")[2]}`,
    ])
      expect((await client.ask("GET", `/taken/${wrong}`)).status).toBe(404);
    expect((await client.ask("GET", `/taken/${link}/shots/4`)).status).toBe(404);
    await tell(id, { do: "end" });
    const ended = await client.ask<ProblemBody>("GET", `/taken/${link}`);
    expect([ended.status, ended.body.detail]).toEqual([410, expect.stringContaining("has ended")]);
  }, 60_000);

  it("shows the set as it was cropped by hand", async () => {
    const id = await begin({ review: true });
    // The left half of the shot is red, the right one blue.
    const halves = sharp({
      create: { width: 1200, height: 600, channels: 3, background: "#0000ff" },
    }).composite([
      { input: { create: { width: 600, height: 600, channels: 3, background: "#ff0000" } }, left: 0, top: 0 },
    ]);
    await shoot(id, 1, await halves.jpeg({ quality: 95 }).toBuffer());
    for (const shot of [2, 3]) await shoot(id, shot);
    const link = await linkOf(id, 1);
    const at = async (x: number) => {
      const { data } = await bytes(`/api/taken/${link}/page`);
      return [
        ...(await sharp(data)
          .extract({ left: x, top: 280, width: 8, height: 8 })
          .resize(1, 1)
          .raw()
          .toBuffer()),
      ];
    };
    // The cell shows the middle: red to the left of the strip’s, blue to its right.
    expect([(await at(120))[0]! > 200, (await at(470))[2]! > 200]).toEqual([true, true]);
    const sits = { fit: "fill", scale: 1, centre: { x: 0.2, y: 0.5 }, turn: 0, level: 0 } as const;
    await tell(id, { do: "crop", set: 1, place: 1, sits });
    expect((await at(470))[0]!).toBeGreaterThan(200);
  }, 60_000);
});

describe("what an event leaves", () => {
  it("is a report on paper, and a ZIP of all photos and pages", async () => {
    const id = await begin({ review: false });
    for (const shot of [1, 2, 3, 4]) await shoot(id, shot);
    await expect
      .poll(async () => (await view(id)).state.prints[0]?.state, { timeout: 30_000 })
      .toBe("printed");
    const folder = testFolder();
    const report = join(folder, "report.pdf");
    writeFileSync(report, (await bytes(`/api/events/${id}/report?paper=letter`)).data);
    const text = execFileSync("pdftotext", ["-layout", report, "-"], { encoding: "utf8" });
    for (const line of [
      /Open day/,
      /Sets +1\n/,
      /Photos in sets +4\n/,
      /Prints that came out +1\n/,
      /Page 1 of 1/,
    ])
      expect(text).toMatch(line);
    expect(execFileSync("pdfinfo", [report], { encoding: "utf8" })).toMatch(/612 x 792 pts \(letter\)/);
    const zip = join(folder, "all.zip");
    writeFileSync(zip, (await bytes(`/api/events/${id}/download`)).data);
    const listing = execFileSync("python3", ["-m", "zipfile", "-l", zip], { encoding: "utf8" });
    const names = listing
      .split("\n")
      .slice(1, -1)
      .map((line) => line.split("  ")[0]!.trim());
    expect(names).toEqual([
      "Set 1/1 shot-1.jpg",
      "Set 1/2 shot-2.jpg",
      "Set 1/3 shot-3.jpg",
      "Set 1/page.jpg",
      "Set 2/1 shot-4.jpg",
    ]);
    execFileSync("python3", ["-m", "zipfile", "-e", zip, folder]);
    expect(readFileSync(join(folder, "Set 2", "1 shot-4.jpg"))).toEqual(await picture(4));
  }, 60_000);
});

describe("a printer that cuts", () => {
  it("is told where; the strips of a pair are the same to the pixel, of a test print too", async () => {
    const lab = MODELS.find(({ id }) => id === "lab")!;
    const device = await new SimulatedPrinter(lab, { folder: join(testFolder(), "lab"), pace: 5 }).start();
    const printer = { ...PRINTERS[0]!, id: "lab", name: "Lab", address: device.address };
    await client.ask("PUT", "/printers/lab", printer);
    const id = await begin({ review: false, printers: ["lab"] });
    for (const shot of [1, 2, 3]) await shoot(id, shot);
    await expect.poll(() => device.prints.length, { timeout: 30_000 }).toBe(2);
    const strips = await Promise.all(
      device.prints.map((path) => sharp(path).raw().toBuffer({ resolveWithObject: true })),
    );
    // Cut in the middle of 4 × 6 in at 300 ppi.
    expect(strips.map(({ info }) => [info.width, info.height])).toEqual([
      [600, 1800],
      [600, 1800],
    ]);
    expect(strips[0]!.data.equals(strips[1]!.data)).toBe(true);
    const pattern = (await view(id)).state.setup.patterns[0]!.id;
    const asked = await client.ask("POST", `/events/${id}/test-print`, { pattern, printer: "lab" });
    expect(asked.status).toBe(204);
    await expect.poll(() => device.prints.length, { timeout: 30_000 }).toBe(4);
    expect((await view(id)).state).toMatchObject({ sets: [{ number: 1 }], prints: [{ number: 1 }] });
    const runs = await client.ask<{ runs: Run[] }>("GET", "/runs");
    expect(runs.body.runs[0]).toMatchObject({ jobName: "Open day, test print" });
    const wrong = await client.ask("POST", `/events/${id}/test-print`, { pattern, printer: "none" });
    expect(wrong.status).toBe(404);
    await device.stop();
  }, 90_000);
});

describe("what comes in", () => {
  it("of RAW files is the picture that the camera put into them, and is said; a TIFF is a photo itself", async () => {
    const folder = join(testFolder(), "card");
    mkdirSync(folder);
    const id = await begin({ folder, review: false });
    // A thumbnail as its first picture, as such files have it, and a whole JPEG further behind.
    const thumbnail = await sharp({ create: { width: 160, height: 120, channels: 3, background: "#888888" } })
      .tiff({ compression: "none" })
      .toBuffer();
    writeFileSync(join(folder, "DSC_0001.NEF"), Buffer.concat([thumbnail, await picture(3, 1800, 1200)]));
    writeFileSync(join(folder, "DSC_0002.tif"), thumbnail);
    await expect
      .poll(async () => (await view(id)).state.sets[0]?.shots.filter(Boolean).length, { timeout: 30_000 })
      .toBe(2);
    const { records, state, about } = await view(id);
    const shown = state.sets[0]!.shots.slice(0, 2).map((shot) => records[shot!.photo]);
    expect(shown).toMatchObject([
      { format: "raw", width: 1800, height: 1200 },
      { format: "tiff", width: 160, height: 120 },
    ]);
    expect(about.raws).toBe(1);
  }, 60_000);

  it("is asked about where 5 000 photos lie in the folder already", async () => {
    const folder = join(testFolder(), "full");
    mkdirSync(folder);
    for (let i = 0; i < 5000; i++) writeFileSync(join(folder, `OLD_${i}.JPG`), "old");
    const since = performance.now();
    const id = await begin({ folder });
    expect((await view(id)).about.folder).toEqual({ before: 5000, fault: null });
    expect(performance.now() - since).toBeLessThan(15_000);
    writeFileSync(join(folder, "NEW_1.JPG"), await picture(1));
    await expect.poll(async () => (await view(id)).state.sets.length, { timeout: 20_000 }).toBe(1);
    expect((await view(id)).state.sets[0]!.shots[0]!.name).toBe("NEW_1.JPG");
    // A second camera that counts alike: another photo of the same name.
    writeFileSync(join(folder, "NEW_1.JPG"), await picture(2));
    const names = async () => (await view(id)).state.sets[0]!.shots.map((shot) => shot?.name ?? null);
    await expect.poll(names, { timeout: 20_000 }).toEqual(["NEW_1.JPG", "NEW_1.JPG", null]);
  }, 90_000);

  it("is refused in a sentence where 200 MB are no photo, and the next photo is taken", async () => {
    const id = await begin();
    const refused = await shoot(id, 1, Buffer.alloc(200 * 1024 ** 2, 7));
    expect(refused).toMatchObject({ refused: { why: expect.stringContaining("not a photo") as string } });
    expect(await shoot(id, 2)).toHaveProperty("photo");
  }, 60_000);

  it("stands before the event’s picture, where somebody is found; the photo as it was taken is kept", async () => {
    const behind = await client.upload({ name: "meadow.jpg", data: await meadow() });
    const id = await begin({ review: true, behind: behind.body.photos[0]!.id });
    const ringer = RINGERS[0]!;
    const data = await sharp(Buffer.from(portrait(ringer, 900, 1200, ROOMY)))
      .jpeg({ quality: 92 })
      .toBuffer();
    const taken = (await shoot(id, 1, data)) as { photo: { id: string } };
    const shot = (await view(id)).state.sets[0]!.shots[0]!;
    expect(shot.of).toBe(taken.photo.id);
    expect(shot.photo).not.toBe(shot.of);
    const { data: pixels } = await bytes(`/api/photos/${shot.photo}/preview/800`);
    const colour = async (x: number, y: number) => {
      const box = { left: Math.round(x * 600) - 4, top: Math.round(y * 800) - 4, width: 8, height: 8 };
      return [...(await sharp(pixels).extract(box).resize(1, 1).raw().toBuffer())];
    };
    // Its corners are the meadow’s green; the middle of the face is not.
    for (const x of [0.03, 0.97])
      expect((await colour(x, 0.03))[1]! - (await colour(x, 0.03))[0]!).toBeGreaterThan(60);
    const { chin, crown } = headOf(ringer, 900, 1200, ROOMY);
    const face = await colour((chin.x + crown.x) / 2, (chin.y + crown.y) / 2);
    expect(face[0]!).toBeGreaterThan(face[1]!);
    // Who sends it again sends what came before.
    expect(await shoot(id, 1, data)).toHaveProperty("refused");
  }, 90_000);
});

const meadow = () =>
  sharp({ create: { width: 1200, height: 900, channels: 3, background: { r: 30, g: 160, b: 60 } } })
    .jpeg()
    .toBuffer();

describe("HTTPS", () => {
  it("is spoken with a certificate that is made once, holds for this machine and is told to other computers", async () => {
    const data = testFolder();
    const house = await Server.start(data, "--tls", "own");
    expect(house.address).toMatch(/^https:/);
    /** Asks over a line that trusts these certificates alone (Node’s own check of the chain and of the address). */
    const ask = (address: string, path: string, ca: string | null) =>
      new Promise<{ status: number; text: string }>((resolve, reject) => {
        request(`${address}${path}`, ca === null ? { rejectUnauthorized: false } : { ca }, (response) => {
          let text = "";
          response.on("data", (chunk: Buffer) => (text += chunk.toString()));
          response.on("end", () => resolve({ status: response.statusCode!, text }));
        })
          .on("error", reject)
          .end();
      });
    const { text: ca } = await ask(house.address, "/api/network/certificate", null);
    expect((await ask(house.address, "/api/events", ca)).status).toBe(200);
    await expect(ask(house.address, "/", "")).rejects.toThrow(/certificate/);
    const network = JSON.parse((await ask(house.address, "/api/network", ca)).text) as NetworkView;
    const said = execFileSync("openssl", ["x509", "-noout", "-fingerprint", "-sha256"], {
      input: ca,
      encoding: "utf8",
    });
    expect(said).toContain(network.certificate!.fingerprint);
    expect(network).toMatchObject({ addresses: [], certificate: { isOwn: true } });
    // The shell knows it by its certificate, whatever name the address has.
    const kept = execFileSync(process.execPath, [SHELL, "kept", "--data", data], { encoding: "utf8" });
    expect(kept).toMatch(/photos +0 /);
    await house.stop();
    const later = await Server.start(data, "--tls", "own");
    expect((await ask(later.address, "/api/network/certificate", ca)).text).toBe(ca);
    await later.stop();
    // Somebody’s own files; and what is none.
    const [cert, key] = [join(testFolder(), "c.pem"), join(testFolder(), "k.pem")];
    const own = JSON.parse(
      readFileSync(join(data, "wide-quilt", "tls", "certificate.json"), "utf8"),
    ) as Record<string, string>;
    writeFileSync(cert, own.cert!);
    writeFileSync(key, own.key!);
    const third = await Server.start(testFolder(), "--tls", cert, key);
    expect((await ask(third.address, "/api/events", ca)).status).toBe(200);
    await third.stop();
    await expect(Server.start(testFolder(), "--tls", cert, cert)).rejects.toThrow(/ended with 1/);
  }, 90_000);
});
