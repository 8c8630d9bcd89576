import { expect, it } from "vitest";
import { cellSelected, fittedTo, sheetTurned, tableCleared, view, zoomed } from "./view.ts";

const { reducer } = view;
const after = (...actions: Parameters<typeof reducer>[1][]) =>
  actions.reduce(reducer, reducer(undefined, { type: "start" }));

it("lets go of the cell when the sheet is turned", () => {
  expect(after(cellSelected("3"), sheetTurned(2))).toMatchObject({ sheet: 2, cell: null });
});

it("forgets how one job was looked at when another is opened, but not the window", () => {
  const looked = after(fittedTo(7), zoomed(12), sheetTurned(3), tableCleared());
  expect(looked).toMatchObject({ zoom: "fit", fitted: 7, sheet: 1, cell: null });
});
