import { execFileSync } from "node:child_process";
import { existsSync, readdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { setTimeout as wait } from "node:timers/promises";
import Database from "better-sqlite3";
import sharp from "sharp";
import { expect, it } from "vitest";
import { chance, mm, freshJob, PRINTERS } from "@wide-quilt/core";
import { MODELS, SimulatedPrinter } from "@wide-quilt/devices";
import type { JobView, Run } from "../src/contract.ts";
import { Server } from "../testing/server.ts";
import { times } from "../testing/times.ts";
import { Client, testFolder } from "./client.ts";

const HOME = "wide-quilt";
const { target } = freshJob("copies", "x");
const next = chance(127);

/** What a person keeps beside what is ours. */
const OWN = ["notes.txt", "out/mine.txt", "out/.mine.unfinished"];

function expectWhole(data: string, photos: Iterable<string>): void {
  const db = new Database(join(data, HOME, "wide-quilt.sqlite"), { readonly: true });
  expect(db.prepare("PRAGMA integrity_check").all()).toEqual([{ integrity_check: "ok" }]);
  const known = new Set((db.prepare("SELECT id FROM photos").all() as { id: string }[]).map(({ id }) => id));
  const open = new Set(
    (
      db.prepare("SELECT id FROM runs WHERE state NOT IN ('done', 'cancelled')").all() as { id: string }[]
    ).map(({ id }) => id),
  );
  db.close();
  for (const id of photos) expect(known.has(id), `photo ${id} was acknowledged`).toBe(true);
  const files = (folder: string) =>
    existsSync(join(data, HOME, folder))
      ? readdirSync(join(data, HOME, folder), { recursive: true, withFileTypes: true })
          .filter((entry) => entry.isFile())
          .map(({ name }) => name)
      : [];
  // No file that no row names, and nothing half-written.
  for (const name of [...files("photos/originals"), ...files("photos/previews")])
    expect(known.has(name.slice(0, 64)), name).toBe(true);
  for (const run of readdirSync(join(data, HOME, "unfinished"))) expect(open.has(run), run).toBe(true);
  for (const name of OWN) expect(readFileSync(join(data, name), "utf8")).toBe(name);
}

it(
  "killed at any moment of uploads, edits, runs and prints, it loses nothing it acknowledged and does nothing twice",
  async () => {
    const data = testFolder();
    let server = await Server.start(data);
    let client = new Client(server);
    for (const name of OWN) writeFileSync(join(data, name), name);
    const lab = await new SimulatedPrinter(
      MODELS.find(({ id }) => id === "lab")!,
      {
        folder: join(testFolder(), "prints"),
        pace: 5,
      },
    ).start();
    const printer = { ...PRINTERS[0]!, id: "lab-own", name: "Shore", address: lab.address };
    await client.ask("PUT", `/printers/${printer.id}`, printer);
    const jpeg = (n: number) =>
      sharp({
        create: {
          width: 80,
          height: 60,
          channels: 3,
          background: `#${(n * 7919 + 0x101010).toString(16).slice(-6)}`,
        },
      })
        .jpeg()
        .toBuffer();
    const first = (await client.upload({ name: "first.jpg", data: await jpeg(0) })).body.photos[0]!.id;
    const { id: written } = await client.importJob({
      name: "Written",
      target: { ...target, file: { ...target.file, format: "png" } },
    });
    const { id: printed } = await client.importJob({ name: "Printed" });
    for (const id of [written, printed]) {
      await client.edit(id, 0, { do: "add photos", photos: [{ id: first, name: "first.jpg" }] });
      await client.edit(id, 1, { do: "ticket", change: { copies: 9, gap: mm(2) } });
    }
    await client.edit(printed, 2, { do: "printer", printer });
    const { id: edited } = await client.importJob({ name: "Edited" });
    const photos = new Set([first]);
    const placed: string[] = [];
    const runs = new Set<string>();
    let number = 0;
    for (let kill = 0; kill < times(5, 160); kill++) {
      let isOver = false;
      const until = async (work: () => Promise<void>) => {
        while (!isOver) await work().catch(() => wait(5));
      };
      const works = [
        until(async () => {
          const { body } = await client.upload({ name: "p.jpg", data: await jpeg(++number) });
          for (const { id } of body.photos) photos.add(id);
        }),
        until(async () => {
          const own = ++number;
          const cells = [{ place: placeOf(own), photo: null }];
          const answer = await client.ask("POST", `/jobs/${edited}/edits`, {
            client: client.window,
            edits: [{ id: `act-number-${own}`, edit: { do: "add cells", cells } }],
          });
          if (answer.status === 200) placed.push(String(placeOf(own).x));
        }),
        until(async () => {
          const { body, status } = await client.startRun(written, { rule: `Run ${++number} [sheet]` });
          if (status === 201) runs.add(body.id);
          // Every run that was begun is waited for at the end.
          await wait(times(150, 600));
        }),
        until(async () => {
          const { body, status } = await client.startRun(printed, { print: true });
          if (status === 201) runs.add(body.id);
          await wait(times(200, 900));
        }),
      ];
      await wait(next() * 4000);
      await server.kill();
      isOver = true;
      await Promise.all(works);
      server = await Server.start(data);
      client = new Client(server);
      expectWhole(data, photos);
      const { body } = await client.ask<JobView>("GET", `/jobs/${edited}`);
      const there = Object.values(body.job.cells).map(({ place }) => String(place!.x));
      expect(new Set(there).size, "nothing was done twice").toBe(there.length);
      expect(
        placed.filter((x) => !there.includes(x)),
        "edits that were acknowledged",
      ).toEqual([]);
    }
    for (const id of runs) {
      let run = await client.ended(id);
      // In doubt a person looks at the printer.
      while (run.state === "asking") {
        const cameOut = lab.names.some((name) => name.endsWith(`${id} · ${run.inDoubt}`));
        await client.ask("POST", `/runs/${id}/answer`, { cameOut });
        run = await client.ended(id);
      }
      expect(run, run.why ?? "").toMatchObject({ state: "done" });
    }
    // All of it was really going on.
    for (const done of [photos.size, placed.length, runs.size]) expect(done).toBeGreaterThan(times(1, 100));
    expect(new Set(lab.names).size, "every print once").toBe(lab.names.length);
    const all = await Promise.all(
      [...runs].map(async (id) => (await client.ask<Run>("GET", `/runs/${id}`)).body),
    );
    // A run whose answer was cut off is no promise; it may have been printed all the same, once.
    for (const { id } of all.filter(({ print }) => print))
      expect(lab.names.filter((name) => name.includes(id))).toHaveLength(2);
    const names = all.flatMap(({ files }) => files.map(({ name }) => name));
    for (const name of names) expect(existsSync(join(data, "out", name)), name).toBe(true);
    expect(new Set(names).size).toBe(names.length);
    expectWhole(data, photos);
    await server.kill();
    await lab.stop();
  },
  times(300_000, 3_000_000),
);

/** A place that no other number has. */
const placeOf = (number: number) => ({
  sheet: "1",
  x: mm(number),
  y: mm(1),
  width: mm(20),
  height: mm(20),
  angle: 0,
  order: 0,
  locked: false,
  proportion: false,
});

it.each(["a first start", "a migration"])(
  "killed at any moment of %s, it starts the next time, with everything",
  async (what) => {
    for (let round = 0; round < times(2, 20); round++) {
      const data = testFolder();
      if (what === "a migration")
        execFileSync("tar", ["-xzf", join(import.meta.dirname, "layout-1.tgz"), "-C", data]);
      for (let kill = 0; kill < 2; kill++) await Server.killedAfter(data, 250 + next() * 1300);
      const server = await Server.start(data);
      const client = new Client(server);
      const { body } = await client.ask<{ name: string; id: string }[]>("GET", "/jobs");
      if (what === "a migration") {
        expect(body).toMatchObject([{ name: "Ringers" }]);
        const job = await client.ask<JobView>("GET", `/jobs/${body[0]!.id}`);
        expect(job.body).toMatchObject({ undo: "gap", redo: "ppi" });
        expect(Object.keys(job.body.photos)).toHaveLength(1);
      } else expect(body).toEqual([]);
      await server.kill();
      const db = new Database(join(data, HOME, "wide-quilt.sqlite"), { readonly: true });
      expect(db.prepare("PRAGMA integrity_check").all()).toEqual([{ integrity_check: "ok" }]);
      db.close();
    }
  },
  times(120_000, 600_000),
);

it("starts over a database that a first start was cut off before its first table", async () => {
  const data = testFolder();
  const first = await Server.start(data);
  await first.kill();
  // SQLite takes a file without a byte for a database without a table.
  for (const name of readdirSync(join(data, HOME)).filter((one) => one.startsWith("wide-quilt.sqlite")))
    rmSync(join(data, HOME, name));
  writeFileSync(join(data, HOME, "wide-quilt.sqlite"), "");
  const server = await Server.start(data);
  expect((await new Client(server).ask("GET", "/jobs")).body).toEqual([]);
  await server.kill();
});
