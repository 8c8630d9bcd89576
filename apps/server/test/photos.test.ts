import { execFileSync } from "node:child_process";
import { readdirSync, writeFileSync } from "node:fs";
import { connect } from "node:net";
import { join } from "node:path";
import sharp from "sharp";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import type { ProblemBody, TakenIn } from "../src/contract.ts";
import { Server } from "../testing/server.ts";
import { Client, testFolder } from "./client.ts";

let server: Server;
let client: Client;
beforeAll(async () => {
  server = await Server.start(testFolder());
  client = new Client(server);
});
afterAll(() => server.kill());

const photo = (background: string, width = 640, height = 480) =>
  sharp({ create: { width, height, channels: 3, background } })
    .jpeg()
    .toBuffer();
const kept = () =>
  readdirSync(join(server.data, "wide-quilt/photos/originals"), {
    recursive: true,
    withFileTypes: true,
  }).filter((e) => e.isFile());

describe("photos over HTTP", () => {
  it("keeps good photos and names each bad one, in one upload", async () => {
    const whole = await photo("#336699", 1200, 900);
    const { status, body } = await client.upload(
      { name: "dune.jpg", data: await photo("#aa8844") },
      { name: "letter.jpg", data: Buffer.from("Dear ringers, the badges are ready.") },
      { name: "nothing.jpg", data: Buffer.alloc(0) },
      { name: "cut.jpg", data: whole.subarray(0, whole.length / 2) },
      { name: "Möwe über Watt.jpg", data: whole },
    );
    expect(status).toBe(201);
    expect(body.photos.map(({ name, width, height }) => [name, width, height])).toEqual([
      ["dune.jpg", 640, 480],
      ["Möwe über Watt.jpg", 1200, 900],
    ]);
    expect(body.refused).toEqual([
      { name: "letter.jpg", why: expect.stringContaining("not a photo that can be read") },
      { name: "nothing.jpg", why: expect.stringContaining("empty") },
      { name: "cut.jpg", why: expect.stringContaining("damaged or was cut off") },
    ]);
    expect(readdirSync(join(server.data, "wide-quilt/arriving"))).toEqual([]);
  });

  it("keeps a photo once, under the hash of its bytes", async () => {
    const data = await photo("#112233");
    const before = kept().length;
    const first = await client.upload({ name: "a.jpg", data });
    const second = await client.upload({ name: "b.jpg", data }, { name: "c.jpg", data });
    const id = execFileSync("/usr/bin/b3sum", ["--no-names"], { input: data, encoding: "utf8" }).trim();
    expect([...first.body.photos, ...second.body.photos].map((one) => one.id)).toEqual([id, id, id]);
    expect(kept().length).toBe(before + 1);
  });

  it("makes previews, upright and in the sizes it says", async () => {
    const sideways = await sharp(await photo("#445566", 3000, 2000))
      .withMetadata({ orientation: 6 })
      .jpeg()
      .toBuffer();
    const { body } = await client.upload({ name: "sideways.jpg", data: sideways });
    expect(body.photos[0]).toMatchObject({ width: 2000, height: 3000, orientation: 6 });
    for (const [size, width, height] of [
      [320, 213, 320],
      [800, 534, 800], // made from the large one: half of 1067
      [1600, 1067, 1600],
    ]) {
      const response = await fetch(`${server.address}/api/photos/${body.photos[0]!.id}/preview/${size}`);
      expect(response.headers.get("Content-Type")).toBe("image/jpeg");
      expect(await sharp(Buffer.from(await response.arrayBuffer())).metadata()).toMatchObject({
        width,
        height,
      });
    }
    // A preview that a power cut emptied is made again.
    const id = body.photos[0]!.id;
    writeFileSync(join(server.data, "wide-quilt/photos/previews", id.slice(0, 2), `${id}-320.jpg`), "");
    const again = await fetch(`${server.address}/api/photos/${id}/preview/320`);
    expect((await again.arrayBuffer()).byteLength).toBeGreaterThan(500);
    const other = await client.ask<ProblemBody>("GET", `/photos/${"0".repeat(64)}/preview/320`);
    expect(other).toMatchObject({ status: 404, body: { type: "/problems/no-such-photo" } });
    expect((await client.ask("GET", "/photos/..%2F..%2Fwide-quilt.sqlite/preview/320")).status).toBe(404);
  });

  it("keeps nothing of an upload that breaks off", async () => {
    const arriving = () => readdirSync(join(server.data, "wide-quilt/arriving"));
    const half = connect(Number(server.port), "127.0.0.1");
    const head = `POST /api/photos?name=half.jpg HTTP/1.1\r\nHost: 127.0.0.1:${server.port}`;
    half.write(`${head}\r\nContent-Type: application/octet-stream\r\nContent-Length: 9000000\r\n\r\n`);
    half.write(Buffer.alloc(400_000, 7));
    await expect.poll(arriving).toHaveLength(1);
    half.destroy();
    await expect.poll(arriving).toEqual([]);
  });

  it("answers something that is no upload with a sentence", async () => {
    for (const body of [{ photos: "none" }, new FormData()]) {
      const answer = await client.ask<ProblemBody>("POST", "/photos?name=a.jpg", body);
      expect(answer).toMatchObject({ status: 415, body: { type: "/problems/bad-upload" } });
    }
    const none = await client.ask<TakenIn>("POST", "/photos", Buffer.alloc(0));
    expect(none.body).toEqual({
      refused: { name: "photo", why: expect.stringContaining("The file is empty") },
    });
    const path = await client.upload({ name: "C:\\card\\DSC 1.jpg", data: Buffer.from("text") });
    expect(path.body.refused[0]!.name).toBe("DSC 1.jpg");
  });
});

