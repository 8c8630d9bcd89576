import { arrange, freshJob } from "@wide-quilt/core";
import { expect, it } from "vitest";
import { neighbour } from "./neighbour.ts";

// 4 × 2 cells: 1 2 3 4 above 5 6 7 8.
const { cells } = arrange(freshJob("copies", "Badges"), {})[0]!;
const go = (from: string, key: string) => neighbour(cells, cells[Number(from) - 1]!, key)?.key ?? null;

it("goes to the cell beside, above and below, and stops at the ends", () => {
  expect(["ArrowRight", "ArrowDown", "ArrowLeft", "ArrowUp"].map((key) => go("2", key))).toEqual([
    "3",
    "6",
    "1",
    null,
  ]);
  expect(["ArrowRight", "ArrowDown", "ArrowLeft", "ArrowUp"].map((key) => go("8", key))).toEqual([
    null,
    null,
    "7",
    "4",
  ]);
  expect(go("1", "Enter")).toBeNull();
});
