import { configureStore } from "@reduxjs/toolkit";
import { applyEdit, diff, freshJob, mm, type Job, type JobEdit } from "@wide-quilt/core";
import type { JobChange, JobView, ProblemBody } from "@wide-quilt/server/contract";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import type { SentEdit } from "../api/client.ts";
import { notices as noticeSlice } from "../app/noticeSlice.ts";
import { edit, open, settled, step } from "./edits.ts";
import { changed, openJob } from "./openJob.ts";
import { lookAgain } from "./sending.ts";
import { view } from "./view.ts";

/** A server in a few lines: one job with versions, told over the same addresses; it can be silent or refuse. */
class Server {
  job = freshJob("copies", "Badges");
  version = 0;
  silent = 0;
  /** Whether it does what it is asked, and its answer is lost. */
  loses = 0;
  refuses: ((edit: JobEdit) => boolean) | null = null;
  isGone = false;
  taken: string | null = null;
  readonly lots: SentEdit[][] = [];
  private readonly before: Job[] = [];

  readonly fetch = async (_path: string, init: { method: string; body?: string }): Promise<Response> => {
    if (this.silent > 0) {
      this.silent--;
      throw new TypeError("Failed to fetch");
    }
    if (this.isGone) return this.problem(404, "no-such-job", "This job is not here any more.");
    if (init.method === "GET") return this.answer(200, this.view());
    const asked = JSON.parse(init.body!) as { version?: number; edits?: SentEdit[]; id?: string };
    if (asked.edits) {
      const left = asked.edits.slice(asked.edits.findIndex(({ id }) => id === this.taken) + 1);
      if (left.some(({ edit }) => this.refuses?.(edit))) return this.problem(422, "edit-refused", REFUSED);
      this.lots.push(left);
      if (left.length > 0) this.change(...left.map(({ edit }) => edit));
      this.taken = asked.edits.at(-1)!.id;
    } else if (asked.id !== this.taken) {
      this.job = freshJob("copies", "Badges");
      this.version++;
      this.taken = asked.id!;
    }
    if (this.loses > 0) {
      this.loses--;
      throw new TypeError("Failed to fetch");
    }
    return this.answer(200, this.since(asked.version));
  };

  /** What another window did. */
  change(...edits: JobEdit[]): void {
    this.before[this.version] = this.job;
    this.job = edits.reduce(applyEdit, this.job);
    this.version++;
  }

  since(from: number | undefined): JobChange {
    const base = from === undefined ? undefined : from === this.version ? this.job : this.before[from];
    return {
      ...this.head(),
      ...(base ? { from: from!, patch: diff(base, this.job) } : { from: null, patch: [], job: this.job }),
    };
  }

  private view = (): JobView => ({
    ...this.head(),
    job: this.job,
    binnedAt: null,
    notice: null,
    pattern: null,
  });

  private head = () => ({
    id: "job",
    version: this.version,
    undo: null,
    redo: null,
    theirs: null,
    changedAt: "",
    taken: this.taken,
    photos: {},
  });

  private answer = (status: number, body: unknown, type = "application/json") =>
    new Response(JSON.stringify(body), { status, headers: { "Content-Type": type } });

  private problem(status: number, type: string, detail: string): Response {
    const body: ProblemBody = { type: `/problems/${type}`, title: "", status, detail };
    return this.answer(status, body, "application/problem+json");
  }
}

const REFUSED = "“ticket.gap” must be at least 0 mm. The job is as it was.";

let server: Server;
const start = () =>
  configureStore({ reducer: { openJob: openJob.reducer, view: view.reducer, notices: noticeSlice.reducer } });
let store: ReturnType<typeof start>;
const dispatch = (thunk: unknown) => store.dispatch(thunk as never) as unknown as Promise<void>;
const state = () => store.getState().openJob;
const notices = () => store.getState().notices.map(({ text }) => text);
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

  it("go on top of what another window did", async () => {
    server.change({ do: "rename", name: "Theirs" });
    void dispatch(edit(gap(7)));
    await saved();
    expect(server.job).toMatchObject({ name: "Theirs", ticket: { gap: 7000 } });
    expect(state().job).toEqual(server.job);
    expect(notices()).toEqual([]);
  });

  it("are made once, though the answer to them was lost and more were made meanwhile", async () => {
    server.loses = 1;
    void dispatch(edit({ do: "add sheet", after: null, sheets: ["a1"] }));
    await vi.waitFor(() => expect(state().waits).toBe(true));
    void dispatch(edit(gap(7)));
    await saved();
    expect(server.lots.flat().map(({ edit }) => edit.do)).toEqual(["add sheet", "ticket"]);
    expect(state().job).toEqual(server.job);
  });

  it("that the server refuses are taken back, with its own sentence; those of the same lot are kept", async () => {
    server.refuses = (one) => one.do === "ticket" && one.change.gap === 8000;
    void dispatch(edit({ do: "rename", name: "Kept" }));
    void dispatch(edit(gap(8)));
    void dispatch(edit({ do: "target", change: { ppi: 600 } }));
    await saved();
    expect(server.job).toMatchObject({ name: "Kept", ticket: { gap: 2000 }, target: { ppi: 600 } });
    expect(state().job).toEqual(server.job);
    expect(notices()).toEqual([REFUSED]);
  });

  it("of a job that was deleted meanwhile end, and what is here is not lost", async () => {
    server.isGone = true;
    void dispatch(edit(gap(9)));
    await vi.waitFor(() => expect(state().isGone).toBe(true));
    expect(state()).toMatchObject({ pending: [], job: { ticket: { gap: 9000 } } });
  });

  it("are sent on when another job comes on the table before they are saved", async () => {
    server.silent = 1;
    void dispatch(edit(gap(4)));
    await vi.waitFor(() => expect(state().waits).toBe(true));
    void dispatch(open("other"));
    await vi.waitFor(() => expect(server.job.ticket.gap).toBe(4000));
    await dispatch(settled());
    expect(server.lots.flat()).toHaveLength(1);
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

  it("is asked once, though its answer was lost", async () => {
    server.loses = 1;
    await dispatch(step("undo"));
    expect(notices()).toEqual([]);
    expect(state().waits).toBe(false);
  });
});

it("takes over what another window did, from what is pushed or by asking", async () => {
  server.change({ do: "rename", name: "Theirs" });
  store.dispatch(changed(server.since(0)));
  expect(state()).toMatchObject({ job: { name: "Theirs" }, version: 1 });
  server.change(gap(3));
  server.change(gap(4));
  // What was missed in between cannot be put on top.
  store.dispatch(changed({ ...server.since(2), from: 2 }));
  expect(state()).toMatchObject({ isBehind: true, version: 1 });
  await dispatch(lookAgain());
  expect(state()).toMatchObject({ isBehind: false, version: 3, job: { ticket: { gap: 4000 } } });
});
