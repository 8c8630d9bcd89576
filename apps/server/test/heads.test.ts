import { headOf, portrait, RINGERS, ROOMY } from "@wide-quilt/demo";
import type { Face, Job, Seen } from "@wide-quilt/core";
import { freshJob } from "@wide-quilt/core";
import sharp from "sharp";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import type { HeadSearch, JobView, ProblemBody } from "../src/contract.ts";
import { Server } from "../testing/server.ts";
import { Client, testFolder } from "./client.ts";

let server: Server;
let client: Client;
beforeAll(async () => {
  server = await Server.start(testFolder());
  client = new Client(server);
});
afterAll(() => server.kill());

const SIZE = { width: 600, height: 750 };
const RINGER = RINGERS[0]!;
/** A ringer’s portrait as a file; another number is another file of the same picture. */
const sitter = (number = 1): Promise<Buffer> =>
  sharp(Buffer.from(portrait(RINGER, SIZE.width, SIZE.height, ROOMY)))
    .withExif({ IFD0: { Software: `render ${number}` } })
    .jpeg({ quality: 90 })
    .toBuffer();
const drawn = headOf(RINGER, SIZE.width, SIZE.height, ROOMY);

const upload = async (data: Buffer) => (await client.upload({ name: "ringer.jpg", data })).body.photos[0]!.id;
const jobWith = (id: string, change: Partial<Job> = {}) =>
  client.importJob({
    ...freshJob("copies", "Heads"),
    stash: [{ id, name: "ringer.jpg", number: 1 }],
    numbered: 1,
    ...change,
  });
const seenIn = async (id: string): Promise<Seen | undefined> => {
  const { id: job } = await jobWith(id);
  return (await client.ask<JobView>("GET", `/jobs/${job}`)).body.photos[id]!.seen;
};
const setHeads = (id: string, heads: unknown) =>
  client.ask<Seen & ProblemBody>("PUT", `/photos/${id}/heads`, { heads });
/** How far two points are apart, in heads. */
const apart = (a: Face["chin"], b: Face["chin"]) =>
  Math.hypot((a.x - b.x) * SIZE.width, (a.y - b.y) * SIZE.height) /
  ((drawn.chin.y - drawn.crown.y) * SIZE.height);

