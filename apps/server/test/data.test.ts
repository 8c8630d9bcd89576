import { execFileSync, spawn, spawnSync } from "node:child_process";
import { once } from "node:events";
import {
  chmodSync,
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  statSync,
  writeFileSync,
} from "node:fs";
import { join } from "node:path";
import Database from "better-sqlite3";
import sharp from "sharp";
import { describe, expect, it } from "vitest";
import { JOB_VERSION, mm } from "@wide-quilt/core";
import type { JobView, KeptView } from "../src/contract.ts";
import { Server } from "../testing/server.ts";
import { Client, testFolder } from "./client.ts";

const ROOT = join(import.meta.dirname, "../../..");
const HOME = "wide-quilt";

/** Every file of a folder with what is in it, and folders by their names. */
function contents(folder: string): Record<string, string> {
  const entries = readdirSync(folder, { recursive: true, withFileTypes: true });
  return Object.fromEntries(
    entries.map((entry) => {
      const path = join(entry.parentPath, entry.name);
      return [path, entry.isFile() ? readFileSync(path, "latin1") : "folder"];
    }),
  );
}

describe("the data folder", () => {
  it("of somebody else is refused with a sentence, and stays as it was to the byte", () => {
    const own = testFolder();
    for (const name of ["proofs", "photos/arriving", "out"]) {
      mkdirSync(join(own, name), { recursive: true });
      writeFileSync(join(own, name, "mine.unfinished"), name);
    }
    const before = contents(own);
    const { code, said } = Server.refused("--data", own, "--port", "0", "--empty");
    expect(code).toBe(1);
    expect(said).toMatch(/has something else in it \(.*proofs.*\).*Choose a new or an empty folder/);
    expect(said).not.toMatch(/\bat .*:\d+:\d+/);
    expect(contents(own)).toEqual(before);
  });

  it("keeps everything under one name of ours, and leaves what a person puts beside it", async () => {
    const data = testFolder();
    let server = await Server.start(data);
    await server.stop();
    expect(readdirSync(data).sort()).toEqual(["out", HOME]);
    for (const path of ["proofs/a.txt", "photos/arriving/b.txt", "out/.c.unfinished", "notes.txt"]) {
      mkdirSync(join(data, path, ".."), { recursive: true });
      writeFileSync(join(data, path), "mine");
    }
    server = await Server.start(data);
    await server.kill();
    for (const path of ["proofs/a.txt", "photos/arriving/b.txt", "out/.c.unfinished", "notes.txt"])
      expect(readFileSync(join(data, path), "utf8")).toBe("mine");
  });

  it("is its owner's alone", async () => {
    const data = join(testFolder(), "new");
    const server = await Server.start(data);
    const jpeg = await sharp({ create: { width: 50, height: 50, channels: 3, background: "#345678" } })
      .jpeg()
      .toBuffer();
    await new Client(server).upload({ name: "a.jpg", data: jpeg });
    await server.stop();
    const open = readdirSync(data, { recursive: true, withFileTypes: true })
      .map((entry) => join(entry.parentPath, entry.name))
      .filter((path) => (statSync(path).mode & 0o077) !== 0);
    expect(open).toEqual([]);
  });

  it.each([
    [
      "a newer program’s",
      (data: string) =>
        writeFileSync(
          join(data, HOME, "wide-quilt.json"),
          JSON.stringify({ format: "wide-quilt-data", version: 99 }),
        ),
      /written by a newer Wide Quilt \(version 99/,
    ],
    [
      "one with a newer database",
      (data: string) => {
        const db = new Database(join(data, HOME, "wide-quilt.sqlite"));
        db.prepare("INSERT INTO __drizzle_migrations (hash, created_at) VALUES ('x', 9e15)").run();
        db.close();
      },
      /written by a newer Wide Quilt/,
    ],
    [
      "one with a damaged database",
      (data: string) => writeFileSync(join(data, HOME, "wide-quilt.sqlite"), "no database ".repeat(999)),
      /is damaged and cannot be read. Nothing was changed/,
    ],
    [
      "one with a damaged marker",
      (data: string) => writeFileSync(join(data, HOME, "wide-quilt.json"), "{"),
      /is damaged/,
    ],
  ] as const)("%s is refused with a sentence", async (_, spoil, why) => {
    const data = testFolder();
    await (await Server.start(data)).stop();
    spoil(data);
    const { code, said } = Server.refused("--data", data, "--port", "0", "--empty");
    expect([code, said]).toEqual([1, expect.stringMatching(why)]);
    expect(said.trim().split("\n")).toHaveLength(1);
  });

  it("that is a file, or inside one, is refused with a sentence", () => {
    const file = join(testFolder(), "file.txt");
    writeFileSync(file, "mine");
    expect(Server.refused("--data", file, "--port", "0").said).toMatch(/is a file, not a folder/);
    expect(Server.refused("--data", join(file, "in"), "--port", "0").said).toMatch(/lies inside a file/);
    expect(readFileSync(file, "utf8")).toBe("mine");
  });

  it.runIf(process.getuid?.() === 0 && existsSync("/usr/bin/setpriv"))(
    "without permission is refused with a sentence",
    () => {
      const data = testFolder();
      chmodSync(data, 0o500);
      const main = join(ROOT, "apps/server/dist/main.js");
      const args = [
        "--reuid",
        "65534",
        "--regid",
        "65534",
        "--clear-groups",
        process.execPath,
        main,
        "--data",
        join(data, "in"),
        "--port",
        "0",
      ];
      const { status, stderr } = spawnSync("setpriv", args, {
        encoding: "utf8",
        env: { ...process.env, HOME: "/" },
      });
      expect([status, stderr]).toEqual([1, expect.stringMatching(/may not be read and written by you/)]);
    },
  );

  it("is taken by one server alone; a second one says where that is, and touches nothing", async () => {
    const data = testFolder();
    const server = await Server.start(data);
    const arriving = join(data, HOME, "arriving", "on-its-way");
    writeFileSync(arriving, "a photo");
    for (const port of ["0", server.port]) {
      const { code, said } = Server.refused("--data", data, "--port", port, "--empty");
      expect([code, said.trim()]).toEqual([1, `Wide Quilt is already running at ${server.address}/`]);
    }
    expect(readFileSync(arriving, "utf8")).toBe("a photo");
    const elsewhere = Server.refused("--data", testFolder(), "--port", server.port, "--empty");
    expect(elsewhere.said).toMatch(/is taken by another program/);
    // A kill lets go of it.
    await server.kill();
    await (await Server.start(data)).kill();
  });

  it("has everything in its one database file after an orderly stop", async () => {
    const data = testFolder();
    const server = await Server.start(data);
    const { id } = await new Client(server).importJob({ name: "Kept" });
    await server.stop();
    const wal = join(data, HOME, "wide-quilt.sqlite-wal");
    expect(existsSync(wal) ? statSync(wal).size : 0).toBe(0);
    const db = new Database(join(data, HOME, "wide-quilt.sqlite"), { readonly: true });
    expect(db.prepare("SELECT name FROM jobs WHERE id = ?").get(id)).toMatchObject({ name: "Kept" });
    db.close();
  });

  it("of the first layout is brought up: jobs, photos and steps are there, and a copy as it was", async () => {
    const data = testFolder();
    execFileSync("tar", ["-xzf", join(import.meta.dirname, "layout-1.tgz"), "-C", data]);
    writeFileSync(join(data, "notes.txt"), "mine");
    const server = await Server.start(data);
    const client = new Client(server);
    const [job] = (await client.ask<{ id: string; name: string; photos: number }[]>("GET", "/jobs")).body;
    expect(job).toMatchObject({ name: "Ringers", photos: 1 });
    const { body } = await client.ask<JobView>("GET", `/jobs/${job!.id}`);
    expect(body).toMatchObject({
      undo: "gap",
      redo: "ppi",
      job: { version: JOB_VERSION, ticket: { gap: mm(4) } },
    });
    expect(Object.keys(body.photos)).toHaveLength(1);
    expect((await client.walk(job!.id, "redo")).body.job.target.ppi).toBe(600);
    for (let i = 0; i < 5; i++) await client.walk(job!.id, "undo");
    expect((await client.ask<JobView>("GET", `/jobs/${job!.id}`)).body.job).toMatchObject({
      stash: [],
      ticket: { gap: mm(2) },
    });
    const { body: list } = await client.ask<{ runs: { id: string; state: string; jobName: string }[] }>(
      "GET",
      "/runs",
    );
    expect(list.runs).toMatchObject([{ state: "done", jobName: "Ringers" }]);
    const again = await client.ask<{ id: string }>("POST", `/runs/${list.runs[0]!.id}/again`);
    const { files } = await client.ended(again.body.id);
    // The same bytes as the older program wrote.
    const written = (name: string) => readFileSync(join(data, "out", name));
    expect(written(files[0]!.name).equals(written("Ringers.png"))).toBe(true);
    expect(readFileSync(join(data, "notes.txt"), "utf8")).toBe("mine");
    expect(readdirSync(join(data, HOME)).filter((name) => name.startsWith("before-upgrade-"))).toHaveLength(
      1,
    );
    await server.kill();
  });

  it("brings jobs of an older form up together with their steps", async () => {
    const data = testFolder();
    let own = await Server.start(data);
    const client = new Client(own);
    const { id, job } = await client.importJob({ name: "Old" });
    await client.edit(id, 0, { do: "ticket", change: { gap: mm(5) } });
    await own.kill();
    // As version 1 had it, and the step in its form.
    const old = (gap: number) => {
      const { sheets: _sheets, target, about: _about, ...rest } = job;
      const { cuts: _cuts, ...ticket } = job.ticket as unknown as Record<string, unknown>;
      const { trim: _t, safe: _s, facing: _f, ...made } = job.sheet;
      const sheet = { ...made, ppi: target.ppi, printer: target.printer };
      return { ...rest, version: 1, sheet, ticket: { ...ticket, gap, turnPieces: true } };
    };
    const db = new Database(join(data, HOME, "wide-quilt.sqlite"));
    const patch = [{ at: ["ticket"], from: old(mm(2)).ticket, to: old(mm(5)).ticket }];
    db.prepare("UPDATE jobs SET job = ? WHERE id = ?").run(JSON.stringify(old(mm(5))), id);
    db.prepare("UPDATE revisions SET patch = ? WHERE job_id = ?").run(JSON.stringify(patch), id);
    db.close();
    own = await Server.start(data);
    const again = new Client(own);
    const { body } = await again.ask<JobView>("GET", `/jobs/${id}`);
    expect(body).toMatchObject({
      undo: "gap",
      notice: null,
      job: { version: JOB_VERSION, ticket: { turnPieces: "all", gap: mm(5) } },
    });
    expect((await again.walk(id, "undo")).body.job).toMatchObject({
      version: JOB_VERSION,
      ticket: { turnPieces: "all", gap: mm(2) },
    });
    await own.kill();
  });
});

describe("what is kept", () => {
  const flat = (background: string) =>
    sharp({ create: { width: 60, height: 40, channels: 3, background } })
      .jpeg()
      .toBuffer();

  it("is swept at the start where no row names it", async () => {
    const data = testFolder();
    let server = await Server.start(data);
    const kept = (await new Client(server).upload({ name: "a.jpg", data: await flat("#aa3300") })).body
      .photos[0]!.id;
    await server.kill();
    const orphan = "ab".repeat(32);
    const left = [
      `photos/originals/ab/${orphan}`,
      `photos/previews/ab/${orphan}-320.jpg`,
      `photos/previews/ab/.${orphan}-800.jpg.0f.unfinished`,
      `graphics/ab/${orphan}`,
      `profiles/${"cd".repeat(16)}.icc`,
    ];
    for (const path of left) {
      mkdirSync(join(data, HOME, path, ".."), { recursive: true });
      writeFileSync(join(data, HOME, path), "left over");
    }
    server = await Server.start(data);
    for (const path of left) expect(existsSync(join(data, HOME, path))).toBe(false);
    expect(existsSync(join(data, HOME, "photos/originals", kept.slice(0, 2), kept))).toBe(true);
    await server.kill();
  });

  it("and used by nothing is seen and cleared; what an undo would bring back is used", async () => {
    const data = testFolder();
    let server = await Server.start(data);
    let client = new Client(server);
    const photos = await Promise.all(["#101010", "#202020", "#303030"].map(flat));
    const [used, undone, unused] = (
      await client.upload(...photos.map((data, i) => ({ name: `${i}.jpg`, data })))
    ).body.photos.map(({ id }) => id);
    const { id } = await client.importJob();
    await client.edit(id, 0, { do: "add photos", photos: [{ id: used!, name: "0.jpg" }] });
    await client.edit(id, 1, { do: "add photos", photos: [{ id: undone!, name: "1.jpg" }] });
    await client.walk(id, "undo");
    const part = (view: KeptView, what: string) => view.parts.find((one) => one.what === what)!;
    // What came a moment ago may be on its way into a job.
    expect(part((await client.ask<KeptView>("GET", "/kept")).body, "unused photos").count).toBe(0);
    await server.stop();
    const db = new Database(join(data, HOME, "wide-quilt.sqlite"));
    db.prepare("UPDATE photos SET added_at = added_at - 7200000").run();
    db.close();
    server = await Server.start(data);
    client = new Client(server);
    const { body } = await client.ask<KeptView>("GET", "/kept");
    expect(part(body, "unused photos")).toMatchObject({ count: 1, clears: true });
    expect(part(body, "photos").count).toBe(2);
    const after = await client.ask<KeptView>("POST", "/kept/clear", { what: "unused photos" });
    expect(part(after.body, "unused photos").count).toBe(0);
    expect(existsSync(join(data, HOME, "photos/originals", unused!.slice(0, 2), unused!))).toBe(false);
    expect(existsSync(join(data, HOME, "photos/originals", undone!.slice(0, 2), undone!))).toBe(true);
    expect((await client.walk(id, "redo")).body.photos[undone!]).toBeDefined();
    await server.kill();
  });

  it("of 550 stars in a job of 3 000 photos takes at most 6 MB", async () => {
    const data = testFolder();
    const server = await Server.start(data);
    const client = new Client(server);
    const stash = Array.from({ length: 3000 }, (_, i) => ({
      id: i.toString(16).padStart(64, "0"),
      name: `spit-autumn-${i}.jpg`,
      tags: ["tern", "spit"],
      folder: "autumn/day 3",
      number: i + 1,
    }));
    const { id } = await client.importJob({ stash, numbered: stash.length });
    for (let i = 0; i < 550; i++) {
      const edit = { do: "mark photos", photos: [stash[i * 5]!.id], change: { stars: (i % 5) + 1 } };
      await client.ask("POST", `/jobs/${id}/edits`, {
        client: client.window,
        version: i,
        edits: [{ id: `star-${i}-alone`, edit }],
      });
    }
    const sizes = () =>
      readdirSync(join(data, HOME))
        .filter((name) => name.startsWith("wide-quilt.sqlite"))
        .reduce((sum, name) => sum + statSync(join(data, HOME, name)).size, 0);
    expect(sizes()).toBeLessThan(6e6);
    await server.stop();
    expect(sizes()).toBeLessThan(6e6);
  });
});

it("ends with npm, when npm is told to", async () => {
  const data = testFolder();
  const npm = spawn("npm", ["start", "--silent", "--", "--data", data, "--port", "0", "--empty"], {
    cwd: ROOT,
    stdio: ["ignore", "pipe", "ignore"],
    detached: true,
  });
  let said = "";
  npm.stdout.on("data", (chunk: Buffer) => (said += chunk.toString()));
  await expect.poll(() => /ready at (http:\S+)\//.exec(said)?.[1]).toBeDefined();
  const address = /ready at (http:\S+)\//.exec(said)![1]!;
  expect((await fetch(`${address}/health`)).status).toBe(200);
  const gone = once(npm, "exit");
  npm.kill("SIGTERM");
  await gone;
  await expect
    .poll(() =>
      fetch(`${address}/health`).then(
        () => "there",
        () => "gone",
      ),
    )
    .toBe("gone");
});
