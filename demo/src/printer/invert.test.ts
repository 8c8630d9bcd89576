import { deltaE2000, type Lab } from "@wide-quilt/core";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { labOfXyz, LUSTRE, printed, UNCOATED, xyzOf } from "./inks.ts";
import { invert, type Model } from "./invert.ts";

const amount = fc.double({ min: 0, max: 1, noNaN: true });
const middle = fc.double({ min: 0.1, max: 0.9, noNaN: true });

describe("made-up inks", () => {
  it.each([
    ["the lustre paper", LUSTRE],
    ["the uncoated stock", UNCOATED],
  ])("look as they were made up where they cover %s fully, relative to the paper", (_, inks) => {
    const print = printed(inks);
    const white = xyzOf(inks.paper);
    inks.solids.forEach((solid, i) => {
      const lab = labOfXyz(print(i & 1 ? 1 : 0, i & 2 ? 1 : 0, i & 4 ? 1 : 0, 0));
      // Seen against the paper: each of X, Y and Z as a share of the paper’s, of D50 (CIE 15:2018).
      const [x, y, z] = xyzOf(solid);
      const wanted = labOfXyz([(x / white[0]) * 0.9642, y / white[1], (z / white[2]) * 0.8249]);
      expect(deltaE2000(lab, wanted)).toBeLessThan(0.01);
    });
  });

  it("grow darker with every ink that is added", () => {
    const print = printed(UNCOATED);
    fc.assert(
      fc.property(middle, middle, middle, middle, fc.integer({ min: 0, max: 3 }), (c, m, y, k, which) => {
        const more = [c, m, y, k].map((v, i) => (i === which ? v + 0.1 : v)) as [
          number,
          number,
          number,
          number,
        ];
        expect(print(...more)[1]).toBeLessThan(print(c, m, y, k)[1]);
      }),
    );
  });

  it("and their colours go to XYZ and back", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 100, noNaN: true }),
        fc.double({ min: -90, max: 90, noNaN: true }),
        fc.double({ min: -90, max: 90, noNaN: true }),
        (l, a, b) => {
          const back = labOfXyz(xyzOf([l, a, b]));
          [l, a, b].forEach((v, i) => expect(back[i]).toBeCloseTo(v, 6));
        },
      ),
    );
  });
});

describe("the search for amounts of ink", () => {
  const print = printed(LUSTRE);
  const model: Model = ([c, m, y]) => labOfXyz(print(c!, m!, y!, 0));

  it("finds amounts that look like any colour that the inks can make", () => {
    fc.assert(
      fc.property(amount, amount, amount, (c, m, y) => {
        const wanted = model([c, m, y]);
        const found = invert(model, wanted, [0.5, 0.5, 0.5]);
        expect(deltaE2000(model(found), wanted)).toBeLessThan(0.5);
      }),
      { numRuns: 150 },
    );
  });

  it("stays between no ink and all of it for colours that no ink makes", () => {
    const impossible: Lab[] = [
      [50, 120, 120],
      [100, 0, -80],
      [0, -60, 60],
    ];
    for (const wanted of impossible) {
      for (const found of invert(model, wanted, [0.5, 0.5, 0.5])) {
        expect(found).toBeGreaterThanOrEqual(0);
        expect(found).toBeLessThanOrEqual(1);
      }
    }
  });

  it("keeps to a wish where several mixtures look the same", () => {
    const four: Model = ([c, m, y, k]) => labOfXyz(print(c!, m!, y!, k!));
    const grey: Lab = four([0.5, 0.45, 0.45, 0.2]);
    const blackFor = (black: number) =>
      invert(four, grey, [0.5, 0.5, 0.5, black], { weight: 6, amounts: [null, null, null, black] })[3]!;
    expect(blackFor(0.1)).toBeLessThan(blackFor(0.5));
    expect(Math.abs(blackFor(0.3) - 0.3)).toBeLessThan(0.1);
  });
});
