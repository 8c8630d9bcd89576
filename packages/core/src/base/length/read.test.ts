import fc from "fast-check";
import { describe, expect, it } from "vitest";
import {
  readLength,
  readNumber,
  readSize,
  um,
  UNITS,
  writeLength,
  writeNumber,
  writeSize,
  type ReadOptions,
} from "./index.ts";

/** Countries with points and with commas, with spaces, strokes and points between thousands, and with other digits. */
const LOCALES = ["en-GB", "en-US", "de-DE", "fr-FR", "de-CH", "sv-SE", "ja-JP", "ar-EG", "hi-IN"];

const inMm = { unit: "mm" as const, ppi: 300 };
const read = (text: string, options: ReadOptions = inMm): number | string => {
  const reading = readLength(text, options);
  return reading.ok ? reading.length : reading.why;
};

/**
 * What is typed and what it means, in µm. Worked out by hand from 1 in = 25 400 µm, 1 ft = 12 in (international yard and
 * pound agreement, 1959) and 1 pt = 1/72 in (ISO 32000-2, 8.3.2.3). All in mm where nothing else is said.
 */
const EVERYWHERE: readonly [text: string, um: number][] = [
  // Units, and how people spell them.
  ["35mm", 35_000],
  ["35", 35_000],
  [" 35 mm ", 35_000],
  ["35\u00a0mm", 35_000],
  ["35 MM", 35_000],
  ["35 millimetres", 35_000],
  ["35 Millimeter", 35_000],
  ["35 мм", 35_000],
  ["35㎜", 35_000],
  ["３５ｍｍ", 35_000],
  ["٣٥ mm", 35_000],
  ["३५ mm", 35_000],
  ["3.5 cm", 35_000],
  ["3,5 Zentimeter", 35_000],
  ["1.2 m", 1_200_000],
  ["1,2 mètres", 1_200_000],
  ["4 in", 101_600],
  ["4 in.", 101_600],
  ["4in. + 1in.", 127_000],
  ["4 inches", 101_600],
  ['4"', 101_600],
  ["4″", 101_600],
  ["4”", 101_600],
  ["4''", 101_600],
  ["4′′", 101_600],
  ["4 Zoll", 101_600],
  ["4 zoll", 101_600],
  ["4 pouces", 101_600],
  ["4 po", 101_600],
  ["4 pulgadas", 101_600],
  ["4 pollici", 101_600],
  ["4 tum", 101_600],
  ["4 インチ", 101_600],
  ["4 дюйма", 101_600],
  ["2 ft", 609_600],
  ["2 feet", 609_600],
  ["2'", 609_600],
  ["2′", 609_600],
  ["2’", 609_600],
  ["72pt", 25_400],
  ["36 points", 12_700],
  ["300px", 25_400],
  ["150 pixels", 12_700],
  // Fractions.
  ["3 1/2 in", 88_900],
  ['3 1/2"', 88_900],
  ['3-1/2"', 88_900],
  ["3-1/2 in", 88_900],
  ["3–1/2 inches", 88_900],
  ["3½ in", 88_900],
  ["3 ½″", 88_900],
  ["½ in", 12_700],
  ["½", 500],
  ["¾ inch", 19_050],
  ["2⅜ in", 60_325],
  ["1/2in", 12_700],
  ["1⁄2 in", 12_700],
  ["1/2", 500],
  ["1 / 2 in", 12_700],
  ["10/4 in", 63_500],
  ["10 / 4 in", 63_500],
  ["3 1/2", 3_500],
  ["3 1/2 mm", 3_500],
  ["5 3/8 in", 136_525],
  ["1 15/16 in", 49_212.5 + 0.5],
  // Lengths said in parts.
  ["10 cm 5 mm", 105_000],
  ["10cm5mm", 105_000],
  ["1 m 20 cm", 1_200_000],
  ["1m 2cm 3mm", 1_023_000],
  ["2 ft 3 in", 685_800],
  ["2' 3\"", 685_800],
  ["2′3″", 685_800],
  ["2'3", 685_800],
  ["5' 6 1/2\"", 1_689_100],
  ["-2 ft 3 in", -685_800],
  // Decimals and thousands.
  ["1.5", 1_500],
  ["1,5", 1_500],
  [".5in", 12_700],
  [",5 in", 12_700],
  ["3. mm", 3_000],
  ["12,25 mm", 12_250],
  ["12.25 mm", 12_250],
  ["0.125 in", 3_175],
  ["0,125 in", 3_175],
  ["1 000", 1_000_000],
  ["1 000 mm", 1_000_000],
  ["1\u202f000,5 mm", 1_000_500],
  ["1 000.5 mm", 1_000_500],
  ["1.000,5", 1_000_500],
  ["1.000,5 mm", 1_000_500],
  ["1,000.5 mm", 1_000_500],
  ["1'000 mm", 1_000_000],
  ["1’000,5 mm", 1_000_500],
  ["1,234,567 px", 104_526_672.666 + 0.334],
  ["1.234.567 px", 104_526_673],
  ["12,34,567 px", 104_526_673],
  ["1٬000٫5 mm", 1_000_500],
  ["1234.5", 1_234_500],
  ["1234,5", 1_234_500],
  // Sums.
  ["1.5cm + 2mm", 17_000],
  ["1,5 cm", 15_000],
  ["210mm/3 - 2mm", 68_000],
  ["210/3 - 2", 68_000],
  ["210 ÷ 3", 70_000],
  ["210 – 3", 207_000],
  ["210 − 3", 207_000],
  ["210/3/2mm", 35_000],
  ["2 * (35 + 2)", 74_000],
  ["2 × (35 + 2)", 74_000],
  ["(35 + 2) × 2", 74_000],
  ["2 · 35", 70_000],
  ["35*45", 1_575_000],
  ["3 * 2cm", 60_000],
  ["(1 + 1) in", 50_800],
  ["-3mm + 5", 2_000],
  ["−3mm", -3_000],
  ["–3 mm", -3_000],
  ["\u200e-3mm", -3_000],
  ["35 + 2mm", 37_000],
  ["10 + 1 in", 35_400],
  ["1/2 in + 1/4 in", 19_050],
  ["2*(1/2 in)", 25_400],
  ["3 - 1/2", 2_500],
  ["210 - 1/2 in", 197_300],
  ["0", 0],
];

