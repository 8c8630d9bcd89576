import { expect, it } from "vitest";
import { paperById, PAPERS, prefersLetter, PRINT_SIZES } from "./index.ts";

it("has papers by their standards", () => {
  expect(paperById("a4")).toMatchObject({ width: 210_000, height: 297_000 }); // ISO 216
  expect(paperById("photo-10x15")).toMatchObject({ width: 101_600, height: 152_400 }); // 4 × 6 in
  expect(paperById("letter")).toMatchObject({ width: 215_900, height: 279_400 }); // 8.5 × 11 in
  expect(PRINT_SIZES.find(({ id }) => id === "id-1")).toMatchObject({ width: 53_980, height: 85_600 }); // ISO/IEC 7810
  expect(() => paperById("papyrus")).toThrow(RangeError);
});

it("keeps all papers upright, with ids of their own", () => {
  for (const { width, height } of PAPERS) expect(width).toBeLessThanOrEqual(height);
  expect(new Set(PAPERS.map(({ id }) => id)).size).toBe(PAPERS.length);
});

it("halves each ISO size into the next, rounded down to the millimetre (ISO 216, 4.3)", () => {
  for (const step of [2, 3, 4, 5, 6]) {
    const [larger, smaller] = [paperById(`a${step}`), paperById(`a${step + 1}`)];
    expect(smaller.height).toBe(larger.width);
    expect(smaller.width).toBe(Math.floor(larger.height / 2000) * 1000);
  }
});

it("knows who expects letter paper", () => {
  expect([
    prefersLetter("en-US"),
    prefersLetter("es-MX"),
    prefersLetter("en-GB"),
    prefersLetter("de"),
  ]).toEqual([true, true, false, false]);
});
