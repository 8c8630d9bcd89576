import type { SheetPlan } from "@wide-quilt/core";
import { expect, it } from "vitest";
import { facing } from "./pages.ts";

const sheets = [1, 2, 3, 4].map((number) => ({ number }) as SheetPlan);
const seenWith = (first: "left" | "right") =>
  [1, 2, 3, 4].map((sheet) => facing(sheets, sheets[sheet - 1]!, first).map(({ number }) => number));

it("shows the first page alone, then pairs with the even one at the left, and a last one alone", () => {
  expect(seenWith("right")).toEqual([[1], [2, 3], [2, 3], [4]]);
});

it("shows the first page at the left, beside the second", () => {
  expect(seenWith("left")).toEqual([
    [1, 2],
    [1, 2],
    [3, 4],
    [3, 4],
  ]);
});
