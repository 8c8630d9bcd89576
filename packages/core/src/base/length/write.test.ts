import fc from "fast-check";
import { expect, it } from "vitest";
import {
  edgePx,
  inch,
  mm,
  nearest,
  pixelBox,
  um,
  writeFigure,
  writeLength,
  writeMeasure,
  writeSize,
  writeSpan,
} from "./index.ts";

it("writes lengths in every unit", () => {
  const length = inch(3.5); // 88.9 mm, 8.89 cm, 252 pt, 1050 px at 300 ppi
  expect(writeLength(length, { unit: "mm", ppi: 300 })).toBe("88.9\u00a0mm");
  expect(writeLength(length, { unit: "cm", ppi: 300 })).toBe("8.89\u00a0cm");
  expect(writeLength(length, { unit: "in", ppi: 300 })).toBe("3.5\u00a0in");
  expect(writeLength(length, { unit: "pt", ppi: 300 })).toBe("252\u00a0pt");
  expect(writeLength(length, { unit: "px", ppi: 300 })).toBe("1050\u00a0px");
});

it("writes figures as the reader's country does, with decimals where columns should line up", () => {
  expect(writeFigure(um(77_250), { unit: "mm", ppi: 300, locale: "de-DE" })).toBe("77,25");
  expect(writeFigure(mm(35), { unit: "mm", ppi: 300, locale: "en-GB", least: 1 })).toBe("35.0");
  expect(writeSize({ width: mm(35), height: mm(45) }, { unit: "mm", ppi: 300 })).toBe(
    "35\u00a0×\u00a045\u00a0mm",
  );
});

it("refuses lengths that are not whole micrometres", () => {
  expect(() => um(0.5)).toThrow(RangeError);
  expect(Object.is(um(-0), 0)).toBe(true);
  expect(nearest(25_400 / 72)).toBe(353);
});

it("rounds edges, so that cells that touch share one pixel edge and none is off by more than half a pixel", () => {
  // 4 in at 300 ppi is 1200 px; 35 mm is 413.39 px.
  expect(edgePx(inch(4), 300)).toBe(1200);
  expect(pixelBox({ x: um(0), y: um(0), width: mm(35), height: mm(45) }, 300)).toEqual({
    left: 0,
    top: 0,
    width: 413,
    height: 531,
  });
  const side = fc.integer({ min: 1, max: 2_000_000 });
  fc.assert(
    fc.property(side, side, fc.integer({ min: 36, max: 2400 }), (x, width, ppi) => {
      const first = pixelBox({ x: um(0), y: um(0), width: um(x), height: um(1) }, ppi);
      const second = pixelBox({ x: um(x), y: um(0), width: um(width), height: um(1) }, ppi);
      expect(first.left + first.width).toBe(second.left);
      const exact = ((x + width) * ppi) / 25_400;
      expect(Math.abs(second.left + second.width - exact)).toBeLessThanOrEqual(0.5);
    }),
  );
});

const american = { unit: "in" as const, ppi: 300, locale: "en-US" };
const german = { unit: "mm" as const, ppi: 300, locale: "de-DE" };

// By hand: 1 in = 25.4 mm; what is round in the reader’s unit stays, what is round in the other alone goes there.
it.each([
  // [µm, for a reader of inches, for one of millimetres]
  [35_000, "35 mm", "35 mm"],
  [2_000, "2 mm", "2 mm"],
  [0, "0 in", "0 mm"],
  [25_400, "1 in", "25,4 mm"],
  [50_800, "2 in", "50,8 mm"],
  [88_900, "3.5 in", "88,9 mm"],
  [6_350, "0.25 in", "6,35 mm"],
  [3_175, "1/8 in", "1/8 in"],
  [1_588, "1/16 in", "1/16 in"],
  [9_525, "3/8 in", "3/8 in"],
  [212_725, "8 3/8 in", "8 3/8 in"],
  [215_900, "8.5 in", "215,9 mm"],
  [279_400, "11 in", "279,4 mm"],
  [210_000, "210 mm", "210 mm"],
  [254, "0.01 in", "0.01 in".replace(".", ",")],
  [150, "0.15 mm", "0,15 mm"],
  // Round in neither: the reader’s own.
  [33_333, "1.312 in", "33,33 mm"],
  [12_346, "0.486 in", "12,35 mm"],
] as const)(
  "shows %i µm as %s to a reader of inches and as %s to one of millimetres",
  (length, inches, mms) => {
    const plain = (text: string) => text.replaceAll("\u00a0", " ");
    expect(plain(writeLength(um(length), american))).toBe(inches);
    expect(plain(writeLength(um(length), german))).toBe(mms);
  },
);

it("shows both sides of a size in one unit, and what was measured in the reader’s", () => {
  const plain = (text: string) => text.replaceAll("\u00a0", " ");
  const size = (width: number, height: number) => ({ width: um(width), height: um(height) });
  expect(plain(writeSize(size(35_000, 45_000), american))).toBe("35 × 45 mm");
  expect(plain(writeSize(size(50_800, 88_900), american))).toBe("2 × 3.5 in");
  expect(plain(writeSize(size(50_800, 88_900), german))).toBe("50,8 × 88,9 mm");
  // 1 in is 25.4 mm, so both are round in mm; a sixteenth is round in inches alone, 35 mm in mm alone.
  expect(plain(writeSize(size(25_400, 35_000), american))).toBe("25.4 × 35 mm");
  expect(plain(writeSize(size(1_588, 35_000), american))).toBe("1/16 × 1.378 in");
  expect(plain(writeSize(size(215_900, 212_725), american))).toBe("8.5 × 8 3/8 in");
  expect(plain(writeSpan({ from: mm(32), to: mm(36) }, american))).toBe("32 to 36 mm");
  expect(plain(writeSpan({ from: inch(1), to: inch(1.375) }, american))).toBe("1 to 1 3/8 in");
  expect(plain(writeSpan({ from: mm(25), to: mm(25) }, german))).toBe("25 mm");
  expect(plain(writeMeasure(mm(35), american))).toBe("1.378 in");
});
