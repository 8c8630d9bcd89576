import { connect } from "node:net";
import fc from "fast-check";
import sharp from "sharp";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { mm, PRINTERS, readJob, USUAL_PRESS, type JobEdit } from "@wide-quilt/core";
import type { JobView, ProblemBody } from "../src/contract.ts";
import { hostileFiles } from "../testing/corpus.ts";
import { Server } from "../testing/server.ts";
import { times } from "../testing/times.ts";
import { Client, testFolder } from "./client.ts";

let server: Server;
let client: Client;
let job: JobView;
let photo: string;

beforeAll(async () => {
  server = await Server.start(testFolder());
  client = new Client(server);
  const data = await sharp({ create: { width: 300, height: 400, channels: 3, background: "#2a6f4d" } })
    .jpeg()
    .toBuffer();
  photo = (await client.upload({ name: "a.jpg", data })).body.photos[0]!.id;
  const { id } = await client.importJob();
  job = (await client.edit(id, 0, { do: "add photos", photos: [{ id: photo, name: "a.jpg" }] })).body;
});
afterAll(() => server.kill());

/** The same questions in every run; thousands of others were asked by hand. */
const SEED = 20_261_125;

/** Names that are none, or that would lead elsewhere. */
const names = fc.oneof(
  fc.constantFrom(
    "..%2f..%2f..%2fetc%2fpasswd",
    "%00",
    "null",
    "__proto__",
    "%20",
    "a".repeat(400),
    "'; --",
    "%ff",
  ),
  fc.uuid(),
  fc.string({ minLength: 1, maxLength: 30 }).map(encodeURIComponent),
);

async function send(method: string, path: string, body: string | undefined, type = "application/json") {
  const response = await fetch(`${server.address}${path}`, {
    method,
    headers: body === undefined ? {} : { "Content-Type": type },
    body,
  });
  return {
    status: response.status,
    kind: response.headers.get("content-type") ?? "",
    text: await response.text(),
  };
}

