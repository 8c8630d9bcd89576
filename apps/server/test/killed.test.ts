import { readdirSync } from "node:fs";
import { connect } from "node:net";
import { join } from "node:path";
import sharp from "sharp";
import { expect, it } from "vitest";
import { mm } from "@wide-quilt/core";
import type { JobView, Run, RunList } from "../src/contract.ts";
import { Server } from "../testing/server.ts";
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
  const head = '--x\r\nContent-Disposition: form-data; name="photos"; filename="half.jpg"\r\n\r\n';
  half.write(
    `POST /api/photos HTTP/1.1\r\nHost: 127.0.0.1:${server.port}\r\nContent-Type: multipart/form-data; boundary=x\r\nContent-Length: 9000000\r\n\r\n${head}`,
  );
  half.write(Buffer.alloc(400_000, 7));
  const arriving = () => readdirSync(join(data, "photos/arriving"));
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
  const undone = await client.ask<JobView>("POST", `/jobs/${id}/undo`, { version: body.version });
  expect(undone.body.job.ticket.gap).toBe(mm(1 + ((body.version - 2) % 50)));
  await server.kill();
});

it("killed while writing, it says so and leaves no half file", async () => {
  const data = testFolder();
  let { server, client } = await started(data);
  const { id: photoId } = (await client.upload({ name: "a.jpg", data: await photo("#33aa55") })).body
    .photos[0]!;
  const { id } = await client.importJob();
  await client.edit(id, 0, { do: "add photos", photos: [{ id: photoId, name: "a.jpg" }] });
  await client.edit(id, 1, {
    do: "sheet",
    change: { paper: { name: "Large", width: mm(600), height: mm(900) } },
  });
  const { body: run } = await client.ask<Run>("POST", `/jobs/${id}/runs`, { format: "png", rule: "Half" });
  expect(run.state).toBe("painting");
  await new Promise((go) => setTimeout(go, 400));
  await server.kill();
  ({ server, client } = await started(data));
  const { body } = await client.ask<RunList>("GET", "/runs");
  expect(body.runs).toMatchObject([
    { state: "failed", why: expect.stringContaining("stopped in the middle"), files: [] },
  ]);
  expect(readdirSync(join(data, "out"))).toEqual([]);
  await server.kill();
});
