import { readdirSync } from "node:fs";
import { connect } from "node:net";
import { join } from "node:path";
import sharp from "sharp";
import { expect, it } from "vitest";
import { chance, mm, USUAL_PRESS } from "@wide-quilt/core";
import type { JobView, RunList } from "../src/contract.ts";
import { Server } from "../testing/server.ts";
import { times } from "../testing/times.ts";
import { Client, testFolder } from "./client.ts";

const started = async (data: string) => {
  const server = await Server.start(data);
  return { server, client: new Client(server) };
};
const photo = (background: string) =>
  sharp({ create: { width: 3000, height: 2000, channels: 3, background } })
    .jpeg()
    .toBuffer();

it("killed during an upload, it keeps what it had and sweeps what was half there", async () => {
  const data = testFolder();
  const { server: first, client } = await started(data);
  let server = first;
  const good = (await client.upload({ name: "kept.jpg", data: await photo("#aa3355") })).body.photos[0]!;
  const half = connect(Number(server.port), "127.0.0.1");
  half.on("error", () => undefined);
  half.write(
    `POST /api/photos?name=half.jpg HTTP/1.1\r\nHost: 127.0.0.1:${server.port}\r\nContent-Type: application/octet-stream\r\nContent-Length: 9000000\r\n\r\n`,
  );
  half.write(Buffer.alloc(400_000, 7));
  const arriving = () => readdirSync(join(data, "wide-quilt/arriving"));
  await expect.poll(arriving).toHaveLength(1);
  await server.kill();
  server = (await started(data)).server;
  expect(arriving()).toEqual([]);
  expect((await fetch(`${server.address}/api/photos/${good.id}/preview/320`)).status).toBe(200);
  await server.kill();
});

it("killed while saving, it has every edit that it confirmed, and their undo", async () => {
  const data = testFolder();
  let { server, client } = await started(data);
  const { id } = await client.importJob();
  let confirmed = 0;
  const stream = (async () => {
    for (let i = 0; i < 5000; i++) {
      const { body } = await client.edit(id, i, { do: "ticket", change: { gap: mm(1 + (i % 50)) } });
      confirmed = body.version;
    }
  })().catch(() => undefined);
  await expect.poll(() => confirmed).toBeGreaterThan(60);
  await server.kill();
  await stream;
  ({ server, client } = await started(data));
  const { body } = await client.ask<JobView>("GET", `/jobs/${id}`);
  // The edit on its way when it was killed may have been kept or not; everything confirmed before it is there.
  expect([confirmed, confirmed + 1]).toContain(body.version);
  expect(body.job.ticket.gap).toBe(mm(1 + ((body.version - 1) % 50)));
  const undone = await client.walk(id, "undo");
  expect(undone.body.job.ticket.gap).toBe(mm(1 + ((body.version - 2) % 50)));
  await server.kill();
});

it("killed while writing, it goes on by itself: every run of the queue ends once, whole", async () => {
  const data = testFolder();
  let { server, client } = await started(data);
  const { id: photoId } = (await client.upload({ name: "a.jpg", data: await photo("#33aa55") })).body
    .photos[0]!;
  const { id } = await client.importJob();
  await client.edit(id, 0, { do: "add photos", photos: [{ id: photoId, name: "a.jpg" }] });
  await client.edit(id, 1, { do: "ticket", change: { copies: 20 } });
  await client.press(id, { file: { ...USUAL_PRESS.file, format: "png" } });
  const asked = [];
  for (let i = 0; i < 10; i++)
    asked.push((await client.startRun(id, { rule: `Run ${i} [sheet]`, folder: `${i % 3}` })).body.id);
  const pause = chance(6);
  for (let kill = 0; kill < times(6, 20); kill++) {
    // Anywhere from before the first painting to well inside some.
    await new Promise((go) => setTimeout(go, pause() * 350));
    await server.kill();
    ({ server, client } = await started(data));
  }
  for (const run of asked) expect((await client.ended(run)).state).toBe("done");
  const { body } = await client.ask<RunList>("GET", "/runs");
  expect(body.runs).toHaveLength(10);
  const written = ["0", "1", "2"].flatMap((folder) =>
    readdirSync(join(data, "out", folder)).map((name) => `${folder}/${name}`),
  );
  const promised = body.runs.flatMap(({ files }) => files);
  expect(written.sort()).toEqual(promised.map(({ name }) => name).sort());
  expect(readdirSync(join(data, "out")).sort()).toEqual(["0", "1", "2"]);
  // The same sheets in all ten: the same bytes, and each picture is whole.
  const bytes = new Set(promised.map(({ bytes: count }) => count));
  expect(promised).toHaveLength(30);
  expect(bytes.size).toBeLessThanOrEqual(2);
  for (const name of written) await sharp(join(data, "out", name)).stats();
  await server.kill();
}, 300_000);
