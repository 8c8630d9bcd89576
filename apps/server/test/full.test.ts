import { execFileSync } from "node:child_process";
import { once } from "node:events";
import { rmSync, statfsSync, writeFileSync } from "node:fs";
import { Agent, request, type ClientRequest, type IncomingMessage } from "node:http";
import { join } from "node:path";
import { text } from "node:stream/consumers";
import sharp from "sharp";
import { expect, it } from "vitest";
import { freshJob } from "@wide-quilt/core";
import { builtInProfile } from "@wide-quilt/colour";
import type { JobView, ProblemBody, Run } from "../src/contract.ts";
import { Server } from "../testing/server.ts";
import { canMount, Client, testFolder } from "./client.ts";

const { target } = freshJob("copies", "x");
const noise = { type: "gaussian", mean: 128, sigma: 60 } as const;
const photo = (width: number, height: number) =>
  sharp({ create: { width, height, channels: 3, background: "#fff", noise } })
    .jpeg()
    .toBuffer();

/**
 * Sends a photo in parts, so that the disk is full long before the last one is sent, and asks for something else over the
 * same line: both are answered.
 */
async function slowUpload(address: string, bytes: Buffer): Promise<[number, string, number]> {
  const agent = new Agent({ keepAlive: true, maxSockets: 1 });
  const answered = async (asked: ClientRequest): Promise<[number, string]> => {
    const [response] = (await once(asked, "response")) as [IncomingMessage];
    return [response.statusCode!, await text(response)];
  };
  try {
    const headers = { "Content-Type": "application/octet-stream", "Content-Length": bytes.length };
    const upload = request(`${address}/api/photos?name=slow.jpg`, { method: "POST", agent, headers });
    const answer = answered(upload);
    const third = Math.ceil(bytes.length / 3);
    for (let at = 0; at < bytes.length; at += third) {
      upload.write(bytes.subarray(at, at + third));
      await new Promise((resolve) => setTimeout(resolve, 300));
    }
    upload.end();
    const [status, body] = await answer;
    const next = request(`${address}/api/jobs`, { agent, timeout: 5000 });
    next.on("timeout", () => next.destroy(new Error("nothing else is answered on this line"))).end();
    return [status, (JSON.parse(body) as ProblemBody).type, (await answered(next))[0]];
  } finally {
    agent.destroy();
  }
}

it.runIf(canMount())(
  "a full disk is said by everything that saves, loses nothing, and is over once there is room",
  async () => {
    const data = testFolder();
    execFileSync("mount", ["-t", "tmpfs", "-o", "size=12m", "tmpfs", data]);
    const server = await Server.start(data);
    const client = new Client(server);
    const filler = join(data, "filler");
    /** Leaves no room at all, as somebody else’s files do. */
    const fill = () => {
      const { bavail, bsize } = statfsSync(data);
      const files = [filler, `${filler}-2`, `${filler}-3`];
      writeFileSync(files[0]!, Buffer.alloc(Math.max(0, (bavail - 1) * bsize)));
      for (const file of files.slice(1)) {
        try {
          writeFileSync(file, Buffer.alloc(bsize));
        } catch {
          // Full.
        }
      }
    };
    const makeRoom = () =>
      [filler, `${filler}-2`, `${filler}-3`].forEach((file) => rmSync(file, { force: true }));
    const form = (field: string, bytes: Buffer) => {
      const body = new FormData();
      body.append(field, new Blob([new Uint8Array(bytes)]), "file");
      return body;
    };
    try {
      const first = (await client.upload({ name: "a.jpg", data: await photo(300, 400) })).body.photos[0]!;
      const { id } = await client.importJob({
        name: "Kept",
        target: { ...target, file: { ...target.file, format: "png" } },
      });
      await client.edit(id, 0, { do: "add photos", photos: [{ id: first.id, name: "a.jpg" }] });
      const png = await sharp({ create: { width: 900, height: 900, channels: 3, background: "#fff", noise } })
        .png()
        .toBuffer();
      const other = await photo(1600, 1200);
      const operations: [string, () => Promise<{ status: number; body: unknown }>][] = [
        ["an upload", () => client.ask("POST", "/photos?name=b.jpg", other)],
        ["a graphic", () => client.ask("POST", "/graphics", form("graphic", png))],
        ["a profile", () => client.ask("POST", "/profiles", form("profile", builtInProfile("oprgb")!))],
        [
          "many edits",
          () =>
            client.ask("POST", `/jobs/${id}/edits`, {
              edits: [
                {
                  id: "with-a-long-list",
                  edit: { do: "list", photos: { [first.id]: { words: "x".repeat(1000) } } },
                },
              ],
            }),
        ],
        ["a new job", () => client.ask("POST", "/jobs", { kind: "contact", name: "New" })],
        ["a pattern", () => client.ask("POST", "/patterns", { job: id, name: "Pattern", folder: "" })],
        ["a style", () => client.ask("POST", "/styles", { name: "Style", style: { border: null } })],
        ["a run", () => client.ask("POST", `/jobs/${id}/runs`, {})],
      ];
      const before = (await client.ask<JobView>("GET", `/jobs/${id}`)).body.job;
      fill();
      expect(await slowUpload(server.address, other)).toEqual([507, "/problems/disk-full", 200]);
      makeRoom();
      for (const [what, operation] of operations) {
        fill();
        const answer = await operation();
        // What needs no new page of the disk may be saved all the same.
        const body = answer.body as Partial<ProblemBody> & { refused?: { why: string } };
        if (answer.status >= 400) {
          expect([what, answer.status, body.type]).toEqual([what, 507, "/problems/disk-full"]);
          expect(body.detail).toMatch(/disk is full.*make room and try again/);
        } else expect([what, body.refused?.why]).toEqual([what, undefined]);
        expect((await client.ask("GET", "/jobs")).status).toBe(200);
        makeRoom();
      }
      const after = (await client.ask<JobView>("GET", `/jobs/${id}`)).body.job;
      expect({ ...after, list: {} }).toEqual({ ...before, list: {} });
      for (const [what, operation] of operations.filter(([name]) => name !== "a style")) {
        const answer = await operation();
        expect([what, answer.status < 300]).toEqual([what, true]);
      }
      // A run whose disk becomes full on the way fails with a sentence, and is made whole once there is room.
      fill();
      const { runs } = (await client.ask<{ runs: Run[] }>("GET", "/runs")).body;
      makeRoom();
      for (const { id: run } of runs) {
        let end = await client.ended(run);
        if (end.state === "failed") {
          expect(end.why).toMatch(/disk is full/);
          await client.ask("POST", `/runs/${run}/resume`);
          end = await client.ended(run);
        }
        expect(end.state).toBe("done");
      }
    } finally {
      await server.kill();
      execFileSync("umount", ["-l", data]);
    }
  },
  120_000,
);
