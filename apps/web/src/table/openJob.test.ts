import { describe, expect, it } from "vitest";
import { applyEdit, freshJob, mm, type JobEdit } from "@wide-quilt/core";
import type { JobView } from "@wide-quilt/server/contract";
import { confirmed, edited, held, openJob, opened, opening, type OpenJob } from "./openJob.ts";

const { reducer } = openJob;
const gap = (millimetres: number): JobEdit => ({ do: "ticket", change: { gap: mm(millimetres) } });
const view = (change: Partial<JobView> = {}): JobView => ({
  id: "job",
  job: freshJob("copies", "Badges"),
  version: 0,
  undo: null,
  redo: null,
  changedAt: "2026-10-03T07:41:12.000Z",
  binnedAt: null,
  photos: {},
  ...change,
});
const onTable = (): OpenJob => reducer(reducer(undefined, opening("job")), opened(view()));
const send = (state: OpenJob, id: string, edit: JobEdit) => reducer(state, edited({ id, edit }));

describe("the job on the table", () => {
  it("shows an edit at once, and keeps it until the server has confirmed it", () => {
    const after = send(onTable(), "one", gap(3));
    expect(after.job!.ticket.gap).toBe(3000);
    expect(after.pending.map(({ id }) => id)).toEqual(["one"]);
    const saved = reducer(
      after,
      confirmed({ ids: ["one"], view: view({ job: after.job!, version: 1, undo: "gap" }) }),
    );
    expect(saved).toMatchObject({ pending: [], version: 1, undo: "gap", waits: false });
  });

  it("stays the same object when the server says what is already shown, so that nothing is drawn again", () => {
    const after = send(onTable(), "one", gap(3));
    const same = JSON.parse(JSON.stringify(after.job)) as JobView["job"];
    const saved = reducer(after, confirmed({ ids: ["one"], view: view({ job: same, version: 1 }) }));
    expect(saved.job).toBe(after.job);
    expect(saved.photos).toBe(after.photos);
  });

  it("puts edits that are still on their way on top of what another window did", () => {
    const mine = send(onTable(), "mine", gap(5));
    const theirs = applyEdit(freshJob("copies", "Badges"), { do: "rename", name: "Theirs" });
    const both = reducer(mine, confirmed({ ids: [], view: view({ job: theirs, version: 7 }) }));
    expect(both.job).toMatchObject({ name: "Theirs", ticket: { gap: 5000 } });
    expect(both).toMatchObject({ version: 7, pending: [{ id: "mine" }] });
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
});
