import { execFileSync } from "node:child_process";
import { readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import sharp from "sharp";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { PRINTERS, type Printer, USUAL_PRESS } from "@wide-quilt/core";
import { demoProfiles } from "@wide-quilt/demo";
import type { JobView, JpegSizes, ProblemBody, ProfileView, Proof, Run } from "../src/contract.ts";
import { Server } from "../testing/server.ts";
import { canMount, Client, testFolder } from "./client.ts";

let server: Server;
let client: Client;
let photo: string;
const [inkjet, press] = demoProfiles().map(({ profile }) => profile) as [Buffer, Buffer];

beforeAll(async () => {
  server = await Server.start(testFolder());
  client = new Client(server);
  const noise = { type: "gaussian", mean: 128, sigma: 40 } as const;
  const data = await sharp({ create: { width: 900, height: 1200, channels: 3, background: "#fff", noise } })
    .jpeg()
    .toBuffer();
  photo = (await client.upload({ name: "a.jpg", data })).body.photos[0]!.id;
});
afterAll(() => server.kill());

async function badges(): Promise<JobView> {
  const { id } = await client.importJob();
  return (await client.edit(id, 0, { do: "add photos", photos: [{ id: photo, name: "a.jpg" }] })).body;
}

function addProfile(bytes: Buffer) {
  const form = new FormData();
  form.append("profile", new Blob([new Uint8Array(bytes)]), "paper.icc");
  return client.ask<ProfileView & ProblemBody>("POST", "/profiles", form);
}

const file = ({ files }: Run) => readFileSync(join(server.data, "out", files[0]!.name));
const withProfile = (id: string, profile: string) =>
  client.press(id, { colour: { profile, intent: "relative", blackPoint: true } });

describe("colour profiles", () => {
  it("are added, listed after those of the program, and written for", async () => {
    const { body: added } = await addProfile(press);
    expect(added).toMatchObject({ name: "Dune press, uncoated", of: "printer", space: "CMYK", own: true });
    const { body: list } = await client.ask<ProfileView[]>("GET", "/profiles");
    expect(list.map(({ name }) => name)).toEqual([
      "sRGB",
      "Display P3",
      "opRGB",
      "ROMM RGB",
      "Dune press, uncoated",
    ]);
    const { id } = await badges();
    await withProfile(id, added.id);
    const run = await client.ended((await client.startRun(id, { file: { format: "tiff" } })).body.id);
    expect(run).toMatchObject({ state: "done", format: "tiff", profile: added.id });
    expect(await sharp(file(run)).metadata()).toMatchObject({ space: "cmyk", channels: 4, density: 300 });
  });

  it("that are taken out are still there for a run that is made again, to the byte", async () => {
    const { body: added } = await addProfile(inkjet);
    const { id } = await badges();
    await withProfile(id, added.id);
    const first = await client.ended((await client.startRun(id, { file: { format: "pdf" } })).body.id);
    await client.ask("DELETE", `/profiles/${added.id}`);
    const { body: list } = await client.ask<ProfileView[]>("GET", "/profiles");
    expect(list.map(({ id: known }) => known)).not.toContain(added.id);
    // The job is another one by now; the run is as it was.
    await withProfile(id, "srgb");
    const asked = await client.ask<Run>("POST", `/runs/${first.id}/again`);
    const second = await client.ended(asked.body.id);
    expect(second).toMatchObject({ state: "done", again: first.id, profile: added.id });
    expect(second.files[0]!.name).not.toBe(first.files[0]!.name);
    expect(file(second).equals(file(first))).toBe(true);
  });

  it("that cannot be used are refused with a sentence, and nothing else happens", async () => {
    const link = Buffer.from(press);
    link.write("link", 12, "latin1");
    const scanner = Buffer.from(press);
    scanner.write("scnr", 12, "latin1");
    const broken = Buffer.from(press);
    broken.fill(0xee, 140, 3000);
    for (const [bytes, why] of [
      [Buffer.from("text"), "not an ICC profile"],
      [press.subarray(0, 5000), "broken off"],
      [link, "a link between two devices"],
      [scanner, "camera or scanner"],
      [broken, "lacks the tables"],
    ] as const) {
      const { status, body } = await addProfile(bytes);
      expect([status, body.type]).toEqual([422, "/problems/bad-profile"]);
      expect(body.detail).toContain(why);
    }
    const { id } = await badges();
    await withProfile(id, "0123456789");
    const { body } = await client.startRun(id);
    expect(await client.ended(body.id)).toMatchObject({
      state: "failed",
      why: expect.stringContaining("no such profile"),
    });
  });
});

describe("files of the press", () => {
  it("are weighed at several qualities, and a limit of bytes is met or refused", async () => {
    const { id, job } = await badges();
    const { body } = await client.ask<JpegSizes>("POST", `/jobs/${id}/sizes`, { sheet: 1 });
    const bytes = body.sizes.map((one) => one.bytes);
    expect(bytes).toEqual([...bytes].sort((a, b) => a - b));
    const at92 = body.sizes.find(({ quality }) => quality === 92)!.bytes;
    const most = Math.round(at92 * 0.7);
    await client.press(id, { file: { ...job.target.file, most } });
    const met = await client.ended((await client.startRun(id)).body.id);
    expect(met.files[0]!.bytes).toBeLessThanOrEqual(most);
    await client.press(id, { file: { ...job.target.file, most: 10_000 } });
    const refused = await client.ended((await client.startRun(id)).body.id);
    expect(refused).toMatchObject({
      state: "failed",
      why: expect.stringMatching(/Even at quality 40.*Allow more/),
    });
  });

  it("cost paper and ink, and a soft proof is painted in wide colours", async () => {
    const { id, version } = await badges();
    const inkPrinter: Printer = {
      ...PRINTERS.find((one) => one.id === "inkjet-borderless")!,
      price: { currency: "SEK", perSheet: 1, perSquareMetre: 0, ink: 100 },
    };
    await client.edit(id, version, { do: "printer", printer: inkPrinter });
    const run = await client.ended((await client.startRun(id)).body.id);
    let proof = (await client.ask<Proof>("POST", `/jobs/${id}/proofs`, { sheet: 1 })).body;
    while (proof.state === "painting") proof = (await client.ask<Proof>("GET", `/proofs/${proof.id}`)).body;
    // 4 × 6 in is 0.015 483 84 m².
    expect(run.currency).toBe("SEK");
    expect(run.price).toBeCloseTo(1 + 100 * proof.coverage! * 0.01548384, 6);
    // Of a drawing a small picture is looked at: the same ink to a twentieth even for a photo that is noise, which a
    // small picture evens out.
    await client.press(id, { file: { ...USUAL_PRESS.file, format: "pdf" } });
    const drawn = await client.ended((await client.startRun(id)).body.id);
    expect(drawn.files[0]!.name).toMatch(/\.pdf$/);
    expect(drawn.price! / run.price!).toBeGreaterThan(0.95);
    expect(drawn.price! / run.price!).toBeLessThan(1.05);
    let wide = (await client.ask<Proof>("POST", `/jobs/${id}/proofs`, { sheet: 1, wide: true })).body;
    while (wide.state === "painting") wide = (await client.ask<Proof>("GET", `/proofs/${wide.id}`)).body;
    const picture = await fetch(`${server.address}/api/proofs/${wide.id}/picture`);
    const meta = await sharp(Buffer.from(await picture.arrayBuffer())).metadata();
    expect([meta.format, meta.width]).toEqual(["png", 1400]);
    expect(meta.icc!.includes("opRGB")).toBe(true);
  });

  it("come out in true size on a printer with a scale error: written larger by what it prints smaller", async () => {
    const { id, version } = await badges();
    const short: Printer = { ...PRINTERS[0]!, scale: { across: 0.98, down: 1.01 } };
    await client.edit(id, version, { do: "printer", printer: short });
    const run = await client.ended((await client.startRun(id, { file: { format: "pdf" } })).body.id);
    const path = join(server.data, "out", run.files[0]!.name);
    const qdf = execFileSync("qpdf", ["--qdf", "--object-streams=disable", path, "-"], {
      encoding: "latin1",
    });
    // A 35 × 45 mm piece on paper that lies: down is across there. 35/1.01 and 45/0.98 mm in points.
    const rect = /([\d.]+) ([\d.]+) ([\d.]+) ([\d.]+) re\s+W/.exec(qdf)!.map(Number);
    expect(rect[3]).toBeCloseTo(((35 / 1.01) * 72) / 25.4, 1);
    expect(rect[4]).toBeCloseTo(((45 / 0.98) * 72) / 25.4, 1);
  });
});

describe("printers", () => {
  it("are listed, changed, taken out, and carried to another machine as JSON", async () => {
    const { body: list } = await client.ask<Printer[]>("GET", "/printers");
    expect(list).toEqual(PRINTERS);
    const own = { ...PRINTERS[2]!, name: "Inkjet upstairs", address: "ipp://127.0.0.1:8631/ipp/print" };
    await client.ask("PUT", "/printers/upstairs", own);
    const exported = await client.ask("GET", "/printers/file");
    await client.ask("DELETE", "/printers/upstairs");
    expect((await client.ask<Printer[]>("GET", "/printers")).body).toHaveLength(PRINTERS.length);
    const { body: again } = await client.ask<Printer[]>("POST", "/printers/import", exported.body);
    expect(again.at(-1)).toEqual({ ...own, id: "upstairs" });
    const wrong = await client.ask<ProblemBody>("PUT", "/printers/x", { ...own, ppi: 0 });
    expect([wrong.status, wrong.body.detail]).toEqual([422, expect.stringContaining("ppi")]);
    const other = await client.ask<ProblemBody>("POST", "/printers/import", { format: "paper" });
    expect(other.body.detail).toContain("not a list of printers");
  });
});

describe("the queue", () => {
  it("holds a run and lets it go on, and tries a failed one again", async () => {
    const { id, version } = await badges();
    await client.edit(id, version, { do: "ticket", change: { copies: 2000 } });
    const { body } = await client.startRun(id, { file: { format: "png" }, rule: "Held [sheet]" });
    await client.ask("POST", `/runs/${body.id}/pause`);
    expect((await client.ended(body.id)).state).toBe("paused");
    await client.ask("POST", `/runs/${body.id}/resume`);
    expect(["waiting", "painting"]).toContain((await client.ask<Run>("GET", `/runs/${body.id}`)).body.state);
    await client.ask("DELETE", `/runs/${body.id}`);
    expect((await client.ended(body.id)).state).toBe("cancelled");
  });

  it.runIf(canMount())(
    "says that a disk is full, keeps what was there, and writes it once there is room",
    async () => {
      const data = testFolder();
      const small = await Server.start(data);
      // Where runs are painted lies on a file system that is smaller than the sheet.
      const unfinished = join(data, "wide-quilt", "unfinished");
      execFileSync("mount", ["-t", "tmpfs", "-o", "size=400k", "tmpfs", unfinished]);
      try {
        const own = new Client(small);
        const noise = { type: "gaussian", mean: 128, sigma: 60 } as const;
        const bytes = await sharp({
          create: { width: 1200, height: 1600, channels: 3, background: "#fff", noise },
        })
          .jpeg()
          .toBuffer();
        const taken = (await own.upload({ name: "n.jpg", data: bytes })).body.photos[0]!;
        const { id } = await own.importJob();
        await own.edit(id, 0, { do: "add photos", photos: [{ id: taken.id, name: "n.jpg" }] });
        writeFileSync(join(data, "out", "kept.txt"), "kept");
        const { body } = await own.startRun(id, { file: { format: "png" } });
        const run = await own.ended(body.id);
        expect(run).toMatchObject({ state: "failed", why: expect.stringContaining("disk is full") });
        expect(readFileSync(join(data, "out", "kept.txt"), "utf8")).toBe("kept");
        execFileSync("mount", ["-o", "remount,size=60m", unfinished]);
        await own.ask("POST", `/runs/${body.id}/resume`);
        expect((await own.ended(body.id)).state).toBe("done");
      } finally {
        await small.kill();
        execFileSync("umount", ["-l", unfinished]);
      }
    },
  );
});
