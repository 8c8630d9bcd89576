import { join } from "node:path";
import sharp from "sharp";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { mm, PRINTERS, USUAL_PRESS } from "@wide-quilt/core";
import { MODELS, SimulatedPrinter, type Fault } from "@wide-quilt/devices";
import { JOB_STATES, type PrinterCan } from "@wide-quilt/ipp";
import type { JobView, ProblemBody, Run } from "../src/contract.ts";
import { Server } from "../testing/server.ts";
import { times } from "../testing/times.ts";
import { Client, testFolder } from "./client.ts";

/** How a job at a printer can have ended. */
const OVER = new Set<number>([JOB_STATES.canceled, JOB_STATES.aborted, JOB_STATES.completed]);

let server: Server;
let client: Client;
let photo: string;
const data = testFolder();

beforeAll(async () => {
  server = await Server.start(data);
  client = new Client(server);
  const jpeg = await sharp({ create: { width: 900, height: 1200, channels: 3, background: "#2a6f4d" } })
    .jpeg()
    .toBuffer();
  photo = (await client.upload({ name: "a.jpg", data: jpeg })).body.photos[0]!.id;
});
afterAll(() => server.kill());

async function simulated(id: string, pace = 5): Promise<SimulatedPrinter> {
  const model = MODELS.find((one) => one.id === id)!;
  return new SimulatedPrinter(model, { folder: join(testFolder(), "prints"), pace }).start();
}

/** A job of some sheets for a printer at an address. */
async function jobFor(address: string | null, copies = 8): Promise<string> {
  const printer = { ...PRINTERS[0]!, id: `p-${crypto.randomUUID()}`, name: "Shore", address };
  await client.ask("PUT", `/printers/${printer.id}`, printer);
  const { id } = await client.importJob();
  await client.edit(id, 0, { do: "add photos", photos: [{ id: photo, name: "a.jpg" }] });
  await client.edit(id, 1, { do: "ticket", change: { copies } });
  await client.edit(id, 2, { do: "printer", printer });
  return id;
}

const print = async (id: string) => (await client.startRun(id, { print: true })).body;

