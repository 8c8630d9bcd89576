import { expect, it } from "vitest";
import {
  cellSelected,
  fittedTo,
  noticeClosed,
  noticed,
  sheetTurned,
  tableCleared,
  view,
  zoomed,
} from "./view.ts";

const { reducer } = view;
const after = (...actions: Parameters<typeof reducer>[1][]) =>
  actions.reduce(reducer, reducer(undefined, { type: "start" }));

it("lets go of the cell when the sheet is turned", () => {
  expect(after(cellSelected("3"), sheetTurned(2))).toMatchObject({ sheet: 2, cell: null });
});

it("forgets how one job was looked at when another is opened, but not the window nor what was said", () => {
  const looked = after(fittedTo(7), zoomed(12), sheetTurned(3), noticed("Saved."), tableCleared());
  expect(looked).toMatchObject({ zoom: "fit", fitted: 7, sheet: 1, cell: null });
  expect(looked.notices.map(({ text }) => text)).toEqual(["Saved."]);
});

it("says a sentence once however often it is said, and at most four at a time", () => {
  const said = after(...["a", "b", "a", "c", "d", "e"].map((text) => noticed(text)));
  expect(said.notices.map(({ text }) => text)).toEqual(["a", "c", "d", "e"]);
  const closed = reducer(said, noticeClosed(said.notices[1]!.id));
  expect(closed.notices.map(({ text }) => text)).toEqual(["a", "d", "e"]);
});
