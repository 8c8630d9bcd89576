import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { mm, um } from "../../base/length/index.ts";
import { divided, LEAST_SHOWN } from "./divided.ts";
import { bestShift, cheaper, seamCost, SEAM_STEP, type Matters } from "./seams.ts";
import { sizeOf } from "./sized.ts";
import { stripsOf, tiled, tileName } from "./tiling.ts";
import { GLUED } from "./usual.ts";

const way = (width: number, height: number, margin: number) => ({
  lying: { width: mm(width), height: mm(height) },
  area: { x: mm(margin), y: mm(margin), width: mm(width - 2 * margin), height: mm(height - 2 * margin) },
});

const whole = (tiles: typeof GLUED) => ({ tiles, panels: null });

const asked = (more: Partial<Parameters<typeof divided>[0]> = {}) => ({
  joint: "glue" as const,
  overlap: mm(10),
  under: "pale" as const,
  share: "rest" as const,
  length: mm(520),
  bleed: 0,
  room: mm(200),
  shift: 0,
  ...more,
});

describe("a side of a page over sheets", () => {
  it("is glued: each sheet but the last gives its overlap away", () => {
    // By hand: 200 mm of room less 10 shows 190; 520 = 190 + 190 + 140.
    const { strips, shifts } = divided(asked())!;
    expect(strips.map(({ shows }) => [shows.from, shows.to])).toEqual([
      [0, 190_000],
      [190_000, 380_000],
      [380_000, 520_000],
    ]);
    expect(strips.map(({ prints }) => [prints.from, prints.to])).toEqual([
      [0, 200_000],
      [190_000, 390_000],
      [380_000, 520_000],
    ]);
    // The last sheet has room for 60 mm more; the first is full.
    expect(shifts).toEqual({ least: 0, most: 60_000 });
  });

  it("is laid edge to edge: sheets run on past both sides of a joint", () => {
    // By hand: 190, then 180, then the rest of 150, with 10 more printed at each joint.
    const { strips } = divided(asked({ joint: "butt" }))!;
    expect(strips.map(({ prints }) => [prints.from, prints.to])).toEqual([
      [0, 200_000],
      [180_000, 380_000],
      [360_000, 520_000],
    ]);
  });

  it("is shared evenly: every sheet prints as much as the others", () => {
    // By hand: (520 + 2 · 10) / 3 = 180 printed on each.
    const { strips } = divided(asked({ share: "evenly" }))!;
    expect(strips.map(({ prints }) => prints.to - prints.from)).toEqual([180_000, 180_000, 180_000]);
  });

  it("is on one sheet where that has room, and on none where that has no room for its joints", () => {
    expect(divided(asked({ length: mm(200) }))!.strips).toHaveLength(1);
    expect(divided(asked({ overlap: mm(198) }))).toBeNull();
  });

  const sides = fc.record({
    joint: fc.constantFrom("glue" as const, "butt" as const),
    under: fc.constantFrom("full" as const, "pale" as const, "bare" as const),
    share: fc.constantFrom("rest" as const, "evenly" as const),
    overlap: fc.integer({ min: 0, max: 30_000 }),
    length: fc.integer({ min: 20_000, max: 4_000_000 }),
    bleed: fc.integer({ min: 0, max: 5000 }),
    room: fc.integer({ min: 80_000, max: 600_000 }),
    shift: fc.integer({ min: -300_000, max: 300_000 }),
  });

  it("shows the side once, without a gap, and prints on no sheet more than it holds", () => {
    fc.assert(
      fc.property(sides, (question) => {
        const { strips } = divided({ ...question, overlap: um(question.overlap) })!;
        expect(strips[0]!.shows.from).toBe(0);
        expect(strips.at(-1)!.shows.to).toBe(question.length);
        strips.forEach(({ shows, prints }, i) => {
          if (i > 0) expect(shows.from).toBe(strips[i - 1]!.shows.to);
          if (strips.length > 1) expect(shows.to - shows.from).toBeGreaterThanOrEqual(LEAST_SHOWN);
          expect(prints.to - prints.from).toBeLessThanOrEqual(question.room);
          expect(prints.from).toBeLessThanOrEqual(shows.from);
          expect(prints.to).toBeGreaterThanOrEqual(shows.to);
        });
      }),
      { numRuns: 2000 },
    );
  });

  it("takes no more sheets than the fewest there can be, counted one by one", () => {
    fc.assert(
      fc.property(sides, (question) => {
        const { strips } = divided({ ...question, overlap: um(question.overlap) })!;
        const joints = (question.joint === "butt" ? 2 : 1) * question.overlap;
        let count = 1;
        while (count * question.room - (count - 1) * joints - 2 * question.bleed < question.length) count++;
        expect(strips).toHaveLength(count);
      }),
      { numRuns: 2000 },
    );
  });
});

