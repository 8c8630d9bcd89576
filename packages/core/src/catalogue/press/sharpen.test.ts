import { describe, expect, it } from "vitest";
import { mm } from "../../base/length/index.ts";
import { sharpening } from "./index.ts";

describe("sharpening for paper", () => {
  // tan 1′ = 0.000 290 888; 250 mm · that = 72.722 µm.
  it("is as wide as an eye resolves at 250 mm for what is held in the hand", () => {
    const badge = sharpening("normal", "glossy", { width: mm(35), height: mm(45) })!;
    expect(badge.radius).toBeCloseTo(72.722, 3);
    expect(badge.amount).toBeCloseTo(0.8, 9);
  });

  it("is wider for a print that is looked at from further away", () => {
    // 300 × 400 mm has a diagonal of 500 mm: twice 250.
    const wall = sharpening("high", "canvas", { width: mm(300), height: mm(400) })!;
    expect(wall.radius).toBeCloseTo(145.444, 3);
    expect(wall.amount).toBeCloseTo(1.6 * 1.4, 9);
  });

  it("is none where none is asked for", () => {
    expect(sharpening(null, "matte", { width: mm(35), height: mm(45) })).toBeNull();
    expect(sharpening("high", "none", { width: mm(35), height: mm(45) })).toBeNull();
  });
});
