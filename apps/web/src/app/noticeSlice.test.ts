import { expect, it } from "vitest";
import { noticeClosed, noticed, notices } from "./noticeSlice.ts";

const { reducer } = notices;

it("says a sentence once however often it is said, and at most four at a time", () => {
  const said = ["a", "b", "a", "c", "d", "e"].map((text) => noticed(text)).reduce(reducer, []);
  expect(said.map(({ text }) => text)).toEqual(["a", "c", "d", "e"]);
  const closed = reducer(said, noticeClosed(said[1]!.id));
  expect(closed.map(({ text }) => text)).toEqual(["a", "d", "e"]);
});
