import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { address, server } from "./client.ts";
import { freshJob } from "@wide-quilt/core";
import { NoAnswer, NotReadable, sentenceOf, ServerProblem } from "./problem.ts";

interface Asked {
  path: string;
  method: string;
  type: string | undefined;
  body: unknown;
}

let asked: Asked[];
let answer: () => Response | Promise<Response>;

const json = (body: unknown, status = 200, type = "application/json") =>
  new Response(JSON.stringify(body), { status, headers: { "Content-Type": type } });

beforeEach(() => {
  asked = [];
  answer = () => json({});
  vi.stubGlobal("fetch", (path: string, { method, headers, body }: RequestInit) => {
    const type = (headers as Record<string, string> | undefined)?.["Content-Type"];
    asked.push({ path, method: method!, type, body });
    return Promise.resolve().then(answer);
  });
});
afterEach(() => vi.unstubAllGlobals());

describe("what is asked of the server", () => {
  it("gives a job that this page can read, and says where a newer server’s is of another form", async () => {
    const job = freshJob("copies", "Badges");
    answer = () => json({ id: "a", job });
    expect((await server.viewJob("a")).job).toEqual(job);
    answer = () => json({ id: "a", job: { ...job, version: job.version + 1 } });
    await expect(server.viewJob("a")).rejects.toThrow(
      /of another Wide Quilt than the server.* load the page again/,
    );
    await expect(server.viewJob("a")).rejects.toBeInstanceOf(NotReadable);
  });

  it("is JSON, and names are safe in an address", async () => {
    await server.startFromPattern("a/b ?");
    expect(asked[0]).toMatchObject({
      path: "/api/patterns/a%2Fb%20%3F/start",
      method: "POST",
      type: undefined,
    });
    await server.makeBackdrop("p", "m", { kind: "flat", colour: "#ffffff" });
    expect(asked[1]).toMatchObject({ type: "application/json" });
    expect(JSON.parse(asked[1]!.body as string)).toEqual({ mask: "m", kind: "flat", colour: "#ffffff" });
  });

  it("is a photo’s bytes as they are, with the name of its file", async () => {
    const file = new File([new Uint8Array([1, 2, 3])], "Möwe & co.jpg", { type: "image/jpeg" });
    await server.addPhoto(file);
    expect(asked[0]).toMatchObject({
      path: "/api/photos?name=M%C3%B6we%20%26%20co.jpg",
      method: "POST",
      type: "application/octet-stream",
    });
    expect(asked[0]!.body).toBe(file);
  });

  it("gets nothing back where there is nothing to say", async () => {
    answer = () => new Response(null, { status: 204 });
    expect(await server.cancelRun("r")).toBeUndefined();
  });
});

describe("what goes wrong", () => {
  const fails = (call: Promise<unknown>) =>
    call.then(
      () => expect.fail("it went well"),
      (error: unknown) => error,
    );

  it("is said in the server’s own words", async () => {
    const problem = {
      type: "/problems/no-printer",
      title: "No printer",
      status: 422,
      detail: "It has no address.",
    };
    answer = () => json(problem, 422, "application/problem+json; charset=utf-8");
    const error = await fails(server.startRun("j", { start: 1, each: false, folder: "", overwrite: false }));
    expect(error).toBeInstanceOf(ServerProblem);
    expect((error as ServerProblem).body).toEqual(problem);
    expect(sentenceOf(error)).toBe("It has no address.");
  });

  it("is that nobody answers, where nothing or something else does", async () => {
    for (const silent of [
      () => Promise.reject(new TypeError("Failed to fetch")),
      () => new Response("<h1>Bad gateway</h1>", { status: 502, headers: { "Content-Type": "text/html" } }),
    ]) {
      answer = silent;
      const error = await fails(server.listRuns(null));
      expect(error).toBeInstanceOf(NoAnswer);
      expect(sentenceOf(error)).toContain("What was saved is kept");
    }
  });

  it("is no fault of the way there when it was broken off by hand", async () => {
    const abort = new AbortController();
    abort.abort();
    answer = () => Promise.reject(new DOMException("aborted", "AbortError"));
    const error = await fails(server.addPhoto(new File([], "a.jpg"), abort.signal));
    expect(error).not.toBeInstanceOf(NoAnswer);
  });

  it("says nothing of what is inside where it was not foreseen", () => {
    expect(sentenceOf(new TypeError("x is undefined"))).toBe(
      "Something went wrong here. What was saved is kept; load the page again.",
    );
  });
});

describe("the preview that the browser loads", () => {
  it("is the smallest that is sharp enough, the largest where none is", () => {
    const size = (pixels: number) => address.previewFor("p", pixels).split("/").at(-1);
    expect([100, 320, 321, 800, 801, 1600, 9000].map(size)).toEqual([
      "320",
      "320",
      "800",
      "800",
      "1600",
      "1600",
      "1600",
    ]);
  });
});
