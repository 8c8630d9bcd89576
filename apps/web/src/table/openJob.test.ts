import { applyEdit, diff, freshJob, mm, type JobEdit } from "@wide-quilt/core";
import type { JobChange, JobView } from "@wide-quilt/server/contract";
import { describe, expect, it } from "vitest";
import {
  changed,
  edited,
  headsCame,
  held,
  opened,
  opening,
  openJob,
  photosCame,
  refused,
  type OpenJob,
} from "./openJob.ts";

const { reducer } = openJob;
const gap = (millimetres: number): JobEdit => ({ do: "ticket", change: { gap: mm(millimetres) } });
const view = (change: Partial<JobView> = {}): JobView => ({
  id: "job",
  job: freshJob("copies", "Badges"),
  version: 0,
  undo: null,
  redo: null,
  theirs: null,
  taken: null,
  notice: null,
  pattern: null,
  changedAt: "2026-10-03T07:41:12.000Z",
  binnedAt: null,
  photos: {},
  ...change,
});
/** What the server says of the job once it is this, for whoever has it as it was at first. */
const change = (job: JobView["job"], more: Partial<JobChange> = {}): JobChange => ({
  ...view(),
  version: 1,
  from: 0,
  patch: diff(freshJob("copies", "Badges"), job),
  ...more,
  job: undefined,
});
const onTable = (): OpenJob =>
  reducer(reducer(undefined, opening({ id: "job", pending: [] })), opened(view()));
const send = (state: OpenJob, id: string, edit: JobEdit) => reducer(state, edited({ id, edit }));

describe("the job on the table", () => {
  it("shows an edit at once, and keeps it until the server has confirmed it", () => {
    const after = send(onTable(), "one", gap(3));
    expect(after.job!.ticket.gap).toBe(3000);
    expect(after.pending.map(({ id }) => id)).toEqual(["one"]);
    const saved = reducer(after, changed(change(after.job!, { taken: "one", undo: "gap" })));
    expect(saved).toMatchObject({ pending: [], version: 1, undo: "gap" });
  });

  it("stays the same object when the server says what is already shown, so that nothing is drawn again", () => {
    const after = send(onTable(), "one", gap(3));
    const same = JSON.parse(JSON.stringify(after.job)) as JobView["job"];
    const saved = reducer(after, changed(change(same, { taken: "one" })));
    expect(saved.job).toBe(after.job);
    expect(saved.photos).toBe(after.photos);
  });

  it("puts edits that are still on their way on top of what another window did", () => {
    const mine = send(onTable(), "mine", gap(5));
    const theirs = applyEdit(freshJob("copies", "Badges"), { do: "rename", name: "Theirs" });
    const both = reducer(mine, changed(change(theirs)));
    expect(both.job).toMatchObject({ name: "Theirs", ticket: { gap: 5000 } });
    expect(both).toMatchObject({ version: 1, pending: [{ id: "mine" }] });
  });

  it("passes over an edit that a page of another version kept, and shows the job with those after it", () => {
    const pending = [
      { id: "old", edit: { do: "explode", change: {} } as unknown as JobEdit },
      { id: "mine", edit: gap(5) },
    ];
    const shown = reducer(reducer(undefined, opening({ id: "job", pending })), opened(view()));
    expect(shown.job).toMatchObject({ name: "Badges", ticket: { gap: 5000 } });
    // The server is asked about both, and says what is wrong with the first.
    expect(shown.pending.map(({ id }) => id)).toEqual(["old", "mine"]);
  });

  it("takes back an edit that is refused, and keeps those after it", () => {
    const two = send(send(onTable(), "bad", gap(5)), "good", { do: "rename", name: "Good" });
    const left = reducer(two, refused("bad"));
    expect(left.job).toMatchObject({ name: "Good", ticket: { gap: 2000 } });
    expect(left.pending.map(({ id }) => id)).toEqual(["good"]);
  });

  it("passes over an answer that a later one has overtaken, and knows when it is behind", () => {
    const named = applyEdit(freshJob("copies", "Badges"), { do: "rename", name: "New" });
    const now = reducer(onTable(), changed(change(named)));
    expect(reducer(now, changed(change(freshJob("copies", "Old"), { version: 0, from: 0 })))).toBe(now);
    const far = reducer(now, changed(change(named, { version: 9, from: 8 })));
    expect(far).toMatchObject({ isBehind: true, version: 1, job: { name: "New" } });
  });

  it("does not take an answer about another job", () => {
    const other = reducer(onTable(), opened(view({ id: "other", version: 9 })));
    expect(other.version).toBe(0);
  });

  it("lets go of a move when an edit is made, and changes nothing by holding", () => {
    const moving = reducer(onTable(), held(gap(9)));
    expect(moving.job!.ticket.gap).toBe(2000);
    expect(send(moving, "one", gap(3)).held).toBeNull();
  });

  it("knows the heads of a photo that were heard of before the photo came, and what is known better stays", () => {
    const record = {
      format: "jpeg",
      width: 600,
      height: 800,
      orientation: 1,
      bytes: 1,
      depth: 8,
      space: "rgb",
      profile: null,
      exposure: {},
    } as const;
    const seen = { heads: [], by: "found" } as const;
    const study = {
      blur: { eyes: 0, hair: 0 },
      face: { level: 1, low: 0, high: 2, burnt: 0, sides: 0 },
      red: 0,
      background: [],
    };
    const early = reducer(onTable(), headsCame({ a: { ...seen, heads: [], study } }));
    const came = reducer(early, photosCame({ a: { ...record } }));
    expect(came.photos.a!.seen).toEqual({ ...seen, study });
    const later = reducer(came, changed(change(onTable().job!, { photos: { a: { ...record } } })));
    expect(later.photos.a!.seen).toEqual({ ...seen, study });
    const unknown = reducer(onTable(), photosCame({ a: { ...record } }));
    expect(unknown.photos.a!.seen).toBeUndefined();
    expect(reducer(unknown, headsCame({ a: { heads: [], by: "found" } })).photos.a!.seen).toEqual(seen);
  });
});