describe("a page over sheets", () => {
  it("lies the way that takes fewer sheets: 1000 × 280 mm over A4 with 5 mm margins", () => {
    // By hand: upright 200 − 10 = 190 across, 6 × 1; on its side 287 − 10 = 277, 4 × 2 (200 down is too little).
    const page = { width: mm(1000), height: mm(280), bleed: um(0) };
    const [tiling] = tiled(whole(GLUED), page, [way(210, 297, 5), way(297, 210, 5)])!;
    expect([tiling!.columns, tiling!.rows]).toEqual([6, 1]);
    expect(tiling!.lying.width).toBe(mm(210));
    expect(tiling!.tiles.map(({ name }) => name)).toEqual(["A1", "B1", "C1", "D1", "E1", "F1"]);
  });

  it("says which sheet comes over which strip", () => {
    const page = { width: mm(300), height: mm(400), bleed: um(0) };
    const [tiling] = tiled(whole(GLUED), page, [way(210, 297, 5)])!;
    const of = (at: number) =>
      stripsOf(tiling!.tiles[at]!, tiling!).map(({ side, next }) => `${side} ${next}`);
    expect(of(0)).toEqual(["right B1", "bottom A2"]);
    expect(of(3)).toEqual([]);
  });

  it("counts columns as spreadsheets do", () => {
    expect([0, 25, 26, 51, 52, 701, 702].map((column) => tileName(column, 0))).toEqual([
      "A1",
      "Z1",
      "AA1",
      "AZ1",
      "BA1",
      "ZZ1",
      "AAA1",
    ]);
  });

  it("is of a size that fills so many sheets, and takes just those", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 12 }),
        fc.integer({ min: 1, max: 12 }),
        fc.constantFrom("glue" as const, "butt" as const),
        fc.integer({ min: 0, max: 20_000 }),
        (columns, rows, joint, overlap) => {
          const tiles = { ...GLUED, joint, overlap: um(overlap) };
          const size = sizeOf(tiles, { columns, rows }, way(210, 297, 5), um(0))!;
          const [tiling] = tiled(whole(tiles), { ...size, bleed: um(0) }, [way(210, 297, 5)])!;
          expect([tiling!.columns, tiling!.rows]).toEqual([columns, rows]);
          for (const { prints } of tiling!.tiles) {
            expect([prints.width, prints.height]).toEqual([mm(200), mm(287)]);
          }
        },
      ),
    );
  });
});

describe("where seams fall", () => {
  const heads = fc.array(
    fc.tuple(fc.integer({ min: 0, max: 1_000_000 }), fc.integer({ min: 10_000, max: 120_000 })),
    { maxLength: 12 },
  );

  it("goes through no head wherever any whole millimetre spares all: tried one by one, 40 pictures and more", () => {
    fc.assert(
      fc.property(heads, fc.integer({ min: 0, max: 150 }), (found, most) => {
        const matters: Matters = {
          heads: found.map(([from, wide]) => [from, from + wide]),
          eyes: [],
          busy: () => 0,
        };
        const seams = [190, 380, 570, 760].map((at) => mm(at));
        const { cost } = bestShift(seams, { least: um(0), most: mm(most) }, matters);
        // By hand: all shifts, and all heads at each.
        const counts = Array.from(
          { length: most + 1 },
          (_, shift) =>
            seams.flatMap((seam) =>
              found.filter(([from, wide]) => {
                const at = seam - shift * SEAM_STEP;
                return at > from && at < from + wide;
              }),
            ).length,
        );
        expect(cost.heads).toBe(Math.min(...counts));
      }),
      { numRuns: 400 },
    );
  });

  it("stays where it is when nothing is better, and goes to the quietest place of equals", () => {
    const matters: Matters = { heads: [], eyes: [], busy: (at) => (at === mm(185) ? 0.1 : 0.5) };
    const range = { least: um(0), most: mm(60) };
    expect(bestShift([mm(190)], range, { ...matters, busy: () => 0.5 }).shift).toBe(0);
    expect(bestShift([mm(190)], range, matters).shift).toBe(5000);
    expect(cheaper({ heads: 0, eyes: 1, busy: 0 }, { heads: 1, eyes: 0, busy: 0 })).toBe(true);
    expect(seamCost([mm(10)], { heads: [[9000, 11_000]], eyes: [10_500], busy: () => 0 })).toEqual({
      heads: 1,
      eyes: 1,
      busy: 0,
    });
  });
});
