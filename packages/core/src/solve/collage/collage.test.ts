import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { chance } from "../../base/chance.ts";
import { area as areaOf, contains, overlap, type Rect, type Size } from "../../base/geometry/index.ts";
import { um } from "../../base/length/index.ts";
import { byCounts, divide, equal, filled, fitTree, nothingCropped, readTree, writeTree } from "./index.ts";

const size = (width: number, height: number): Size => ({ width: um(width), height: um(height) });
const places = (cells: readonly Rect[] | undefined | null) =>
  cells?.map(({ x, y, width, height }) => [x, y, width, height]);

describe("a divided length", () => {
  it("closes: three equal parts of 100 with gaps of 5", () => {
    expect(divide(100, equal(3), 5)).toEqual([
      { from: 0, to: 30 },
      { from: 35, to: 65 },
      { from: 70, to: 100 },
    ]);
  });

  it("rounds edges, not sizes: 100 in three is 33, 34 and 33", () => {
    expect(divide(100, equal(3), 0)!.map(({ from, to }) => to - from)).toEqual([33, 34, 33]);
  });

  it("has no parts where gaps take all there is", () => {
    expect(divide(10, equal(3), 5)).toBeNull();
  });

  it("always adds up, and never has a part a micrometre off its share", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1000, max: 1_000_000 }),
        fc.array(fc.integer({ min: 1, max: 9 }), { minLength: 1, maxLength: 12 }),
        fc.integer({ min: 0, max: 40 }),
        (length, shares, gap) => {
          const spans = divide(length, shares, gap)!;
          const sum = shares.reduce((a, b) => a + b, 0);
          expect([spans[0]!.from, spans.at(-1)!.to]).toEqual([0, length]);
          spans.slice(1).forEach(({ from }, i) => expect(from - spans[i]!.to).toBe(gap));
          spans.forEach(({ from, to }, i) => {
            const exact = ((length - gap * (shares.length - 1)) * shares[i]!) / sum;
            expect(Math.abs(to - from - exact)).toBeLessThanOrEqual(1);
          });
        },
      ),
    );
  });
});

describe("sizes solved backwards", () => {
  it("four rows; the second of three, the last of one, the others of two", () => {
    // 200 × 100 with gaps of 4: rows (100 − 12)/4 = 22; cells 98, 64 (192/3), 98 and 200 wide
    expect(places(byCounts(size(200, 100), [2, 3, 2, 1], 4, "rows"))).toEqual([
      [0, 0, 98, 22],
      [102, 0, 98, 22],
      [0, 26, 64, 22],
      [68, 26, 64, 22],
      [136, 26, 64, 22],
      [0, 52, 98, 22],
      [102, 52, 98, 22],
      [0, 78, 200, 22],
    ]);
  });

  it("columns are rows on their side", () => {
    expect(places(byCounts(size(100, 60), [1, 2], 0, "columns"))).toEqual([
      [0, 0, 50, 60],
      [50, 0, 50, 30],
      [50, 30, 50, 30],
    ]);
  });
});

describe("rows of one height, filled", () => {
  it("breaks photos where they fit: two of 3:2 over three squares on 30 × 20", () => {
    // both rows 10 high and 30 long: 15 + 15 and 10 + 10 + 10, nothing cropped
    const found = filled({
      area: size(30, 20),
      gap: 0,
      proportions: [1.5, 1.5, 1, 1, 1],
      along: "rows",
      strips: null,
    })!;
    expect(found.strips).toBe(2);
    expect(found.crop).toBeCloseTo(0, 9);
    expect(places(found.cells)).toEqual([
      [0, 0, 15, 10],
      [15, 0, 15, 10],
      [0, 10, 10, 10],
      [10, 10, 10, 10],
      [20, 10, 10, 10],
    ]);
  });

  it("says how much is cropped: two squares in one row of 30 × 10 lose a third each", () => {
    expect(
      filled({ area: size(30, 10), gap: 0, proportions: [1, 1], along: "rows", strips: 1 })!.crop,
    ).toBeCloseTo(1 / 3, 9);
  });
});

