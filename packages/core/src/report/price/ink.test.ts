import { describe, expect, it } from "vitest";
import { mm } from "../../base/length/index.ts";
import { freshJob } from "../../kinds/index.ts";
import { arrange } from "../../plan/arrange.ts";
import { inkOfPieces, inkOfSheet, inkOnPieces } from "./index.ts";

const job = freshJob("copies", "Ink");
const [sheet] = arrange(job, {}) as [ReturnType<typeof arrange>[0]];

describe("ink", () => {
  it("of a sheet is its price by what is covered of its area", () => {
    // A quarter of 0.1 × 0.2 m at 12 a square metre: 12 × 0.25 × 0.02.
    expect(inkOfSheet({ ink: 12 }, { width: mm(100), height: mm(200) }, 0.25)).toBeCloseTo(0.06, 12);
  });

  it("of pieces is the same on any paper: what one sheet takes, shared by the area of its pieces", () => {
    // Eight pieces of 35 × 45 mm on 101.6 × 152.4 mm: 12 600 mm² of 15 483.84.
    expect(sheet.cells).toHaveLength(8);
    const onPieces = inkOnPieces(sheet, 0.4);
    expect(onPieces).toBeCloseTo((0.4 * 15_483.84) / 12_600, 9);
    expect(inkOfPieces({ ink: 12 }, [sheet], onPieces)).toBeCloseTo(
      inkOfSheet({ ink: 12 }, sheet.paper, 0.4),
      12,
    );
    const half = { ...sheet, cells: sheet.cells.slice(0, 4) };
    expect(inkOfPieces({ ink: 12 }, [sheet, half], onPieces)).toBeCloseTo(
      1.5 * inkOfSheet({ ink: 12 }, sheet.paper, 0.4),
      12,
    );
  });

  it("of a sheet without pieces says nothing of pieces", () => {
    expect(inkOnPieces({ ...sheet, cells: [] }, 0.4)).toBe(0);
  });
});
