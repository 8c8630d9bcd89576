import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { onItsSide } from "../../base/geometry/index.ts";
import { mm, um } from "../../base/length/index.ts";
import { paperById } from "../../catalogue/paper/index.ts";
import { blockFor, evenBorder, fitGrid } from "./index.ts";

const piece = { width: mm(35), height: mm(45) };
const gap = mm(2);

describe("fitGrid", () => {
  it("fits 2 × 3 of 35 × 45 mm on upright 10 × 15 cm paper, 4 × 2 on its side", () => {
    // (101.6 + 2)/37 = 2.8, (152.4 + 2)/47 = 3.3; lying (152.4 + 2)/37 = 4.17, (101.6 + 2)/47 = 2.2
    const paper = paperById("photo-10x15");
    expect(fitGrid({ piece, area: paper, gap }, "upright")).toEqual({
      columns: 2,
      rows: 3,
      count: 6,
      turned: false,
    });
    expect(fitGrid({ piece, area: onItsSide(paper), gap }, "upright")).toMatchObject({
      columns: 4,
      rows: 2,
      count: 8,
    });
    expect(fitGrid({ piece, area: paper, gap }, "better")).toEqual({
      columns: 2,
      rows: 4,
      count: 8,
      turned: true,
    });
  });

  it("needs no gap after the last piece: exactly filled paper is filled", () => {
    const paper = { width: mm(3 * 35 + 2 * 2), height: mm(45) };
    expect(fitGrid({ piece, area: paper, gap }, "upright").count).toBe(3);
    expect(fitGrid({ piece, area: { ...paper, width: um(paper.width - 1) }, gap }, "upright").count).toBe(2);
  });

  it("fits nothing where the margins leave nothing", () => {
    const area = { width: mm(101.6), height: mm(-47.6) };
    expect(fitGrid({ piece, area, gap }, "better").count).toBe(0);
  });

  it("never lets a row be longer than the paper, and never leaves room for one more", () => {
    const side = fc.integer({ min: 3_000, max: 400_000 });
    fc.assert(
      fc.property(side, side, side, side, fc.integer({ min: 0, max: 20_000 }), (w, h, pw, ph, g) => {
        const fit = fitGrid(
          {
            piece: { width: um(w), height: um(h) },
            area: { width: um(pw), height: um(ph) },
            gap: um(g),
          },
          "upright",
        );
        if (fit.columns > 0) expect(fit.columns * w + (fit.columns - 1) * g).toBeLessThanOrEqual(pw);
        expect((fit.columns + 1) * w + fit.columns * g).toBeGreaterThan(pw);
      }),
    );
  });
});

describe("evenBorder", () => {
  it("widens a 10 × 15 print on 13 × 18 paper until the white is even", () => {
    // (127 − 101.6)/2 = 12.7 at the sides, (177.8 − 152.4)/2 = 12.7 at the ends: even already
    expect(
      evenBorder({ width: mm(127), height: mm(177.8) }, { width: mm(101.6), height: mm(152.4) }),
    ).toBeNull();
    // on A5: (148 − 101.6)/2 = 23.2, (210 − 152.4)/2 = 28.8; 148 − 46.4 = 101.6 by 210 − 46.4 = 163.6
    expect(evenBorder({ width: mm(148), height: mm(210) }, { width: mm(101.6), height: mm(152.4) })).toEqual({
      size: { width: 101_600, height: 163_600 },
      border: 23_200,
    });
    expect(
      evenBorder({ width: mm(90), height: mm(210) }, { width: mm(101.6), height: mm(152.4) }),
    ).toBeNull();
  });
});

describe("blockFor", () => {
  const a4 = { columns: 5, rows: 6, count: 30, turned: false };
  it.each([
    [8, 4, 2],
    [6, 3, 2],
    [23, 4, 6],
    [30, 5, 6],
    [1, 1, 1],
    [7, 4, 2],
  ])("sets %i pieces on a sheet of 5 × 6 as %i × %i", (count, columns, rows) => {
    expect(blockFor(count, a4)).toEqual({ columns, rows });
  });
});