describe("heads in photos over HTTP", () => {
  it("are found once a photo is here, where they were drawn", async () => {
    const id = await upload(await sitter());
    await server.looked();
    const seen = await seenIn(id);
    expect(seen).toMatchObject({ by: "found", heads: [{ sure: true }] });
    for (const handle of ["crown", "chin", "leftEye", "rightEye"] as const)
      expect(apart(seen!.heads[0]![handle], drawn[handle]), handle).toBeLessThan(0.04);
  });

  it("are none in a picture without anybody, which is known as well", async () => {
    const id = await upload(
      await sharp({ create: { ...SIZE, channels: 3, background: "#7a99b0" } })
        .jpeg()
        .toBuffer(),
    );
    await server.looked();
    expect(await seenIn(id)).toEqual({ heads: [], by: "found" });
  });

  it("are set by hand for the photo, in every job, and found anew only if asked", async () => {
    const id = await upload(await sitter(2));
    await server.looked();
    const moved: Face = { ...drawn, chin: { x: 0.5, y: 0.9 } };
    expect((await setHeads(id, [moved])).status).toBe(200);
    expect(await seenIn(id)).toMatchObject({ heads: [moved], by: "hand" });
    await upload(await sitter(2));
    await server.looked();
    expect(await seenIn(id)).toMatchObject({ heads: [moved], by: "hand" });
    // What was measured holds as long as the head stays where it is, and no longer.
    const looked = { ...moved, looked: ["eyes"] };
    expect((await setHeads(id, [looked])).body).toMatchObject({ heads: [looked], study: {} });
    expect((await setHeads(id, [{ ...looked, chin: { x: 0.5, y: 0.91 } }])).body).not.toHaveProperty("study");
    const { body } = await client.ask<Seen>("POST", `/photos/${id}/heads`);
    expect(body.by).toBe("found");
    expect(apart(body.heads[0]!.chin, drawn.chin)).toBeLessThan(0.04);
  });

  it("are refused with a sentence where they are none, and stay as they were", async () => {
    const id = await upload(await sitter());
    const before = await seenIn(id);
    const { status, body } = await setHeads(id, [{ ...drawn, chin: { x: 0.5, y: 70 } }]);
    expect([status, body.type]).toEqual([422, expect.stringContaining("no-heads")]);
    expect(body.detail).toMatch(/The heads are as they were\.$/);
    expect((await setHeads(id, "everywhere")).status).toBe(400);
    expect(
      (
        await setHeads(
          id,
          Array.from({ length: 33 }, () => drawn),
        )
      ).status,
    ).toBe(422);
    expect((await setHeads("0".repeat(64), [])).status).toBe(404);
    expect(await seenIn(id)).toEqual(before);
  });

  it("come with a job file, wait for their photo, and leave with the job again", async () => {
    const data = await sitter(3);
    const id = (await import("@wide-quilt/painters")).photoHash(data);
    const brought: Face = { ...drawn, crown: { x: 0.5, y: 0.01 } };
    const { id: job, job: kept } = await jobWith(id, { heads: { [id]: [brought] } });
    expect(kept.heads).toEqual({});
    await upload(data);
    await server.looked();
    expect(await seenIn(id)).toMatchObject({ heads: [brought], by: "hand", study: {} });
    const response = await fetch(`${server.address}/api/jobs/${job}/file`);
    expect(((await response.json()) as Job).heads).toEqual({ [id]: [brought] });
  });

  it("are not looked for while that is paused", async () => {
    await client.ask("PUT", "/heads", { paused: true });
    const id = await upload(await sitter(4));
    expect((await client.ask<HeadSearch>("GET", "/heads")).body).toMatchObject({
      done: 0,
      of: 1,
      paused: true,
    });
    expect(await seenIn(id)).toBeUndefined();
    await client.ask("PUT", "/heads", { paused: false });
    await server.looked();
    expect((await seenIn(id))?.heads).toHaveLength(1);
  });

  it("are looked for after a power cut that came before", async () => {
    await client.ask("PUT", "/heads", { paused: true });
    const id = await upload(await sitter(5));
    await server.kill();
    server = await Server.start(server.data);
    client = new Client(server);
    await server.looked();
    expect((await seenIn(id))?.heads).toHaveLength(1);
  });

  it("do not change what a run was: made again, it is the same to the byte", async () => {
    const id = await upload(await sitter(6));
    await server.looked();
    const { id: job } = await jobWith(id, {
      ticket: {
        ...(freshJob("copies", "x").ticket as Extract<Job["ticket"], { kind: "copies" }>),
        size: { width: 30_000, height: 18_000 } as never,
      },
      shots: {
        "1": { photo: id, fit: "fill", scale: 1, centre: { x: 0.5, y: 0.5 }, turn: 0, level: 0 },
      } as never,
    });
    const written = async (run: string) => {
      await client.ended(run);
      const zip = await fetch(`${server.address}/api/runs/${run}/download`);
      return Buffer.from(await zip.arrayBuffer());
    };
    const first = await client.startRun(job, { file: { format: "png" } });
    const before = await written(first.body.id);
    // The head somewhere else crops otherwise.
    const low = (y: number) => ({ x: 0.5, y });
    await setHeads(id, [
      { ...drawn, crown: low(0.75), chin: low(0.95), leftEye: low(0.85), rightEye: low(0.85), ears: null },
    ]);
    const { body: again } = await client.ask<{ id: string }>("POST", `/runs/${first.body.id}/again`);
    expect((await written(again.id)).equals(before)).toBe(true);
    const anew = await client.startRun(job, { file: { format: "png" } });
    expect((await written(anew.body.id)).equals(before)).toBe(false);
  });
});