/** Nothing is the server’s own fault, and what is refused is refused with a sentence (RFC 9457). */
function expectSense({ status, kind, text }: Awaited<ReturnType<typeof send>>, of: string): void {
  expect(status, `${of}: ${text.slice(0, 300)}`).toBeLessThan(500);
  if (status < 400) return;
  expect(kind, of).toContain("application/problem+json");
  const problem = JSON.parse(text) as ProblemBody;
  expect(problem.status).toBe(status);
  expect(problem.detail, of).toMatch(/^[A-ZÄÖÜ“"].*[.?]$/s);
  // No path of this machine, and nothing of what went wrong inside.
  expect(problem.detail).not.toMatch(/node_modules|\.ts:|\/tmp\/|SQLITE|TypeError/);
}

describe("whatever is asked", () => {
  it("of every address that the server describes is answered with sense", async () => {
    const { paths } = (await (await fetch(`${server.address}/api/docs-json`)).json()) as {
      paths: Record<string, Record<string, unknown>>;
    };
    const calls = Object.entries(paths).flatMap(([path, methods]) =>
      Object.keys(methods).map((method) => ({ path, method: method.toUpperCase() })),
    );
    expect(calls.length).toBeGreaterThan(40);
    const question = fc.tuple(
      fc.constantFrom(...calls),
      fc.array(names, { minLength: 3, maxLength: 3 }),
      fc.oneof(fc.json(), fc.constantFrom("{", "", "[]", "null", '{"__proto__":{"x":1}}', "\u0000")),
    );
    await fc.assert(
      fc.asyncProperty(question, async ([{ path, method }, ids, body]) => {
        let next = 0;
        const filled = path.replaceAll(/\{\w+\}/g, () => ids[next++ % ids.length]!);
        const answer = await send(method, filled, method === "GET" || method === "DELETE" ? undefined : body);
        expectSense(answer, `${method} ${filled} ${body}`);
      }),
      { numRuns: 400, seed: SEED },
    );
  });

  it("in place of a part of a right edit leaves a job that can be read, and says what was wrong", async () => {
    const rights: JobEdit[] = [
      { do: "rename", name: "Badges" },
      { do: "ticket", change: { gap: mm(3), size: { width: mm(35), height: mm(45) }, copies: 8 } },
      { do: "sheet", change: { paper: { name: "A4", width: mm(210), height: mm(297) } } },
      { do: "finish", change: { outline: { width: mm(0.2), colour: "#9a9a9a" } } },
      {
        do: "target",
        change: { file: USUAL_PRESS.file, colour: USUAL_PRESS.colour, print: USUAL_PRESS.print, ppi: 300 },
      },
      { do: "printer", printer: PRINTERS[0]! },
      { do: "shot", shot: "1", change: { scale: 1.5, photo } },
      { do: "put in all", photo },
      { do: "become", kind: "free" },
    ];
    const edits = fc
      .constantFrom(...rights)
      .chain((right) =>
        fc
          .tuple(fc.constantFrom(...leavesOf(right)), fc.jsonValue({ maxDepth: 2 }))
          .map(([at, value]) => replaced(right, at, value)),
      );
    let refused = 0;
    await fc.assert(
      fc.asyncProperty(edits, async (edit) => {
        const before = (await client.ask<JobView>("GET", `/jobs/${job.id}`)).body;
        const body = JSON.stringify({ version: before.version, edits: [{ id: crypto.randomUUID(), edit }] });
        const answer = await send("POST", `/api/jobs/${job.id}/edits`, body);
        expectSense(answer, body);
        const after = (await client.ask<JobView>("GET", `/jobs/${job.id}`)).body;
        expect(readJob(after.job).ok).toBe(true);
        if (answer.status < 400) return;
        refused++;
        expect(after.job).toEqual(before.job);
      }),
      { numRuns: 150, seed: SEED },
    );
    expect(refused).toBeGreaterThan(50);
  });

  it("as something other than JSON is refused, and too much of it too", async () => {
    const path = `/api/jobs/${job.id}/edits`;
    for (const type of ["text/plain", "application/xml", "application/x-www-form-urlencoded"]) {
      const answer = await send("POST", path, "version=1", type);
      expectSense(answer, type);
      expect(answer.status).toBeGreaterThanOrEqual(400);
    }
    const huge = await send("POST", path, `"${"a".repeat(40_000_000)}"`);
    expectSense(huge, "40 MB");
    expect(huge.status).toBe(413);
  });
});

describe("files that are not what they say", () => {
  const COUNT = times(60, 420);

  it(
    "cost nobody but their sender anything: each is kept or refused with a sentence, and nothing stands still",
    async () => {
      const files = await hostileFiles(COUNT);
      expect(files).toHaveLength(COUNT);
      const asks = files.flatMap(({ name, data }) => {
        const ways: [string, () => Promise<Response>][] = [
          [
            "photos",
            () =>
              post(
                `/api/photos?name=${encodeURIComponent(wellFormed(name))}`,
                data,
                "application/octet-stream",
              ),
          ],
          ["graphics", () => form("/api/graphics", "graphic", name, data)],
          ["profiles", () => form("/api/profiles", "profile", name, data)],
        ];
        // Briefly, each goes where it does most harm.
        const own = name.endsWith(".svg") ? 1 : name.endsWith(".icc") ? 2 : 0;
        return (times(0, 1) === 1 ? ways : [ways[own]!]).map(([to, ask]) => ({
          of: `${name} to ${to}`,
          ask,
        }));
      });
      expect(asks.length).toBeGreaterThanOrEqual(times(60, 1200));
      await stall();
      const lanes = Array.from({ length: 3 }, async () => {
        for (let next = asks.shift(); next; next = asks.shift()) {
          const response = await next.ask();
          const kind = response.headers.get("content-type") ?? "";
          expectSense({ status: response.status, kind, text: await response.text() }, next.of);
        }
      });
      await Promise.all(lanes);
      // The server stands still for nobody.
      expect(await stall()).toBeLessThanOrEqual(STALL);
      const jpeg = await sharp({ create: { width: 30, height: 40, channels: 3, background: "#abcdef" } })
        .jpeg()
        .toBuffer();
      expect((await client.upload({ name: "after.jpg", data: jpeg })).body.photos).toHaveLength(1);
    },
    times(300_000, 3_000_000),
  );

  it("are named as they are, whatever their names mean elsewhere", async () => {
    const data = await sharp({ create: { width: 30, height: 40, channels: 3, background: "#fedcba" } })
      .jpeg()
      .toBuffer();
    for (const name of ["__proto__", "constructor", "toString", "a/b\\c.jpg", "\u202egpj.exe"]) {
      const { body } = await client.upload({ name, data });
      const taken = body.photos[0]!;
      const { id } = await client.importJob();
      const edited = await client.edit(id, 0, {
        do: "add photos",
        photos: [{ id: taken.id, name: taken.name }],
      });
      expect(edited.body.job.stash).toEqual([{ id: taken.id, name: taken.name, number: 1 }]);
      const list = {
        [taken.id]: JSON.parse('{"__proto__":"x","constructor":"y"}') as Record<string, string>,
      };
      const listed = await client.edit(id, 1, { do: "list", photos: list });
      expect(listed.status, listed.body.detail).toBeLessThan(500);
    }
  });
});

describe("requests that are none", () => {
  it("are answered with sense: broken forms, cookies, depths, halves of letters, absurd jobs", async () => {
    const raw = (head: string, body = "") =>
      new Promise<string>((resolve, reject) => {
        const socket = connect(Number(server.port), "127.0.0.1", () =>
          socket.write(
            `${head}\r\nHost: 127.0.0.1:${server.port}\r\nConnection: close\r\nContent-Length: ${Buffer.byteLength(body)}\r\n\r\n${body}`,
          ),
        );
        let said = "";
        socket.setTimeout(10_000, () => socket.destroy(new Error("no answer")));
        socket.on("data", (part) => (said += part.toString("utf8")));
        socket.on("close", () => resolve(said)).on("error", reject);
      });
    const deep = (depth: number) => `${'{"a":'.repeat(depth)}1${"}".repeat(depth)}`;
    const json = "Content-Type: application/json";
    const multipart = "Content-Type: multipart/form-data; boundary=x";
    const heads: [string, string][] = [
      [
        `POST /api/graphics HTTP/1.1\r\n${multipart}`,
        '--x\r\nContent-Disposition: form-data; name="graphic"; filename="a"\r\n\r\nhalf',
      ],
      [`POST /api/graphics HTTP/1.1\r\n${multipart}`, "no boundary at all"],
      ["POST /api/graphics HTTP/1.1\r\nContent-Type: multipart/form-data", "--x--"],
      [`POST /api/profiles HTTP/1.1\r\n${multipart}`, "--x\r\n\r\n--x--"],
      [
        `POST /api/graphics HTTP/1.1\r\n${multipart}`,
        `--x\r\nContent-Disposition: form-data; name="__proto__"; filename="a"\r\n\r\nx\r\n--x--`,
      ],
      ["GET /api/jobs HTTP/1.1\r\nCookie: wide_quilt_key=%E0%A4%A; a=%", ""],
      ["GET /api/jobs/%E0%A4%A HTTP/1.1", ""],
      ["GET /%E0%A4%A HTTP/1.1", ""],
      ["GET /api/jobs?bin[__proto__]=1&bin=2 HTTP/1.1", ""],
      [`POST /api/jobs HTTP/1.1\r\n${json}`, deep(100_000)],
      [`POST /api/jobs/import HTTP/1.1\r\n${json}`, `[`.repeat(200_000)],
      [`POST /api/jobs/import HTTP/1.1\r\n${json}`, deep(39)],
      [
        `POST /api/jobs/${job.id}/edits HTTP/1.1\r\n${json}`,
        `{"version":0,"edits":[{"id":"12345678","edit":${deep(30)}}]}`,
      ],
      [`POST /api/jobs HTTP/1.1\r\nContent-Type: application/json; charset=utf-7`, "{}"],
      [`POST /api/jobs HTTP/1.1\r\n${json}\r\nContent-Encoding: gzip`, "not packed"],
      ["GET /../../../etc/passwd HTTP/1.1", ""],
      ["GET /assets/..%2f..%2fpackage.json HTTP/1.1", ""],
      ["GET /assets/missing.js HTTP/1.1", ""],
      ["BREW /api/jobs HTTP/1.1", ""],
    ];
    for (const [head, body] of heads) {
      const said = await raw(head, body);
      const status = Number(/^HTTP\/1\.1 (\d{3})/.exec(said)?.[1]);
      const [top, ...rest] = said.split("\r\n\r\n");
      const kind = /content-type: (.*)/i.exec(top!)?.[1] ?? "";
      expectSense({ status, kind, text: rest.join("\r\n\r\n") }, `${head} ${body.slice(0, 60)}`);
    }
    expect(Number(/ (\d{3})/.exec(await raw("GET /assets/missing.js HTTP/1.1"))?.[1])).toBe(404);
    expect(await raw("GET /health HTTP/1.1")).toContain("application/json");
    expect(await raw("GET /problems/disk-full HTTP/1.1")).toContain("text/plain");
    expect(await raw("GET /jobs/any/press HTTP/1.1")).toContain("<!doctype html>");
  });

  it("with half a letter in a name leave a job that is read again", async () => {
    const { id } = await client.importJob({ name: `${"x".repeat(189)}\ud83d\ude00` });
    const copy = await client.ask<JobView>("POST", `/jobs/${id}/duplicate`);
    expect(copy.body.job.name.isWellFormed()).toBe(true);
    const half = await send(
      "POST",
      `/api/jobs/${id}/edits`,
      '{"version":0,"edits":[{"id":"half-letter","edit":{"do":"rename","name":"a\\ud83d"}}]}',
    );
    expectSense(half, "half a letter");
    const again = await client.ask<JobView>("GET", `/jobs/${id}`);
    expect(readJob(again.body.job).ok).toBe(true);
    const file = await fetch(`${server.address}/api/jobs/${id}/file`);
    expect(file.status).toBe(200);
  });

  it("for what takes too long to lay out are refused, and nobody else waits", async () => {
    const { id } = await client.importJob();
    const paper = { name: "Five metres", width: mm(5000), height: mm(5000) };
    await client.edit(id, 0, { do: "sheet", change: { paper } });
    await client.edit(id, 1, {
      do: "ticket",
      change: { size: { width: mm(3), height: mm(3) }, gap: mm(0), copies: "fit" },
    });
    await stall();
    expectSense(await send("GET", `/api/jobs/${id}/card`, undefined), "card");
    expectSense(await send("POST", `/api/jobs/${id}/proofs`, '{"sheet":1}'), "proof");
    expectSense(await send("POST", `/api/jobs/${id}/runs`, "{}"), "run");
    expect(await stall()).toBeLessThanOrEqual(STALL);
  });
});

/** The longest that the server may stand still, in milliseconds. */
const STALL = 100;

/** The longest that the server stood still for its own work since this was last asked. */
const stall = async (): Promise<number> => {
  const { longestStall } = (await (await fetch(`${server.address}/health`)).json()) as {
    longestStall: number;
  };
  return longestStall;
};

const post = (path: string, body: Buffer, type: string): Promise<Response> =>
  fetch(`${server.address}${path}`, {
    method: "POST",
    headers: { "Content-Type": type },
    body: new Uint8Array(body),
  });

function form(path: string, field: string, name: string, data: Buffer): Promise<Response> {
  const body = new FormData();
  body.append(field, new Blob([new Uint8Array(data)]), name);
  return fetch(`${server.address}${path}`, { method: "POST", body });
}

/** A name that an address can hold: halves of letters are what forms are for. */
const wellFormed = (name: string): string => name.toWellFormed();

type Path = readonly (string | number)[];

/** Where all values inside a value are. */
function leavesOf(value: unknown, at: Path = []): Path[] {
  if (typeof value !== "object" || value === null) return [at];
  return Object.entries(value).flatMap(([key, inner]) => leavesOf(inner, [...at, key]));
}

/** A value with one part of it replaced. */
function replaced(value: unknown, [key, ...rest]: Path, by: unknown): unknown {
  if (key === undefined) return by;
  const inner = (value as Record<string, unknown>)[key];
  return { ...(value as object), [key]: replaced(inner, rest, by) };
}
