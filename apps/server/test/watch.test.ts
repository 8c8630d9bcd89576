import { mkdirSync, rmSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { freshJob } from "@wide-quilt/core";
import { SimulatedCamera } from "@wide-quilt/devices";
import sharp from "sharp";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import type { ProblemBody, WatchView } from "../src/contract.ts";
import { Server } from "../testing/server.ts";
import { Client, testFolder } from "./client.ts";

let server: Server;
let client: Client;
beforeAll(async () => {
  server = await Server.start(testFolder());
  client = new Client(server);
});
afterAll(() => server.kill());

/** A photo of its own, large enough to be written in pieces. */
const picture = (shot: number): Promise<Buffer> =>
  sharp({ create: { width: 900, height: 1200, channels: 3, background: { r: 20 * shot, g: 90, b: 60 } } })
    .jpeg({ quality: 100 })
    .toBuffer();

const newJob = async () => (await client.importJob(freshJob("portraits", "Watched"))).id;
const watch = (job: string, folder: string) =>
  client.ask<WatchView & ProblemBody>("PUT", `/jobs/${job}/watch`, { folder });
const view = async (job: string, after = 0) =>
  (await client.ask<WatchView>("GET", `/jobs/${job}/watch?after=${after}`)).body;
const names = ({ came }: WatchView) =>
  came.map(({ taken }) => ("photo" in taken ? taken.photo.name : `refused ${taken.refused.name}`));
const until = (job: string, count: number) =>
  expect.poll(async () => (await view(job)).came.length, { timeout: 20_000 }).toBe(count);

describe("a folder that a camera writes to", () => {
  it("gives what comes into it, whole, in its order, and not what was there before or is no photo", async () => {
    const [job, folder] = [await newJob(), join(testFolder(), "card")];
    mkdirSync(folder);
    writeFileSync(join(folder, "old.jpg"), await picture(0));
    const camera = new SimulatedCamera({ folder, sees: (shot) => picture(shot + 1), pace: 400 });
    const { status, body } = await watch(job, folder);
    expect([status, body.folder, body.before]).toEqual([200, folder, 1]);
    await camera.shoot(3);
    writeFileSync(join(folder, "notes.txt"), "nothing");
    writeFileSync(join(folder, "broken.jpg"), "no photo");
    await until(job, 4);
    expect(names(await view(job))).toEqual([
      "IMG_0001.JPG",
      "IMG_0002.JPG",
      "IMG_0003.JPG",
      "refused broken.jpg",
    ]);
    // Each as large as it was taken: none was read while it was half written.
    const came = (await view(job)).came.flatMap(({ taken }) => ("photo" in taken ? [taken.photo] : []));
    expect(came.map(({ width, height }) => [width, height])).toEqual(
      Array.from({ length: 3 }, () => [900, 1200]),
    );
    expect(new Set(came.map(({ id }) => id)).size).toBe(3);
    expect(names(await view(job, 3))).toEqual(["refused broken.jpg"]);
    // What a page says it has taken is given to none again, and what comes then has a number of its own.
    expect((await client.ask("PUT", `/jobs/${job}/watch/taken`, { number: 4 })).status).toBe(204);
    expect((await view(job)).came).toEqual([]);
    await camera.shoot();
    await until(job, 1);
    expect((await view(job)).came[0]!.number).toBe(5);
  });

  it("gives pictures whose names begin again, and says of one that broke off that it did", async () => {
    const [job, folder] = [await newJob(), join(testFolder(), "card")];
    const camera = new SimulatedCamera({ folder, sees: (shot) => picture(shot + 5), pace: 100, numbers: 1 });
    await watch(job, folder);
    await camera.shoot();
    await until(job, 1);
    await camera.shoot();
    await until(job, 2);
    const ids = (await view(job)).came.map(({ taken }) => ("photo" in taken ? taken.photo.id : ""));
    expect(names(await view(job))).toEqual(["IMG_0001.JPG", "IMG_0001.JPG"]);
    expect(new Set(ids).size).toBe(2);
    camera.breaksOff = true;
    await camera.shoot();
    await until(job, 3);
    expect(names(await view(job))[2]).toBe("refused IMG_0001.JPG");
  });

  it("says when the card is pulled, and goes on once it is back", async () => {
    const [job, folder] = [await newJob(), join(testFolder(), "card")];
    const camera = new SimulatedCamera({ folder, sees: picture, pace: 100 });
    await watch(job, folder);
    camera.pullCard();
    const fault = async () => (await view(job)).fault ?? "";
    await expect.poll(fault, { timeout: 10_000 }).toContain("the card was pulled");
    camera.putCard();
    await expect.poll(fault, { timeout: 10_000 }).toBe("");
    await camera.shoot();
    await until(job, 1);
    expect((await client.ask("DELETE", `/jobs/${job}/watch`)).status).toBe(204);
    expect(await view(job)).toEqual({ folder: null, before: 0, came: [], fault: null });
  });

  it("is refused in a sentence where there is none", async () => {
    const job = await newJob();
    const file = join(testFolder(), "file.jpg");
    writeFileSync(file, "x");
    const gone = join(testFolder(), "gone");
    rmSync(gone, { recursive: true, force: true });
    for (const [folder, why] of [
      ["Pictures", "is no whole path"],
      [gone, "is not there"],
      [file, "is a file, not a folder"],
      [join(server.data, "wide-quilt", "photos"), "is Wide Quilt’s own"],
    ] as const) {
      const { status, body } = await watch(job, folder);
      expect([status, body.detail]).toEqual([422, expect.stringContaining(why)]);
    }
    expect((await watch("no-such-job", testFolder())).status).toBe(404);
  });
});
