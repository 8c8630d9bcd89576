import fc from "fast-check";
import sharp from "sharp";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { mm, PRINTERS, readJob, USUAL_PRESS, type JobEdit } from "@wide-quilt/core";
import type { JobView, ProblemBody } from "../src/contract.ts";
import { Server } from "../testing/server.ts";
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
      { do: "sheet", change: { paper: { name: "A4", width: mm(210), height: mm(297) }, ppi: 300 } },
      { do: "finish", change: { outline: { width: mm(0.2), colour: "#9a9a9a" } } },
      {
        do: "press",
        change: { file: USUAL_PRESS.file, colour: USUAL_PRESS.colour, print: USUAL_PRESS.print },
      },
      { do: "printer", printer: PRINTERS[0]! },
      { do: "shot", shot: 1, change: { scale: 1.5, photo } },
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