/** What is refused everywhere, and a part of the sentence that says so. */
const REFUSED: readonly [text: string, why: string][] = [
  ["", "no figure"],
  ["   ", "no figure"],
  ["35 furlong", "“furlong” is not a unit"],
  ["35 & 2", "not understood"],
  ["=35", "not understood"],
  ["35%", "not understood"],
  ["2mm*3mm", "an area"],
  ["10mm/2mm", "not by a length"],
  ["(2 + 3", "bracket is open"],
  ["2 + 3)", "left over"],
  ["2 +", "figure is missing"],
  ["mm", "figure is missing"],
  ["35mm mm", "left over"],
  ["35 45", "sign is missing"],
  ["35mm 45", "sign is missing"],
  ["5 mm 10 cm", "sign is missing"],
  ["10 cm 5 cm", "sign is missing"],
  ["1/0", "divides by nothing"],
  ["3 1/0 in", "divides by nothing"],
  ["9999999999999999 m", "longer than any paper"],
  ["35×45", "two lengths"],
  ["35x45", "two lengths"],
  ["35 x 45 mm", "two lengths"],
  ["35mmx45mm", "two lengths"],
  ["3 × 2cm", "two lengths"],
  ["8 1/2 by 11 in", "two lengths"],
  ["1.2.3", "not a number"],
  ["1,2.3,4", "not a number"],
  ["1.00,00.5", "not a number"],
  ["12,34,56", "not a number"],
  ["3-1/2", "3 and 1/2, or 3 less 1/2"],
  // What stands behind another one just like it says nothing of this one.
  ["3-1/2 in - 3-1/2", "3 and 1/2, or 3 less 1/2"],
  ["210-1/2 mm", "210 and 1/2, or 210 less 1/2"],
];

/** What depends on the country: its decimal sign says what the other one is; where that leaves two meanings, both are said. */
const BY_COUNTRY: readonly [locale: string, text: string, meaning: number | RegExp][] = [
  ["en-GB", "1,000 mm", /“1,000” can be 1000 or 1\.000\. Type 1000, or 1\.0\./],
  ["en-US", "1,000 mm", /can be 1000 or 1\.000/],
  ["ja-JP", "1,000 mm", /can be 1000 or 1\.000/],
  ["hi-IN", "1,000 mm", /can be 1000 or 1\.000/],
  ["de-CH", "1,000 mm", /can be 1000 or 1\.000/],
  ["de-DE", "1,000 mm", 1_000],
  ["fr-FR", "1,000 mm", 1_000],
  ["sv-SE", "1,250 mm", 1_250],
  ["en-GB", "1.000 mm", 1_000],
  ["en-US", "1.250 in", 31_750],
  ["ja-JP", "1.250 in", 31_750],
  ["de-CH", "1.250 in", 31_750],
  ["de-DE", "1.000 mm", /“1\.000” can be 1000 or 1,000\. Type 1000, or 1,0\./],
  ["fr-FR", "1.250 in", /can be 1250 or 1,250\. Type 1250, or 1,25\./],
  ["sv-SE", "1.000", /can be 1000 or 1,000/],
  ["en-GB", "0,125 in", 3_175],
  ["de-DE", "0.125 in", 3_175],
  ["en-GB", "1234,500", 1_234_500],
  ["de-DE", "1234.500", 1_234_500],
];

