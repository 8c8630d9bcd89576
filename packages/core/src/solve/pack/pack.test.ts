import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { bottom, contains, overlap, right, type Rect } from "../../base/geometry/index.ts";
import { mm, um } from "../../base/length/index.ts";
import { PAPERS } from "../../catalogue/paper/index.ts";
import { cutPlan } from "../cut/index.ts";
import { PACKAGES, packBound, Packer, packQuickly, type PackQuestion } from "./index.ts";

const piece = (
  width: number,
  height: number,
  quantity: number,
  more: { mayTurn?: boolean; photo?: string } = {},
) => ({
  width: um(width),
  height: um(height),
  quantity,
  mayTurn: true,
  ...more,
});
const paper = (width: number, height: number, price = 1) => ({ width: um(width), height: um(height), price });
const question = (over: Partial<PackQuestion>): PackQuestion => ({
  pieces: [],
  papers: [paper(100, 100)],
  gap: um(0),
  cuts: "straight",
  aim: "sheets",
  ...over,
});

describe("packing", () => {
  it("fills a sheet to the last corner where that is possible", () => {
    // 100 × 100 = 60 × 60 and 40 × 60 side by side, over 100 × 40
    const { sheets, bound } = packQuickly(
      question({ pieces: [piece(60, 60, 1), piece(40, 60, 1), piece(100, 40, 1)] }),
    );
    expect(sheets).toHaveLength(1);
    expect(bound.sheets).toBe(1);
  });

  it("sets 3 of 10 × 15 cm and 5 of 7 × 10 cm on one sheet of 30 × 30 cm", () => {
    // By hand: three of 10 × 15 side by side; below them two rows, 14 cm high, of 10 × 7 turned: three and two
    const { sheets } = packQuickly(
      question({ pieces: [piece(100, 150, 3), piece(70, 100, 5)], papers: [paper(300, 300)] }),
    );
    expect(sheets).toHaveLength(1);
    expect(sheets[0]!.places).toHaveLength(8);
  });

  it("counts pieces that cannot lie beside each other: eleven of 51 × 51 need eleven sheets of 100 × 100", () => {
    const asked = question({ pieces: [piece(51, 51, 11)] });
    expect(packBound(asked).sheets).toBe(11);
    expect(packQuickly(asked).sheets).toHaveLength(11);
  });

  it("counts lengths of which only two stand in a row: 9 of 34 × 34 need 3 sheets, where their area needs 2", () => {
    // 34 > 33.3: two by two on a sheet; 9·34² = 10 404
    expect(packBound(question({ pieces: [piece(34, 34, 9)] })).sheets).toBe(3);
  });

  it("takes the smaller paper where it is enough, and the mixture that costs least", () => {
    const papers = [paper(100, 100, 10), paper(50, 100, 4)];
    const { sheets, price } = packQuickly(question({ pieces: [piece(50, 100, 3)], papers, aim: "price" }));
    expect(price).toBe(12); // three small ones; a large and a small one are 14
    expect(sheets.map((sheet) => sheet.paper)).toEqual([1, 1, 1]);
    const few = packQuickly(question({ pieces: [piece(50, 100, 3)], papers }));
    expect(few.sheets).toHaveLength(2);
    expect(few.price).toBe(14);
  });

  it("names what fits on no paper, and sets out the rest", () => {
    const { sheets, tooLarge } = packQuickly(question({ pieces: [piece(120, 10, 1), piece(10, 10, 2)] }));
    expect(tooLarge).toEqual([0]);
    expect(sheets.flatMap(({ places }) => places.map((place) => place.piece))).toEqual([1, 1]);
    expect(packQuickly(question({ pieces: [piece(10, 120, 1, { mayTurn: false })] }))).toMatchObject({
      sheets: [],
      tooLarge: [0],
    });
  });

  it("keeps pieces of one photo on one sheet where sizes are equal", () => {
    const pieces = [
      piece(50, 50, 2, { photo: "a" }),
      piece(50, 50, 4, { photo: "b" }),
      piece(50, 50, 2, { photo: "a" }),
    ];
    const { sheets } = packQuickly(question({ pieces }));
    const photos = sheets.map(({ places }) => new Set(places.map((place) => pieces[place.piece]!.photo)));
    expect(photos).toEqual([new Set(["a"]), new Set(["b"])]);
  });

  it("fills one sheet with each set that is offered by name", () => {
    for (const { name, pieces } of PACKAGES) {
      const on = PAPERS.find((known) => name.startsWith(known.name))!;
      const asked = question({
        pieces: pieces.map((one) => piece(one.width, one.height, one.quantity)),
        papers: [{ width: on.width, height: on.height, price: 1 }],
      });
      expect([name, packQuickly(asked).sheets.length]).toEqual([name, 1]);
    }
  });

  it("leaves the paper's edge where there is room: four of 100 × 60 mm on A4 lie 60 mm wide, three to a row", () => {
    // Two lying side by side take 100 + 2 + 100 = 202 of 210 mm and leave 4 mm; three standing take 3 · 60 + 2 · 2 = 184
    // and leave 13, two rows of them 100 + 2 + 100 of 297 mm.
    const [sheet] = packQuickly(
      question({
        pieces: [piece(mm(100), mm(60), 4)],
        papers: [paper(mm(210), mm(297))],
        gap: mm(2),
      }),
    ).sheets;
    const block = [Math.max(...sheet!.places.map(right)), Math.max(...sheet!.places.map(bottom))];
    expect(block).toEqual([mm(184), mm(202)]);
  });

  it("keeps 3 mm or more at every side of sheets that are 20 to 45 % full, and every piece on them", () => {
    let airless = 0;
    const sizes = fc.array(
      fc.record({ width: fc.integer({ min: 25, max: 110 }), height: fc.integer({ min: 25, max: 150 }) }),
      { minLength: 3, maxLength: 14 },
    );
    fc.assert(
      fc.property(sizes, (drawn) => {
        const used = drawn.reduce((sum, { width, height }) => sum + width * height, 0) / (210 * 297);
        fc.pre(used > 0.2 && used < 0.45);
        const asked = question({
          pieces: drawn.map(({ width, height }) => piece(mm(width), mm(height), 1)),
          papers: [paper(mm(210), mm(297))],
          gap: mm(2),
        });
        const { sheets } = packQuickly(asked);
        expect(sheets).toHaveLength(1);
        const { places } = sheets[0]!;
        expect(places.map((one) => one.piece).sort((a, b) => a - b)).toEqual(drawn.map((_, i) => i));
        places.forEach((one, i) =>
          places.slice(i + 1).forEach((other) => expect(overlap(one, other)).toBeNull()),
        );
        const left = Math.min(
          mm(210) - Math.max(...places.map(right)),
          mm(297) - Math.max(...places.map(bottom)),
        );
        if (left < mm(6)) airless++;
      }),
      { numRuns: 200 },
    );
    // Some hold pieces of 150 mm that go no other way.
    expect(airless).toBeLessThanOrEqual(4);
  });

  it("finds more room anyhow than by straight cuts: a pinwheel", () => {
    const pieces = [piece(60, 40, 4), piece(20, 20, 1)];
    const seek = (cuts: "straight" | "any") => {
      const packer = new Packer(question({ pieces, cuts }));
      for (let look = 0; look < 40 && !packer.isProved; look++) packer.improve();
      return packer.best().sheets.length;
    };
    expect([seek("straight"), seek("any")]).toEqual([2, 1]);
  });

  it("gives the same answers every time, and never a worse one for looking further", () => {
    const pieces = Array.from({ length: 30 }, (_, i) => piece(11 + ((i * 37) % 50), 9 + ((i * 53) % 60), 1));
    const run = () => {
      const packer = new Packer(question({ pieces }));
      const counts = [packer.best().sheets.length];
      for (let look = 0; look < 5; look++) {
        packer.improve();
        counts.push(packer.best().sheets.length);
      }
      return { counts, best: packer.best() };
    };
    const one = run();
    expect(run()).toEqual(one);
    one.counts.slice(1).forEach((count, i) => expect(count).toBeLessThanOrEqual(one.counts[i]!));
  });

  it("places every piece once, inside the paper, with the gap between, by straight cuts, over the bound", () => {
    const side = fc.integer({ min: 5, max: 95 });
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            width: side,
            height: side,
            quantity: fc.integer({ min: 1, max: 4 }),
            mayTurn: fc.boolean(),
          }),
          {
            minLength: 1,
            maxLength: 9,
          },
        ),
        fc.integer({ min: 0, max: 6 }),
        fc.constantFrom("straight" as const, "any" as const),
        (list, gap, cuts) => {
          const asked = question({
            pieces: list.map(({ width, height, quantity, mayTurn }) =>
              piece(width, height, quantity, { mayTurn }),
            ),
            papers: [paper(100, 120, 3), paper(100, 95, 2)],
            gap: um(gap),
            cuts,
          });
          const { sheets, bound, tooLarge } = packQuickly(asked);
          const count = new Map<number, number>();
          for (const { paper: index, places } of sheets) {
            const { width, height } = asked.papers[index]!;
            const area = { x: um(0), y: um(0), width, height };
            places.forEach((place, i) => {
              const { piece: index, turned } = place;
              const own = asked.pieces[index]!;
              count.set(index, (count.get(index) ?? 0) + 1);
              expect([place.width, place.height]).toEqual(
                turned ? [own.height, own.width] : [own.width, own.height],
              );
              expect(turned && !own.mayTurn).toBe(false);
              expect(contains(area, place)).toBe(true);
              const wide: Rect = { ...place, width: um(place.width + gap), height: um(place.height + gap) };
              for (const other of places.slice(i + 1)) {
                expect(
                  overlap(wide, { ...other, width: um(other.width + gap), height: um(other.height + gap) }),
                ).toBeNull();
              }
            });
            if (cuts === "straight") expect(cutPlan({ width, height }, places)).toMatchObject({ ok: true });
          }
          asked.pieces.forEach(({ quantity }, i) => {
            expect(count.get(i) ?? 0).toBe(tooLarge.includes(i) ? 0 : quantity);
          });
          expect(sheets.length).toBeGreaterThanOrEqual(bound.sheets);
        },
      ),
      { numRuns: 15 },
    );
  });
});