describe("a tree of photos", () => {
  it("is solved for its area: a 3:2 photo beside two squares over each other", () => {
    // height h: 1.5 h + h/2 = 2 h, so 200 × 100 holds 150 × 100 and twice 50 × 50
    const tree = readTree("x 0 y 1 2", 3)!;
    const { cells, crop } = fitTree(tree, [1.5, 1, 1], size(200, 100), 0)!;
    expect(places(cells)).toEqual([
      [0, 0, 150, 100],
      [150, 0, 50, 50],
      [150, 50, 50, 50],
    ]);
    expect(crop).toBeCloseTo(0, 9);
  });

  it("with a gap: 1.5 h + 10 + (h − 10)/2 = 2 h + 5, so 205 × 100 crops nothing", () => {
    const { cells, crop } = fitTree(readTree("x 0 y 1 2", 3)!, [1.5, 1, 1], size(205, 100), 10)!;
    expect(places(cells)).toEqual([
      [0, 0, 150, 100],
      [160, 0, 45, 45],
      [160, 55, 45, 45],
    ]);
    expect(crop).toBeCloseTo(0, 9);
  });

  it("spreads what has to be cropped evenly: two squares beside each other on 300 × 100 lose a third each", () => {
    expect(fitTree(readTree("x 0 1", 2)!, [1, 1], size(300, 100), 0)!.crop).toBeCloseTo(1 / 3, 6);
  });

  it("is written and read, and nothing else is read", () => {
    for (const text of ["0", "x 0 1", "y x 2 0 1"]) {
      expect(writeTree(readTree(text, text.replace(/\D/g, "").length)!)).toBe(text);
    }
    for (const text of ["", "x 0", "x 0 0", "x 0 1 2", "z 0 1", "x 0 7", "x y"])
      expect(readTree(text, 2)).toBeNull();
  });
});

