import { expect, it } from "vitest";
import { contrast, laidOver } from "./contrast.ts";

it("is that of WCAG: 21 for black on white, 4.54 for #767676, the darkest grey that is often named as just enough", () => {
  expect(contrast("#000000", "#ffffff")).toBe(21);
  expect(contrast("#ffffff", "#ffffff")).toBe(1);
  expect(contrast("#767676", "#ffffff")).toBeCloseTo(4.54, 2);
  expect(contrast("#ffffff", "#777777")).toBeCloseTo(4.48, 2);
});

it("of what lies over something is told by what is seen: half white over black is grey 128", () => {
  expect(laidOver("#ffffff", 0.5, "#000000")).toBe("#808080");
  expect(laidOver("#123456", 1, "#ffffff")).toBe("#123456");
});