describe("printing by IPP", () => {
  it("asks a printer what it can do, and says what is wrong with an address", async () => {
    const printer = await simulated("inkjet");
    const { body } = await client.ask<PrinterCan>("POST", "/printers/can", { address: printer.address });
    expect(body).toMatchObject({ name: "Shore inkjet", resolutions: [360] });
    await printer.stop();
    for (const [address, why] of [
      [printer.address, "cannot be reached"],
      ["http://localhost/", "An address such as ipp://"],
      [server.address.replace("http", "ipp"), "answered with HTTP"],
    ] as const) {
      const asked = await client.ask<ProblemBody>("POST", "/printers/can", { address });
      expect(asked.status).toBe(422);
      expect(asked.body.detail).toContain(why);
    }
  });

  it("sends each sheet in a format that the printer takes, and what comes out is the sheet", async () => {
    const lab = await simulated("lab");
    const id = await jobFor(lab.address, 12);
    const run = await client.ended((await print(id)).id);
    expect(run).toMatchObject({ state: "done", print: true, sheets: 2, files: [] });
    // 4 × 6 in is 0.015 483 84 m²; the lab takes no money for ink.
    expect(run.price).toBeCloseTo(2 * (0.05 + 17 * 0.01548384), 6);
    expect(lab.prints).toHaveLength(2);
    // 4 × 6 in at 300 ppi; the green of a piece at 20, 25 mm on the sheet that lies.
    const sheet = sharp(lab.prints[0]);
    expect(await sheet.metadata()).toMatchObject({ width: 1800, height: 1200 });
    const [r, g, b] = await sheet.extract({ left: 236, top: 295, width: 1, height: 1 }).raw().toBuffer();
    [r! - 0x2a, g! - 0x6f, b! - 0x4d].forEach((off) => expect(Math.abs(off)).toBeLessThan(4));
    await lab.stop();
  });

  it("waits for paper, says so, and goes on by itself", async () => {
    const lab = await simulated("lab");
    lab.putPaper(1);
    const { id } = await print(await jobFor(lab.address, 20));
    const waits = async () => (await client.ask<Run>("GET", `/runs/${id}`)).body;
    await expect.poll(async () => (await waits()).progress?.done).toBe(1);
    await expect.poll(async () => (await waits()).waits ?? "").toContain("out of paper");
    lab.putPaper(10);
    expect((await client.ended(id)).state).toBe("done");
    expect(lab.prints).toHaveLength(3);
    await lab.stop();
  });

  it.each(["kill", "stop"] as const)(
    "goes on after a %s of the server, and prints no sheet twice",
    async (way) => {
      const lab = await simulated("lab", 300);
      const { id } = await print(await jobFor(lab.address, 40));
      await expect
        .poll(async () => (await client.ask<Run>("GET", `/runs/${id}`)).body.progress?.done ?? 0)
        .toBeGreaterThan(1);
      await server[way]();
      server = await Server.start(data);
      client = new Client(server);
      expect((await client.ended(id)).state).toBe("done");
      expect(lab.prints).toHaveLength(5);
      expect(new Set(lab.jobs.map(({ name }) => name)).size).toBe(5);
      await lab.stop();
    },
  );

  it("waits for a printer that went away in the middle, says since when, and prints only what is missing", async () => {
    const lab = await simulated("lab", 250);
    const { id } = await print(await jobFor(lab.address, 24));
    const now = async () => (await client.ask<Run>("GET", `/runs/${id}`)).body;
    await expect.poll(async () => (await now()).progress?.done ?? 0).toBeGreaterThan(0);
    await lab.stop();
    await expect.poll(async () => (await now()).waits ?? "").toMatch(/^Not reached since \d\d:\d\d\. /);
    expect((await now()).state).toBe("painting");
    await lab.start();
    expect((await client.ended(id)).state).toBe("done");
    expect(lab.prints).toHaveLength(3);
    expect(new Set(lab.jobs.map(({ name }) => name)).size).toBe(3);
    await lab.stop();
  });

  it("is held and goes on, and is tried again after it was cancelled: each sheet comes out once", async () => {
    const lab = await simulated("lab", 300);
    const { id } = await print(await jobFor(lab.address, 24));
    for (const [way, state] of [
      [() => client.ask("POST", `/runs/${id}/pause`), "paused"],
      [() => client.ask("DELETE", `/runs/${id}`), "cancelled"],
    ] as const) {
      const sent = lab.jobs.length;
      await expect.poll(() => lab.jobs.length).toBeGreaterThan(sent);
      await way();
      expect((await client.ended(id)).state).toBe(state);
      await client.ask("POST", `/runs/${id}/resume`);
    }
    expect((await client.ended(id)).state).toBe("done");
    // Three documents, of which those that were taken back were sent anew.
    const printed = lab.jobs.filter(({ state }) => state === JOB_STATES.completed);
    expect(new Set(printed.map(({ name }) => name)).size).toBe(3);
    expect(printed).toHaveLength(3);
    await lab.stop();
  });

  it("sends pixels to a printer that takes neither JPEG nor PDF: turned upright, as large as they are", async () => {
    const event = await simulated("event");
    // Eight pieces on a sheet that lies; three copies of it, each cut in two across the upright paper.
    const id = await jobFor(event.address);
    const { body } = await client.ask<JobView>("GET", `/jobs/${id}`);
    await client.edit(id, body.version, { do: "target", change: { ppi: 302 } });
    await client.press(id, {
      print: { copies: 3, type: "photographic", quality: "high", grey: false, cuts: false },
    });
    const run = await client.ended((await print(id)).id);
    expect(run).toMatchObject({ state: "done", sheets: 1 });
    expect(run.price).toBeCloseTo(3 * (0.05 + 17 * 0.01548384), 6);
    expect(event.jobs).toMatchObject([
      {
        format: "image/pwg-raster",
        copies: 3,
        printed: 3,
        type: "photographic",
        scaling: "none",
        quality: 4,
      },
    ]);
    expect(event.prints).toHaveLength(6);
    const [half] = event.prints.map((path) => sharp(path));
    expect(await half!.metadata()).toMatchObject({ width: 604, height: 1812 });
    // 20 × 25 mm from the corner of the lying sheet: on the upright one 25 mm from the left and 20 from the foot.
    const at = { left: 297, top: 1812 - 238, width: 1, height: 1 };
    const [r, g, b] = await half!.extract(at).raw().toBuffer();
    [r! - 0x2a, g! - 0x6f, b! - 0x4d].forEach((off) => expect(Math.abs(off)).toBeLessThan(4));
    await event.stop();
  });

  it("is cancelled at the printer too", async () => {
    const lab = await simulated("lab", 400);
    const { id } = await print(await jobFor(lab.address, 40));
    await expect.poll(() => lab.jobs.length).toBeGreaterThan(0);
    await client.ask("DELETE", `/runs/${id}`);
    expect((await client.ended(id)).state).toBe("cancelled");
    // The sheet that was in the machine may still come out; no other is taken in.
    await expect.poll(() => lab.jobs.every(({ state }) => OVER.has(state))).toBe(true);
    expect(lab.prints.length).toBeLessThanOrEqual(1);
    expect(lab.jobs).toHaveLength(1);
    await lab.stop();
  });

  it("refuses what the printer cannot do, in words", async () => {
    expect((await client.startRun(await jobFor(null), { print: true })).body).toMatchObject({
      status: 422,
      detail: expect.stringContaining("has no address to print at"),
    });
    const event = await simulated("event");
    const id = await jobFor(event.address);
    const { body } = await client.ask<{ version: number }>("GET", `/jobs/${id}`);
    await client.edit(id, body.version, {
      do: "sheet",
      change: { paper: { name: "A4", width: mm(210), height: mm(297) } },
    });
    const run = await client.ended((await print(id)).id);
    expect(run).toMatchObject({
      state: "failed",
      why: expect.stringContaining("has no paper of 210 × 297 mm"),
    });
    expect(event.prints).toEqual([]);
    await event.stop();
    const lab = await simulated("lab");
    const other = await jobFor(lab.address);
    for (const [change, why] of [
      [{ copies: 600 }, "prints at most 500 copies at a time, and 600 are asked for"],
      [{ type: "cardstock" }, "has no paper of the kind “cardstock” in this size"],
      [{ grey: true }, "cannot be told to print in black alone"],
    ] as const) {
      await client.press(other, { print: { ...USUAL_PRESS.print, ...change } });
      const refused = await client.ended((await print(other)).id);
      expect(refused).toMatchObject({ state: "failed", why: expect.stringContaining(why) });
    }
    expect(lab.jobs).toEqual([]);
    await lab.stop();
  });
});