describe("readLength", () => {
  it("has a table of at least 150 inputs", () => {
    expect(EVERYWHERE.length + REFUSED.length + BY_COUNTRY.length).toBeGreaterThanOrEqual(150);
  });

  it.each(EVERYWHERE)("reads %s as %i µm in every country", (text, expected) => {
    for (const locale of LOCALES)
      expect([locale, read(text, { ...inMm, locale })]).toEqual([locale, expected]);
  });

  it.each(REFUSED)("says what is wrong with “%s”", (text, part) => {
    for (const locale of LOCALES)
      expect([locale, read(text, { ...inMm, locale })]).toEqual([locale, expect.stringContaining(part)]);
  });

  it.each(BY_COUNTRY)("%s reads %s as %s", (locale, text, meaning) => {
    const reading = read(text, { ...inMm, locale });
    if (typeof meaning === "number") expect(reading).toBe(meaning);
    else expect(reading).toMatch(meaning);
  });

  it("takes a bare figure in the reader's unit", () => {
    expect(read("4", { unit: "in", ppi: 300 })).toBe(101_600);
    expect(read("1/2", { unit: "in", ppi: 300 })).toBe(12_700);
    expect(read("3-1/2", { unit: "in", ppi: 300 })).toBe(88_900);
    expect(read("600", { unit: "px", ppi: 300 })).toBe(50_800);
  });

  it("reads back what it writes, in every unit and country, to half of its last decimal", () => {
    // The last decimals: 0.01 mm, 0.001 cm, 0.001 in, 0.1 pt; px are whole pixels or tenths of them at 300 ppi.
    const least = { mm: 5, cm: 5, in: 12.7, pt: 17.64, px: 4.24 };
    fc.assert(
      fc.property(
        fc.integer({ min: -3_000_000, max: 3_000_000 }),
        fc.constantFrom(...UNITS),
        fc.constantFrom(...LOCALES, "fa-IR", "bn-BD", "mr-IN", "he-IL", "en-IN", "pt-BR", "pl-PL"),
        (length, unit, locale) => {
          const options = { unit, ppi: 300, locale };
          const again = read(writeLength(um(length), options), options);
          expect(typeof again, String(again)).toBe("number");
          expect(Math.abs((again as number) - length)).toBeLessThanOrEqual(least[unit] + 0.5);
        },
      ),
      { numRuns: 3000 },
    );
  });
});

describe("readSize", () => {
  const size = (text: string, options: ReadOptions = inMm) => {
    const reading = readSize(text, options);
    return reading?.ok ? [reading.width, reading.height] : (reading?.why ?? null);
  };

  it.each([
    ["35×45", [35_000, 45_000]],
    ["35 x 45", [35_000, 45_000]],
    ["35 X 45 mm", [35_000, 45_000]],
    ["35 х 45 мм", [35_000, 45_000]],
    ["35mmx45mm", [35_000, 45_000]],
    ["3,5 × 4,5 cm", [35_000, 45_000]],
    ['4" x 6"', [101_600, 152_400]],
    ['4 x 6"', [101_600, 152_400]],
    ['4" x 6', [101_600, 152_400]],
    ['8 1/2 by 11"', [215_900, 279_400]],
    ["8½x11 in", [215_900, 279_400]],
    ["210/2 × 297/2", [105_000, 148_500]],
  ] as const)("reads %s as both sides", (text, expected) => {
    expect(size(text)).toEqual(expected);
  });

  it("leaves to others what is not of two lengths, and says what is wrong in one that is", () => {
    expect([size("35"), size("35*45"), size("2 × (35 + 2)")]).toEqual([null, null, null]);
    expect(size("35 ×")).toMatch(/no figure/);
    expect(size("35 × 45 furlong")).toMatch(/not a unit/);
    expect(size("1 × 2 × 3")).toMatch(/more than two/);
  });

  it("reads back what is written of a size", () => {
    for (const locale of LOCALES) {
      const written = writeSize({ width: um(88_900), height: um(127_000) }, { unit: "in", ppi: 300, locale });
      expect(size(written, { unit: "mm", ppi: 300, locale })).toEqual([88_900, 127_000]);
    }
  });
});

describe("readNumber", () => {
  it("reads a plain number as any country writes it, and nothing else", () => {
    const number = (text: string, locale?: string) => {
      const reading = readNumber(text, locale);
      return reading.ok ? reading.value : reading.why;
    };
    expect([number("1.5"), number("1,5"), number("½"), number("−3"), number("٣")]).toEqual([
      1.5, 1.5, 0.5, -3, 3,
    ]);
    expect([number("12", "ar-EG"), number("3 1/4"), number("2 * 12")]).toEqual([12, 3.25, 24]);
    for (const text of ["", "1 2", "3mm", "1/0", "x"]) expect(typeof number(text)).toBe("string");
    for (const locale of LOCALES) expect(number(writeNumber(1234.56, locale, 0, 2), locale)).toBe(1234.56);
  });
});
