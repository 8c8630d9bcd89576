import { configureStore } from "@reduxjs/toolkit";
import { freshJob, mm, type JobEdit } from "@wide-quilt/core";
import type { JobView } from "@wide-quilt/server/contract";
import { beforeEach, describe, expect, it, vi } from "vitest";
import { newId } from "../app/ids.ts";
import { preferences } from "../app/preferences.ts";
import type { State } from "../app/store.ts";
import { edited, held, opened, opening, openJob } from "./openJob.ts";
import {
  selectChosen,
  selectFindings,
  selectJob,
  selectLayout,
  selectSheet,
  selectSheets,
  selectSums,
  selectTicketJob,
} from "./sheets.ts";
import { cellsSelected, sheetTurned, view } from "./view.ts";

// What preferences read when they are loaded, before anything else is.
vi.hoisted(() => {
  Object.assign(globalThis, { navigator: { language: "en-GB" }, localStorage: { getItem: () => null } });
});

const start = () =>
  configureStore({
    reducer: { openJob: openJob.reducer, view: view.reducer, preferences: preferences.reducer },
  });
let store: ReturnType<typeof start>;
const state = () => store.getState() as unknown as State;
const change = (edit: JobEdit) => store.dispatch(edited({ id: newId(), edit }));
const photo = { width: 3000, height: 4000 } as JobView["photos"][string];

beforeEach(() => {
  store = start();
  store.dispatch(opening({ id: "job", pending: [] }));
  const job = freshJob("copies", "Badges");
  const rest = {
    version: 0,
    undo: null,
    redo: null,
    theirs: null,
    changedAt: "",
    binnedAt: null,
    taken: null,
    notice: null,
    pattern: null,
  };
  store.dispatch(opened({ id: "job", job, photos: { a: photo, b: photo }, ...rest }));
  change({ do: "add photos", photos: [{ id: "a", name: "a.jpg" }] });
});

describe("what the table shows", () => {
  it("follows the printer in the ticket, and a block that takes room in the layout", () => {
    const before = [selectTicketJob(state()), selectLayout(state())];
    change({ do: "target", change: { ppi: 600 } });
    expect(selectTicketJob(state())).not.toBe(before[0]);
    expect(selectTicketJob(state())!.target.ppi).toBe(600);
    const laid = selectLayout(state());
    change({ do: "blocks", blocks: {} });
    expect(selectLayout(state())).not.toBe(laid);
    // What a hand does to a photo changes neither.
    const now = [selectTicketJob(state()), selectLayout(state())];
    change({ do: "shot", shot: "1", change: { scale: 2 } });
    expect([selectTicketJob(state()), selectLayout(state())]).toEqual(now);
    expect(selectLayout(state())).toBe(now[1]);
  });

  it("is the job with the gesture that is still under way", () => {
    const gap: JobEdit = { do: "ticket", change: { gap: mm(4) } };
    store.dispatch(held(gap));
    expect(selectJob(state())!.ticket.gap).toBe(4000);
    expect(state().openJob.job!.ticket.gap).toBe(2000);
    store.dispatch(held(null));
    expect(selectJob(state())!.ticket.gap).toBe(2000);
  });

  it("keeps its layout while a photo is moved in its cell, and makes it anew for the ticket", () => {
    const before = selectLayout(state());
    store.dispatch(held({ do: "shot", shot: "1", change: { scale: 1.4 } }));
    expect(selectLayout(state())).toBe(before);
    expect(selectSheets(state())[0]!.cells[0]!.picture!.placed.width).toBeGreaterThan(mm(48));
    store.dispatch(held(null));
    change({ do: "ticket", change: { gap: mm(1) } });
    expect(selectLayout(state())).not.toBe(before);
  });

  it("lets its findings rest while something is in the hand", () => {
    expect(selectFindings(state()).map(({ level }) => level)).not.toContain("wrong");
    const gone: JobEdit = { do: "ticket", change: { size: { width: mm(400), height: mm(500) } } };
    store.dispatch(held(gone));
    expect(selectFindings(state()).map(({ level }) => level)).not.toContain("wrong");
    store.dispatch(held(null));
    change(gone);
    expect(selectFindings(state()).map(({ level }) => level)).toContain("wrong");
  });

  it("lets marks rest while a cell is moved by hand", () => {
    const [sheet] = selectSheets(state());
    expect(sheet!.marks.length).toBeGreaterThan(0);
    const [cell] = sheet!.cells;
    store.dispatch(
      held({
        do: "place",
        cells: {
          [cell!.key]: {
            place: {
              sheet: sheet!.id,
              ...cell!.finished,
              angle: 0,
              order: 0,
              locked: false,
              proportion: false,
            },
            shot: cell!.shot,
          },
        },
      }),
    );
    expect(selectSheets(state())[0]!.marks).toEqual([]);
    store.dispatch(held(null));
    expect(selectSheets(state())[0]!.marks.length).toBeGreaterThan(0);
  });

  it("is the last sheet where there are fewer than before", () => {
    change({ do: "ticket", change: { copies: 20 } });
    store.dispatch(sheetTurned(3));
    expect(selectSheet(state())).toMatchObject({ number: 3, of: 3 });
    change({ do: "ticket", change: { copies: 8 } });
    expect(selectSheet(state())).toMatchObject({ number: 1, of: 1 });
  });

  it("has the cell that was chosen last first, and forgets those that are gone", () => {
    const keys = selectSheet(state())!.cells.map(({ key }) => key);
    store.dispatch(cellsSelected([keys[3]!, keys[1]!, "gone"]));
    expect(selectChosen(state()).map(({ key }) => key)).toEqual([keys[3], keys[1]]);
    store.dispatch(cellsSelected(["gone", keys[1]!]));
    expect(selectChosen(state())).toEqual([]);
  });

  it("sums up what is shown: eight pieces on one sheet", () => {
    // 8 × 35 × 45 mm of 101.6 × 152.4 mm.
    expect(selectSums(state())!.used).toBeCloseTo(12_600 / 15_483.84, 6);
    expect(selectSums(state())).toMatchObject({ sheets: 1, pixels: { width: 1800, height: 1200 } });
  });
});
