import { configureStore } from "@reduxjs/toolkit";
import { applyEdit, freshJob, mm, type Job, type JobEdit } from "@wide-quilt/core";
import { beforeEach, describe, expect, it, vi } from "vitest";
import { opened, opening, openJob } from "../../../table/openJob.ts";
import { selectChosen, selectSheets } from "../../../table/sheets.ts";
import { cellsSelected, cellToggled, view } from "../../../table/view.ts";
import {
  addCell,
  alignChosen,
  chooseAll,
  distributeChosen,
  duplicateChosen,
  nudgeCells,
  orderChosen,
  removeChosen,
  sameSizeChosen,
  setPlace,
  shareShot,
  unplaceChosen,
} from "./chosen.ts";

// The reader's language, which Node 20 has none of.
vi.hoisted(() => Object.defineProperty(globalThis, "navigator", { value: { language: "en-GB" } }));

// No server here: what is edited stays on its way.
vi.stubGlobal("fetch", () => new Promise(() => undefined));

const start = () =>
  configureStore({
    reducer: {
      openJob: openJob.reducer,
      view: view.reducer,
      preferences: () => ({ unit: "mm", singleKeys: true, sizes: [], packages: [] }),
    },
  });
let store: ReturnType<typeof start>;
const dispatch = (action: unknown) => store.dispatch(action as never);
const state = () => store.getState() as never;
const job = (): Job => store.getState().openJob.job!;
const places = () =>
  selectSheets(state())[0]!.cells.map(({ key, finished: { x, y, width, height } }) => [
    key,
    x,
    y,
    width,
    height,
  ]);

/** Three cells on bare A4: 30 × 20 at (10, 10), 20 × 40 at (60, 30), 10 × 10 at (150, 20) mm. */
beforeEach(() => {
  const cell = (x: number, y: number, width: number, height: number) => ({
    photo: null,
    place: {
      sheet: "1",
      x: mm(x),
      y: mm(y),
      width: mm(width),
      height: mm(height),
      angle: 0,
      order: 0,
      locked: false,
      proportion: false,
    },
  });
  const edits: JobEdit[] = [
    { do: "add photos", photos: [{ id: "a", name: "a.jpg" }] },
    { do: "add cells", cells: [cell(10, 10, 30, 20), cell(60, 30, 20, 40), cell(150, 20, 10, 10)] },
  ];
  const fresh = edits.reduce(applyEdit, freshJob("free", "By hand"));
  store = start();
  dispatch(opening({ id: "job", pending: [] }));
  dispatch(
    opened({
      id: "job",
      job: fresh,
      version: 0,
      undo: null,
      redo: null,
      theirs: null,
      taken: null,
      notice: null,
      pattern: null,
      changedAt: "",
      binnedAt: null,
      photos: {},
    }),
  );
});

describe("the chosen cells", () => {
  it("are those that were chosen, the last one first", () => {
    dispatch(cellsSelected(["o1"]));
    dispatch(cellToggled("o3"));
    expect(selectChosen(state()).map(({ key }) => key)).toEqual(["o3", "o1"]);
    dispatch(cellToggled("o3"));
    expect(selectChosen(state()).map(({ key }) => key)).toEqual(["o1"]);
    dispatch(chooseAll());
    expect(selectChosen(state())).toHaveLength(3);
  });

  it("are nudged together, but for those that are locked", () => {
    dispatch(cellsSelected(["o1"]));
    dispatch(setPlace({ locked: true }));
    dispatch(chooseAll());
    dispatch(nudgeCells(500, -100, "run"));
    expect(places()).toEqual([
      ["o1", 10_000, 10_000, 30_000, 20_000],
      ["o2", 60_500, 29_900, 20_000, 40_000],
      ["o3", 150_500, 19_900, 10_000, 10_000],
    ]);
  });

  it("are aligned and set at equal gaps: (150 − 40 − 20)/2 = 45 mm", () => {
    dispatch(chooseAll());
    dispatch(alignChosen("top"));
    dispatch(distributeChosen("x"));
    expect(places().map(([, x, y]) => [x, y])).toEqual([
      [10_000, 10_000],
      [85_000, 10_000],
      [150_000, 10_000],
    ]);
  });

  it("one by itself is aligned to the sheet", () => {
    dispatch(cellsSelected(["o3"]));
    dispatch(alignChosen("centre"));
    expect(places()[2]).toEqual(["o3", 100_000, 20_000, 10_000, 10_000]);
  });

  it("take the size of the one that was chosen last, about their middles", () => {
    dispatch(cellsSelected(["o3", "o1"]));
    dispatch(sameSizeChosen());
    expect(places()[0]).toEqual(["o1", 20_000, 15_000, 10_000, 10_000]);
  });

  it("go to the front and to the back", () => {
    dispatch(cellsSelected(["o1"]));
    dispatch(orderChosen("front"));
    expect(places().map(([key]) => key)).toEqual(["o2", "o3", "o1"]);
    dispatch(orderChosen("back"));
    expect(places().map(([key]) => key)).toEqual(["o1", "o2", "o3"]);
  });

  it("are copied five millimetres aside, the copies chosen, showing what the first show", () => {
    dispatch(cellsSelected(["o1"]));
    dispatch(duplicateChosen());
    expect(places().at(-1)).toEqual(["o4", 15_000, 15_000, 30_000, 20_000]);
    expect(selectChosen(state()).map(({ key }) => key)).toEqual(["o4"]);
    expect(job().cells.o4!.shot).toBe(job().cells.o1!.shot);
  });

  it("share a shot, and with it a photo", () => {
    dispatch(chooseAll());
    dispatch(shareShot("1"));
    expect(Object.values(job().cells).map(({ shot }) => shot)).toEqual(["1", "1", "1"]);
  });

  it("are removed; a new one comes in the middle of the sheet", () => {
    dispatch(cellsSelected(["o1", "o2"]));
    dispatch(removeChosen());
    dispatch(addCell({ width: mm(50), height: mm(40) }));
    expect(places()).toEqual([
      ["o3", 150_000, 20_000, 10_000, 10_000],
      // 210/2 − 25, 297/2 − 20
      ["o4", 80_000, 128_500, 50_000, 40_000],
    ]);
  });

  it("go back to the layout only where there is one", () => {
    dispatch(chooseAll());
    dispatch(unplaceChosen());
    expect(places()).toHaveLength(3);
  });
});