describe("nothing cropped", () => {
  const many = [1.5, 2 / 3, 4 / 3, 1.5, 0.75, 1.5, 1, 2 / 3, 1.5];

  it("finds what is exact: 150 × 100, and two of 50 × 50", () => {
    expect(
      nothingCropped({ area: size(200_000, 100_000), gap: 0, proportions: [1, 1.5, 1] }, 0)!.crop,
    ).toBeLessThan(1e-9);
  });

  it("fills 300 × 200 mm with nine photos, less than a five-hundredth cropped, in several ways", () => {
    const found = [0, 1, 2, 3].map((n) =>
      nothingCropped({ area: size(300_000, 200_000), gap: 3000, proportions: many }, n)!,
    );
    expect(Math.min(...found.map(({ crop }) => crop))).toBeLessThan(0.002);
    expect(new Set(found.map(({ tree }) => writeTree(tree))).size).toBeGreaterThan(2);
  });

  it("makes the photo larger that weighs more", () => {
    const weights = many.map((_, i) => (i === 4 ? 4 : 1));
    const question = { area: size(300_000, 200_000), gap: 2000, proportions: many };
    // The share that the photo has of all, over four proposals: what other photos leave it varies.
    const share = (weights?: number[]) =>
      [0, 1, 2, 3]
        .map((proposal) => nothingCropped({ ...question, weights }, proposal)!.cells)
        .reduce(
          (sum, cells) => sum + areaOf(cells[4]!) / cells.reduce((all, cell) => all + areaOf(cell), 0),
          0,
        );
    expect(share(weights)).toBeGreaterThan(1.4 * share());
  });

  it("makes it larger among fifty, too", () => {
    const proportions = Array.from({ length: 50 }, (_, i) => many[i % many.length]!);
    const weights = proportions.map((_, i) => (i === 7 ? 6 : 1));
    const question = { area: size(300_000, 200_000), gap: 1000, proportions };
    const times = [0, 1, 2].map((proposal) => {
      const sizes = nothingCropped({ ...question, weights }, proposal)!.cells.map(areaOf);
      return sizes[7]! / [...sizes].sort((a, b) => a - b)[25]!;
    });
    expect(times.sort((a, b) => a - b)[1]).toBeGreaterThan(3);
  });

  it("gives the same for the same proposal, and nothing where gaps leave no room", () => {
    const question = { area: size(300_000, 200_000), gap: 3000, proportions: many };
    expect(nothingCropped(question, 2)).toEqual(nothingCropped(question, 2));
    expect(nothingCropped({ ...question, gap: 290_000 }, 0)).toBeNull();
    expect(nothingCropped({ ...question, proportions: [] }, 0)).toBeNull();
  });

  it("always fills its area: edges of neighbours are a gap apart, and areas and gaps close", () => {
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom(1.5, 2 / 3, 4 / 3, 3 / 4, 1, 16 / 9), { minLength: 1, maxLength: 12 }),
        fc.integer({ min: 0, max: 4000 }),
        fc.integer({ min: 0, max: 5 }),
        (proportions, gap, proposal) => {
          const area = { x: um(0), y: um(0), ...size(280_000, 200_000) };
          const { cells, crop } = nothingCropped({ area, gap, proportions }, proposal)!;
          const grow = (r: Rect): Rect => ({ ...r, width: um(r.width + gap), height: um(r.height + gap) });
          // Grown by the gap on two sides the cells tile the area grown likewise, without overlap.
          expect(cells.reduce((sum, cell) => sum + areaOf(grow(cell)), 0)).toBe(
            (280_000 + gap) * (200_000 + gap),
          );
          cells.forEach((cell, i) => {
            expect(contains(area, cell)).toBe(true);
            for (const other of cells.slice(i + 1)) expect(overlap(grow(cell), grow(other))).toBeNull();
            const real = cell.width / cell.height / proportions[i]!;
            expect(1 - Math.min(real, 1 / real)).toBeLessThan(crop + 1e-4);
          });
        },
      ),
      {
        numRuns: 20,
        // A small cell that errors of rounding once added up in: five micrometres of 27 mm.
        examples: [[[4 / 3, 16 / 9, 2 / 3, 4 / 3, 16 / 9, 1, 2 / 3, 1, 16 / 9, 16 / 9, 1.5], 3868, 3]],
      },
    );
  });

  // The same with many photos as with few: sets of all common proportions, areas and gaps.
  it.each([
    [25, 40, 6],
    [41, 60, 6],
    [61, 100, 8],
  ])(
    "makes %s to %s photos nearly of one size: the largest at most %s times the smallest, in the median",
    (from, to, most) => {
      const sets = process.env.WIDE_QUILT_LONG ? 60 : 12;
      const areas = [
        size(300_000, 200_000),
        size(297_000, 210_000),
        size(200_000, 300_000),
        size(500_000, 200_000),
      ];
      const common = [1.5, 2 / 3, 4 / 3, 3 / 4, 1, 16 / 9, 1.5, 1.5, 2 / 3];
      const found = Array.from({ length: sets }, (_, seed) => {
        const random = chance(seed * 31 + from);
        const n = from + Math.floor(random() * (to - from + 1));
        const proportions = Array.from({ length: n }, () => common[Math.floor(random() * common.length)]!);
        const question = { area: areas[seed % 4]!, gap: (seed % 3) * 1000, proportions };
        const { cells, crop } = nothingCropped(question, seed % 3)!;
        const sizes = cells.map(areaOf);
        return { uneven: Math.max(...sizes) / Math.min(...sizes), crop };
      });
      const median = (values: number[]) => values.sort((a, b) => a - b)[values.length >> 1]!;
      expect(median(found.map(({ uneven }) => uneven))).toBeLessThanOrEqual(most);
      expect(median(found.map(({ crop }) => crop))).toBeLessThanOrEqual(0.00034);
      // A photo or two may be cropped by what can just be seen; never by a hundredth.
      expect(Math.max(...found.map(({ crop }) => crop))).toBeLessThan(0.01);
    },
  );
});
