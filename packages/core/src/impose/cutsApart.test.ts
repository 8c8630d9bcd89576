import { describe, expect, it } from "vitest";
import { mm } from "../base/length/index.ts";
import { cutsApart } from "./index.ts";

const page = (x: number, y: number, width: number, height: number) => ({
  ...{ x: mm(x), y: mm(y) },
  ...{ width: mm(width), height: mm(height) },
});

// By hand, on paper.
describe("pages that share a sheet", () => {
  it("are cut apart in the middle between them", () => {
    expect(cutsApart({ freed: [page(0, 0, 50, 150), page(53, 0, 50, 150)] })).toEqual({
      x: [mm(51.5)],
      y: [],
    });
    expect(cutsApart({ freed: [page(0, 0, 50, 150), page(50, 0, 50, 150)] })).toEqual({ x: [mm(50)], y: [] });
  });

  it("in rows and columns are cut through the whole sheet", () => {
    const freed = [page(5, 5, 90, 60), page(97, 5, 90, 60), page(5, 69, 90, 60), page(97, 69, 90, 60)];
    expect(cutsApart({ freed })).toEqual({ x: [mm(96)], y: [mm(67)] });
  });

  it("that overlap every straight line are not cut, and a page by itself is not", () => {
    const bricks = [page(0, 0, 60, 40), page(60, 0, 60, 40), page(30, 40, 60, 40), page(90, 40, 60, 40)];
    expect(cutsApart({ freed: bricks })).toEqual({ x: [], y: [mm(40)] });
    expect(cutsApart({ freed: [page(0, 0, 60, 40)] })).toEqual({ x: [], y: [] });
    expect(cutsApart({ freed: null })).toEqual({ x: [], y: [] });
  });
});
