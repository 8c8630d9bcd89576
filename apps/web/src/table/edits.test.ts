import { configureStore } from "@reduxjs/toolkit";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { applyEdit, freshJob, mm, type JobEdit } from "@wide-quilt/core";
import type { JobView, ProblemBody } from "@wide-quilt/server/contract";
import type { SentEdit } from "../api/client.ts";
import { edit, lookAgain, open, step } from "./edits.ts";
import { openJob } from "./openJob.ts";
import { view } from "./view.ts";

/** A server in a few lines: one job with versions, told over the same addresses; it can be silent or refuse. */
class Server {
  job = freshJob("copies", "Badges");
  version = 0;
  silent = 0;
  refuses: string | null = null;
  readonly lots: SentEdit[][] = [];

  readonly fetch = async (path: string, init: { method: string; body?: string }): Promise<Response> => {
    if (this.silent > 0) {
      this.silent--;
      throw new TypeError("Failed to fetch");
    }
    if (init.method === "GET") return this.answer(200, this.view());
    const body = JSON.parse(init.body!) as { version: number; edits?: SentEdit[] };
    if (body.version !== this.version) {
      return this.problem(409, "changed-elsewhere", "This job was changed in another window.", this.view());
    }
    if (this.refuses) return this.problem(422, "edit-refused", this.refuses);
    if (body.edits) {
      this.lots.push(body.edits);
      this.job = body.edits.reduce((job, sent) => applyEdit(job, sent.edit), this.job);
    } else if (path.endsWith("/undo")) {
      this.job = freshJob("copies", "Badges");
    }
    this.version++;
    return this.answer(200, this.view());
  };

  /** What another window did. */
  change(change: JobEdit): void {
    this.job = applyEdit(this.job, change);
    this.version++;
  }

  private view(): JobView {
    const { job, version } = this;
    return { id: "job", job, version, undo: null, redo: null, changedAt: "", binnedAt: null, photos: {} };
  }

  private answer = (status: number, body: unknown, type = "application/json") =>
    new Response(JSON.stringify(body), { status, headers: { "Content-Type": type } });

  private problem(status: number, type: string, detail: string, current?: JobView): Response {
    const body: ProblemBody = { type: `/problems/${type}`, title: "", status, detail, current };
    return this.answer(status, body, "application/problem+json");
  }
}

let server: Server;
const start = () => configureStore({ reducer: { openJob: openJob.reducer, view: view.reducer } });
let store: ReturnType<typeof start>;
const dispatch = (thunk: unknown) => store.dispatch(thunk as never) as unknown as Promise<void>;
const state = () => store.getState().openJob;
const notices = () => store.getState().view.notices.map(({ text }) => text);
const gap = (millimetres: number): JobEdit => ({ do: "ticket", change: { gap: mm(millimetres) } });
const saved = () => vi.waitFor(() => expect(state()).toMatchObject({ waits: false, pending: [] }));

beforeEach(async () => {
  server = new Server();
  vi.stubGlobal("fetch", server.fetch);
  store = start();
  await dispatch(open("job"));
});
afterEach(() => vi.unstubAllGlobals());

describe("edits on their way", () => {
  it("are seen at once and confirmed soon, those made meanwhile in the next lot", async () => {
    void dispatch(edit(gap(3)));
    void dispatch(edit(gap(4)));
    void dispatch(edit(gap(5), "slide"));
    expect(state().job!.ticket.gap).toBe(5000);
    await saved();
    expect(server.job.ticket.gap).toBe(5000);
    expect(server.lots.flat().map((sent) => [sent.edit, sent.gesture])).toEqual([
      [gap(3), undefined],
      [gap(4), undefined],
      [gap(5), "slide"],
    ]);
    expect(state().version).toBe(server.version);
  });

  it("wait for a server that does not answer, and lose nothing", async () => {
    server.silent = 1;
    void dispatch(edit(gap(6)));
    await vi.waitFor(() => expect(state().waits).toBe(true));
    expect(state().job!.ticket.gap).toBe(6000);
    await saved();
    expect(server.job.ticket.gap).toBe(6000);
  });

  it("go on top of what another window did, and it is said", async () => {
    server.change({ do: "rename", name: "Theirs" });
    void dispatch(edit(gap(7)));
    await saved();
    expect(server.job).toMatchObject({ name: "Theirs", ticket: { gap: 7000 } });
    expect(state().job).toEqual(server.job);
    expect(notices()).toEqual([expect.stringContaining("Both changes are kept, yours on top")]);
  });

  it("that the server refuses are taken back, with its own sentence", async () => {
    server.refuses = "“ticket.gap” must be at least 0 mm. The job is as it was.";
    void dispatch(edit(gap(8)));
    await saved();
    expect(state().job!.ticket.gap).toBe(2000);
    expect(notices()).toEqual([server.refuses]);
  });

  it("that make no job are refused before they are sent", async () => {
    void dispatch(edit({ do: "ticket", change: { gap: -5 as never } }));
    expect(state().pending).toEqual([]);
    expect(notices()).toEqual(["“ticket.gap” must be at least 0 mm."]);
    expect(server.lots).toEqual([]);
  });
});

describe("undo", () => {
  it("waits until everything before it is saved", async () => {
    void dispatch(edit(gap(9)));
    await dispatch(step("undo"));
    expect(server.lots.flat()).toHaveLength(1);
    expect(state().job!.ticket.gap).toBe(2000);
  });

  it("goes step by step when it is asked for faster than the server answers, with edits made meanwhile", async () => {
    const steps = [dispatch(step("undo")), dispatch(step("redo")), dispatch(step("undo"))];
    await steps[0];
    void dispatch(edit(gap(6)));
    await Promise.all(steps);
    await saved();
    // Three steps and one lot, each on the version before it: nobody else changed anything.
    expect(server.version).toBe(4);
    expect(notices()).toEqual([]);
    expect(server.lots.flat()).toHaveLength(1);
  });

  it("shows the job as it is when another window changed it first", async () => {
    server.change(gap(4));
    await dispatch(step("undo"));
    expect(state().job!.ticket.gap).toBe(4000);
    expect(notices()).toEqual(["This job was changed in another window."]);
  });
});

it("takes over what another window did when one comes back to this one", async () => {
  server.change({ do: "rename", name: "Theirs" });
  await dispatch(lookAgain());
  expect(state()).toMatchObject({ job: { name: "Theirs" }, version: 1 });
});