describe("who may come in", () => {
  it("answers only to names of this machine, and to no other page", async () => {
    const other = await client.ask<ProblemBody>("GET", "/jobs", undefined, {
      Origin: "http://elsewhere.example",
    });
    expect(other).toMatchObject({ status: 403, body: { type: "/problems/wrong-origin" } });
    const own = await client.ask("GET", "/jobs", undefined, { Origin: server.address });
    expect(own.status).toBe(200);
    const page = await fetch(`${server.address}/api/jobs`);
    expect(page.headers.get("Content-Security-Policy")).toContain("default-src 'self'");
  });

  it("does not listen beyond loopback without a key", async () => {
    await expect(Server.start(testFolder(), "--host", "0.0.0.0")).rejects.toThrow();
    const guarded = await Server.start(testFolder(), "--host", "0.0.0.0", "--key", "a-long-enough-key");
    try {
      const address = guarded.address.replace("0.0.0.0", "127.0.0.1");
      expect((await fetch(`${address}/api/jobs`)).status).toBe(401);
      expect(
        (await fetch(`${address}/api/jobs`, { headers: { Authorization: "Bearer wrong" } })).status,
      ).toBe(401);
      const bearer = { Authorization: "Bearer a-long-enough-key" };
      expect((await fetch(`${address}/api/jobs`, { headers: bearer })).status).toBe(200);
      const entered = await fetch(`${address}/?key=a-long-enough-key`, { redirect: "manual" });
      expect(entered.status).toBe(303);
      const cookie = entered.headers.get("Set-Cookie")!;
      expect(cookie).toMatch(/HttpOnly/);
      const inside = await fetch(`${address}/api/jobs`, { headers: { Cookie: cookie.split(";")[0]! } });
      expect(inside.status).toBe(200);
    } finally {
      await guarded.kill();
    }
  });

  it("describes itself", async () => {
    const { body } = await client.ask<{ paths: Record<string, unknown> }>("GET", "/docs-json");
    expect(Object.keys(body.paths)).toEqual(
      expect.arrayContaining([
        "/api/photos",
        "/api/jobs/{id}/edits",
        "/api/jobs/{id}/proofs",
        "/api/runs/{id}/download",
      ]),
    );
  });
});
