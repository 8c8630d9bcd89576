import { expect, it } from "vitest";
import type { SheetPlan } from "@wide-quilt/core";
import { facing } from "./pages.ts";

it("shows the first page alone, then pairs with the even one at the left, and a last one alone", () => {
  const sheets = [1, 2, 3, 4].map((number) => ({ number }) as SheetPlan);
  const numbers = (sheet: number) => facing(sheets, sheets[sheet - 1]!).map(({ number }) => number);
  expect([1, 2, 3, 4].map(numbers)).toEqual([[1], [2, 3], [2, 3], [4]]);
});
