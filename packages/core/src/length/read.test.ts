import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { readLength, writeLength, um, type Unit } from "./index.ts";

const inMm = { unit: "mm" as const, ppi: 300 };
const value = (text: string, options: { unit: Unit; ppi: number } = inMm) => {
  const reading = readLength(text, options);
  if (!reading.ok) throw new Error(reading.why);
  return reading.length;
};
const why = (text: string) => {
  const reading = readLength(text, inMm);
  return reading.ok ? `read as ${reading.length}` : reading.why;
};

describe("readLength", () => {
  // Expected values worked out by hand from 1 in = 25 400 µm, 1 pt = 1/72 in.
  it.each([
    ["35mm", 35_000],
    ["35", 35_000],
    [" 35 mm ", 35_000],
    ["3 1/2 in", 88_900],
    ['3 1/2"', 88_900],
    ["1/2in", 12_700],
    ["1.5cm + 2mm", 17_000],
    ["1,5 cm", 15_000],
    ["210mm/3 - 2mm", 68_000],
    ["210/3 - 2", 68_000],
    ["2 * (35 + 2)", 74_000],
    ["(1 + 1) in", 50_800],
    ["72pt", 25_400],
    ["300px", 25_400],
    ["1.2 m", 1_200_000],
    ["-3mm + 5", 2_000],
    ["−3mm", -3_000],
    ["3 × 2cm", 60_000],
    [".5in", 12_700],
    ["35 + 2mm", 37_000],
    ["0", 0],
  ])("reads %s as %i µm", (text, expected) => {
    expect(value(text)).toBe(expected);
  });

  it("takes a bare figure in the reader's unit", () => {
    expect(value("4", { unit: "in", ppi: 300 })).toBe(101_600);
    expect(value("1/2", { unit: "in", ppi: 300 })).toBe(12_700);
    expect(value("600", { unit: "px", ppi: 300 })).toBe(50_800);
  });

  it.each([
    ["", "no figure"],
    ["35 furlong", "“furlong” is not a unit"],
    ["2mm*3mm", "an area"],
    ["10mm/2mm", "not by a length"],
    ["(2 + 3", "bracket is open"],
    ["2 +", "figure is missing"],
    ["35mm mm", "unit too many|left over"],
    ["35 45", "sign is missing"],
    ["1/0", "divides by nothing"],
    ["9999999999999999 m", "longer than any paper"],
    ["35 & 2", "not understood"],
  ])("says what is wrong with “%s”", (text, part) => {
    expect(why(text)).toMatch(new RegExp(part));
  });

  it("reads back to the micrometre what it writes in mm, for whole hundredths of a millimetre", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 300_000 }),
        fc.constantFrom("en-GB", "de-DE"),
        (hundredths, locale) => {
          const length = um(hundredths * 10);
          expect(value(writeLength(length, { unit: "mm", ppi: 300, locale }))).toBe(length);
        },
      ),
    );
  });
});