describe("a printer that cannot be relied on", () => {
  const state = async (id: string) => (await client.ask<Run>("GET", `/runs/${id}`)).body;
  /** Each sheet came out once, counted at the printer. */
  const expectOnce = ({ names }: SimulatedPrinter, sheets: number) => {
    expect(names).toHaveLength(sheets);
    expect(new Set(names).size).toBe(sheets);
  };

  it.each(["cut before", "cut after", "half an answer", "busy"] as Fault[])(
    "%s, at every third message: each sheet comes out once",
    async (fault) => {
      const lab = await simulated("lab", 20);
      let messages = 0;
      lab.fault = () => (++messages % 3 === 0 ? fault : null);
      const { id } = await print(await jobFor(lab.address, 24));
      expect((await client.ended(id)).state).toBe("done");
      expectOnce(lab, 3);
      await lab.stop();
    },
  );

  it("that forgets what it printed is never sent a sheet again unasked", async () => {
    const lab = await simulated("lab", 20);
    lab.forgets = true;
    const { id } = await print(await jobFor(lab.address, 32));
    await expect.poll(async () => (await state(id)).state).toBe("asking");
    expect(await state(id)).toMatchObject({ inDoubt: 1 });
    expectOnce(lab, 1);
    // Nothing happens by itself, whatever is pressed.
    await client.ask("POST", `/runs/${id}/resume`);
    expect((await state(id)).state).toBe("asking");
    await client.ask("POST", `/runs/${id}/answer`, { cameOut: true });
    // What was seen being printed after that is taken to be out; what was over before anyone looked is asked about.
    for (;;) {
      const now = await client.ended(id);
      if (now.state === "done") break;
      expect(now.state).toBe("asking");
      expectOnce(lab, now.inDoubt!);
      await client.ask("POST", `/runs/${id}/answer`, { cameOut: true });
    }
    expectOnce(lab, 4);
    await lab.stop();
  });

  it("is sent a sheet again where a person says that it did not come out", async () => {
    const lab = await simulated("lab", 20);
    lab.forgets = true;
    const { id } = await print(await jobFor(lab.address, 8));
    await expect.poll(async () => (await state(id)).state).toBe("asking");
    lab.forgets = false;
    await client.ask("POST", `/runs/${id}/answer`, { cameOut: false });
    expect((await client.ended(id)).state).toBe("done");
    expect(lab.names).toHaveLength(2);
    await lab.stop();
  });

  it("and answers a byte at a time is let go of at once", async () => {
    const lab = await simulated("lab", 20);
    lab.fault = () => "drips";
    const { id } = await print(await jobFor(lab.address, 8));
    await expect.poll(async () => (await state(id)).state).toBe("painting");
    const since = Date.now();
    await client.ask("DELETE", `/runs/${id}`);
    expect((await client.ended(id)).state).toBe("cancelled");
    expect(Date.now() - since).toBeLessThan(3000);
    await lab.stop();
  });

  it("and cannot be told that a print is taken back may still print it, and that is said", async () => {
    const lab = await simulated("lab", 1500);
    const { id } = await print(await jobFor(lab.address, 24));
    await expect.poll(() => lab.jobs.length).toBe(1);
    lab.fault = () => "cut before";
    await client.ask("DELETE", `/runs/${id}`);
    const run = await client.ended(id);
    expect(run).toMatchObject({
      state: "cancelled",
      why: expect.stringMatching(/Sheet 1 may still come out/),
    });
    lab.fault = null;
    await client.ask("POST", `/runs/${id}/resume`);
    expect((await client.ended(id)).state).toBe("done");
    expectOnce(lab, 3);
    await lab.stop();
  });

  it("does not hold up files, nor another printer; why a run waits is said", async () => {
    const [empty, other] = await Promise.all([simulated("lab"), simulated("lab")]);
    empty.putPaper(0);
    const first = await print(await jobFor(empty.address, 8));
    const second = await print(await jobFor(empty.address, 8));
    await expect.poll(async () => (await state(first.id)).waits ?? "").toContain("out of paper");
    expect((await state(second.id)).waits).toMatch(/Shore is printing “Badges” first/);
    const elsewhere = await print(await jobFor(other.address, 8));
    expect((await client.ended(elsewhere.id)).state).toBe("done");
    const file = await client.startRun(await jobFor(null));
    expect((await client.ended(file.body.id)).state).toBe("done");
    empty.putPaper(9);
    expect((await client.ended(first.id)).state).toBe("done");
    expect((await client.ended(second.id)).state).toBe("done");
    expectOnce(empty, 2);
    await Promise.all([empty.stop(), other.stop()]);
  });

  it(
    "killed thrice while a hundred sheets are printed prints a hundred",
    async () => {
      const lab = await simulated("lab", 15);
      const { id } = await print(await jobFor(lab.address, times(20, 100) * 8));
      for (let kill = 1; kill <= 3; kill++) {
        await expect.poll(() => lab.names.length, { timeout: 120_000 }).toBeGreaterThan(kill * times(4, 25));
        await server.kill();
        server = await Server.start(data);
        client = new Client(server);
      }
      expect((await client.ended(id)).state).toBe("done");
      expectOnce(lab, times(20, 100));
      await lab.stop();
    },
    times(200_000, 600_000),
  );
});
