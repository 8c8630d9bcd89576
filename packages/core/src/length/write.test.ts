import { expect, it } from "vitest";
import { inch, mm, nearest, pixelBox, um, writeFigure, writeLength, writeSize, edgePx } from "./index.ts";
import fc from "fast-check";

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
