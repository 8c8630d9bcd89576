import { execFileSync } from "node:child_process";
import { createHash } from "node:crypto";
import { readdirSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import sharp from "sharp";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { mm, type FileSetup } from "@wide-quilt/core";
import type { JobView, Proof, Run, RunNaming } from "../src/contract.ts";
import { Server } from "../testing/server.ts";
import { Client, testFolder } from "./client.ts";

let server: Server;
let client: Client;
let photo: string;
beforeAll(async () => {
  server = await Server.start(testFolder());
  client = new Client(server);
  const data = await sharp({ create: { width: 900, height: 1200, channels: 3, background: "#2a6f4d" } })
    .jpeg()
    .toBuffer();
  photo = (await client.upload({ name: "green.jpg", data })).body.photos[0]!.id;
});
afterAll(() => server.kill());

async function badges(copies: number | "fit" = "fit"): Promise<JobView> {
  const { id } = await client.importJob();
  await client.edit(id, 0, { do: "add photos", photos: [{ id: photo, name: "green.jpg" }] });
  return (await client.edit(id, 1, { do: "ticket", change: { copies } })).body;
}
const out = () => readdirSync(join(server.data, "out")).sort();
const start = (job: string, file: Partial<FileSetup>, naming: Partial<RunNaming> = {}) =>
  client.startRun(job, { file, ...naming });

describe("the press over HTTP", () => {
  it("paints a proof: its picture has the true pixels, its size is the file's", async () => {
    const { id, job } = await badges();
    await client.press(id, { file: { ...job.target.file, quality: 80 } });
    const ask = () => client.ask<Proof>("POST", `/jobs/${id}/proofs`, { sheet: 1 });
    let proof = (await ask()).body;
    while (proof.state === "painting") proof = (await client.ask<Proof>("GET", `/proofs/${proof.id}`)).body;
    expect(proof).toMatchObject({ state: "done", pixels: { width: 1800, height: 1200 } });
    const picture = await fetch(`${server.address}/api/proofs/${proof.id}/picture`);
    const bytes = Buffer.from(await picture.arrayBuffer());
    expect(bytes.length).toBe(proof.bytes);
    expect(await sharp(bytes).metadata()).toMatchObject({ width: 1800, height: 1200, density: 300 });
    expect((await ask()).body.id).toBe(proof.id);
  });

  it("writes the same bytes for the same job, beside what is there", async () => {
    const { id } = await badges();
    const runs = await Promise.all([1, 2].map(() => client.startRun(id, { rule: "Twice" })));
    const ended = await Promise.all(runs.map(({ body }) => client.ended(body.id)));
    expect(ended.map(({ state }) => state)).toEqual(["done", "done"]);
    const names = ended.flatMap(({ files }) => files.map(({ name }) => name)).sort();
    expect(names).toEqual(["Twice (2).jpg", "Twice.jpg"]);
    const [a, b] = names.map((name) => readFileSync(join(server.data, "out", name)));
    expect(a!.equals(b!)).toBe(true);
  });

  it("numbers the files of many sheets and gives them as a ZIP; a PDF has them as pages", async () => {
    const { id } = await badges(20);
    const run = await client.ended(
      (await start(id, { format: "png" }, { rule: "Team [sheet, 2 digits]" })).body.id,
    );
    expect(run.files.map(({ name }) => name)).toEqual(["Team 01.png", "Team 02.png", "Team 03.png"]);
    const zip = Buffer.from(
      await (await fetch(`${server.address}/api/runs/${run.id}/download`)).arrayBuffer(),
    );
    expect(zip.toString("latin1", 0, 2)).toBe("PK");
    const whole = createHash("sha256")
      .update(readFileSync(join(server.data, "out/Team 03.png")))
      .digest("hex");
    const path = join(testFolder(), "team.zip");
    writeFileSync(path, zip);
    const unpacked = execFileSync("python3", ["-c", UNZIP, path, "Team 03.png"], { encoding: "utf8" });
    expect(unpacked.trim()).toBe(whole);
    const pdf = await client.ended((await start(id, { format: "pdf" }, { rule: "Team" })).body.id);
    const info = execFileSync("pdfinfo", [join(server.data, "out", pdf.files[0]!.name)], {
      encoding: "utf8",
    });
    expect(info).toMatch(/Pages:\s+3/);
  });

  it("cancels a run, and leaves nothing of it", async () => {
    const { id } = await badges(4000);
    const before = out();
    const { body } = await start(id, { format: "png" }, { rule: "Endless [sheet]" });
    await expect
      .poll(async () => (await client.ask<Run>("GET", `/runs/${body.id}`)).body.progress?.done ?? 0)
      .toBeGreaterThan(0);
    await client.ask("DELETE", `/runs/${body.id}`);
    expect(await client.ended(body.id)).toMatchObject({ state: "cancelled", files: [] });
    expect(out()).toEqual(before);
  });

  it("refuses what cannot be written with a sentence", async () => {
    const { id, version } = await badges();
    const large = await client.edit(id, version, {
      do: "ticket",
      change: { size: { width: mm(900), height: mm(900) } },
    });
    const nothing = await client.startRun(id);
    expect(nothing.body).toMatchObject({
      status: 422,
      detail: expect.stringContaining("Not one piece of 900"),
    });
    const { body: now } = await client.ask<JobView>("GET", `/jobs/${id}`);
    expect(now.version).toBe(large.body.version);
    await client.edit(id, now.version, {
      do: "sheet",
      change: { paper: { name: "Wall", width: mm(4000), height: mm(3000) } },
    });
    const huge = await start(id, { format: "png" });
    expect(huge.body).toMatchObject({ status: 422, type: "/problems/too-many-pixels" });
    const { body: view } = await client.ask<JobView>("GET", `/jobs/${id}`);
    const poor = await client.edit(id, view.version, {
      do: "target",
      change: { file: { ...view.job.target.file, quality: 0 } },
    });
    expect(poor.status).toBe(422);
    expect(poor.body.detail).toContain("at least 1");
  });
});

const UNZIP =
  "import hashlib, sys, zipfile; print(hashlib.sha256(zipfile.ZipFile(sys.argv[1]).read(sys.argv[2])).hexdigest())";
