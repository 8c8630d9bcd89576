import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { grown, type Rect } from "../../base/geometry/index.ts";
import { mm, um } from "../../base/length/index.ts";
import { DOCUMENT_RULES, ruleById, type DocumentRule } from "../../catalogue/rules/index.ts";
import { eyesOffLevel, measureFace, placeFace, sayShort, type Face } from "./index.ts";

const EXACT = 10; // µm: a hundredth of a millimetre

const rect = (width: number, height: number): Rect => ({
  x: um(0),
  y: um(0),
  width: um(width),
  height: um(height),
});
const piece = ({ size }: DocumentRule, slack = 0) => {
  const finished = rect(size.width, size.height);
  return { finished, cover: grown(finished, um(slack)) };
};

/** A head drawn in pixels of a photo: crown above chin, eyes at a share of the way down, turned about its middle. */
function head(
  photo: { width: number; height: number },
  {
    x,
    crown,
    height,
    width = 0.72 * height,
    turned = 0,
  }: { x: number; crown: number; height: number; width?: number; turned?: number },
): Face {
  const middle = { x, y: crown + height / 2 };
  const radians = (turned * Math.PI) / 180;
  const at = (dx: number, dy: number) => ({
    x: (middle.x + dx * Math.cos(radians) - dy * Math.sin(radians)) / photo.width,
    y: (middle.y + dx * Math.sin(radians) + dy * Math.cos(radians)) / photo.height,
  });
  return {
    crown: at(0, -height / 2),
    skull: null,
    chin: at(0, height / 2),
    leftEye: at(-0.15 * height, 0),
    rightEye: at(0.15 * height, 0),
    ears: { left: at(-width / 2, 0.05 * height), right: at(width / 2, 0.05 * height) },
    sure: true,
    pose: null,
  };
}

const PHOTO = { width: 3000, height: 4000 };

function placed(face: Face, rule: DocumentRule, photo = PHOTO, slack = 0) {
  const on = piece(rule, slack);
  const placement = placeFace(face, photo, on, rule)!;
  return { placement, measured: measureFace(face, photo, on, placement.sits, rule) };
}
const figure = (measured: ReturnType<typeof measureFace>, name: string) =>
  measured.figures.find((one) => one.name === name)!.value!;

describe("measuring a face on its piece", () => {
  it("gives the millimetres of a crop worked out by hand", () => {
    // A photo of 3500 × 4500 px fills 35 × 45 mm at 10 µm a pixel. Crown at 400 px, chin at 3800, eyes at 2100.
    const photo = { width: 3500, height: 4500 };
    const face = head(photo, { x: 1750, crown: 400, height: 3400, width: 2000 });
    const rule: DocumentRule = {
      ...ruleById("iso-full-frontal"),
      aboveCrown: { from: mm(3), to: mm(5) },
      belowChin: { from: mm(8), to: mm(9) },
    };
    const sits = { fit: "fill", scale: 1, centre: { x: 0.5, y: 0.5 }, turn: 0, level: 0 } as const;
    const { figures, slant, aside } = measureFace(face, photo, piece(rule), sits, rule);
    const values = Object.fromEntries(figures.map(({ name, value, passes }) => [name, [value, passes]]));
    expect(values).toEqual({
      headHeight: [expect.closeTo(34_000, 6), true],
      aboveCrown: [expect.closeTo(4000, 6), true],
      eyeLine: [expect.closeTo(24_000, 6), true],
      headWidth: [expect.closeTo(20_000, 6), true],
      belowChin: [expect.closeTo(7000, 6), false],
    });
    expect(slant).toBeCloseTo(0, 9);
    expect(aside).toBeCloseTo(0, 6);
  });

  it("measures a photo that was turned by the angle it was turned by", () => {
    // The head leans 5° to the right; levelled by −5° about the middle of the cell, where the middle of the head is.
    const photo = { width: 3500, height: 4500 };
    const face = head(photo, { x: 1750, crown: 1250, height: 2000, turned: 5 });
    expect(eyesOffLevel(face, photo)).toBeCloseTo(-5, 9);
    const rule = ruleById("icao-portrait");
    const sits = { fit: "free", scale: 1, centre: { x: 0.5, y: 0.5 }, turn: 0, level: -5 } as const;
    const { figures, slant, at } = measureFace(face, photo, piece(rule), sits, rule);
    // “free” at scale 1 covers the leaning box: 35 · cos 5° + 45 · sin 5° = 38.789 mm for 3500 px.
    const perPixel = (35_000 * Math.cos(Math.PI / 36) + 45_000 * Math.sin(Math.PI / 36)) / 3500;
    expect(slant).toBeCloseTo(0, 9);
    expect(Math.abs(figures[0]!.value! - 2000 * perPixel)).toBeLessThan(EXACT);
    expect(Math.abs(at(face.leftEye).y - at(face.rightEye).y)).toBeLessThan(1);
  });
});

describe("placing a face by a rule", () => {
  it("puts the head in the middle of its range: 34 mm of 32…36, 4 mm below the upper edge of 2…6", () => {
    const face = head(PHOTO, { x: 1500, crown: 1000, height: 1700 });
    const { placement, measured } = placed(face, ruleById("jp-passport"));
    expect(placement).toMatchObject({ off: 0, short: null, contradicts: false });
    expect(Math.abs(figure(measured, "headHeight") - 34_000)).toBeLessThan(EXACT);
    expect(Math.abs(figure(measured, "aboveCrown") - 4000)).toBeLessThan(EXACT);
    expect(Math.abs(measured.aside)).toBeLessThan(EXACT);
  });

  it("goes as far as the range when the photo ends: only 3 mm of photo above the hair", () => {
    // 1700 px of head at 36 mm is 21.2 µm a px. 150 px above the crown are 3.2 mm then, 2.8 mm at 32 mm.
    const face = head(PHOTO, { x: 1500, crown: 150, height: 1700 });
    const { placement, measured } = placed(face, ruleById("jp-passport"));
    expect(placement.off).toBe(0);
    expect(measured.figures.every(({ passes }) => passes)).toBe(true);
    const [headHeight, above] = [figure(measured, "headHeight"), figure(measured, "aboveCrown")];
    expect(Math.abs(above - (150 / 1700) * headHeight)).toBeLessThan(EXACT);
  });

  it("says what is missing and by how much when no crop meets the rule", () => {
    // 40 px above the crown of a head of 1700 px: at 36 mm that is 0.85 mm, and the rule wants 2. Nearest: as much too
    // large a head as too little above it: 40/1700 · u = 2 − v and u = 36 + v, so v = (2 − 0.847) / (1 + 40/1700) = 1.126.
    const face = head(PHOTO, { x: 1500, crown: 40, height: 1700 });
    const { placement, measured } = placed(face, ruleById("jp-passport"));
    expect(Math.abs(placement.off - 1126)).toBeLessThan(EXACT);
    expect(Math.abs(figure(measured, "headHeight") - 37_126)).toBeLessThan(EXACT);
    expect(measured.figures.map(({ passes }) => passes)).toEqual([false, false]);
    // The best crop of a photo without end: 34 mm of head with 4 mm above; 40 px are 0.8 mm of them.
    expect(Math.abs(placement.short!.top - 3200)).toBeLessThan(EXACT);
    expect(sayShort(placement, { unit: "mm", ppi: 300 })).toBe(
      "The photo needs 3.2\u00a0mm more above the head: step back and take it again.",
    );
  });

  it("says so when head and rule contradict each other, whatever the photo", () => {
    // As broad as it is high: 28…33 mm of height cannot go with 15…22 mm of width.
    const face = head(PHOTO, { x: 1500, crown: 1000, height: 1700, width: 1700 });
    const { placement } = placed(face, ruleById("cn-passport"));
    expect(placement.contradicts).toBe(true);
    expect(sayShort(placement, { unit: "mm", ppi: 300 })).toMatch(/contradict each other/);
  });

  it("levels the eyes, and leaves them slanted where the photo has no room to be turned", () => {
    const rule = ruleById("icao-portrait");
    const roomy = head(PHOTO, { x: 1500, crown: 1000, height: 1600, turned: 7 });
    const level = placed(roomy, rule);
    expect(level.placement.off).toBe(0);
    expect(level.placement.sits.level).toBeCloseTo(-7, 9);
    expect(Math.abs(level.measured.slant)).toBeLessThan(1e-9);
    // Exactly as wide as the crop at the tallest head: turned by 7° its corners would be bare.
    const photo = { width: 1556, height: 2000 };
    const tight = placed(head(photo, { x: 778, crown: 200, height: 1600, turned: 2 }), rule, photo);
    expect(tight.placement.off).toBe(0);
    expect(tight.placement.sits.level).toBe(0);
  });

  it("measures the skull where the rule does not count the hair", () => {
    const face = { ...head(PHOTO, { x: 1500, crown: 900, height: 1700 }), skull: { x: 0.5, y: 1000 / 4000 } };
    const rule = ruleById("de-passport");
    const { measured } = placed(face, rule);
    expect(rule.crown).toBe("skull");
    expect(Math.abs(figure(measured, "headHeight") - 34_000)).toBeLessThan(EXACT);
    const hair = measured.at(face.chin).y - measured.at(face.crown).y;
    expect(Math.abs(hair - (34_000 * 1700) / 1600)).toBeLessThan(EXACT);
  });

  it("keeps hair that is not counted on the piece, with the smallest head that the rule takes if it must", () => {
    // A skull of 1600 px under 600 px of hair: at 34 mm of 32…36 the hair takes 12.75 mm, and 45 − 34 = 11 are left.
    // 0.375 u ≤ t and u + t ≤ 45, so that u ≤ 32.7: the head becomes smaller, and no hair is cut.
    const face = { ...head(PHOTO, { x: 1500, crown: 700, height: 2200 }), skull: { x: 0.5, y: 1300 / 4000 } };
    const { placement, measured } = placed(face, {
      ...ruleById("de-passport"),
      belowChin: { from: um(0), to: um(9000) },
    });
    expect(placement.off).toBe(0);
    expect(measured.at(face.crown).y).toBeGreaterThan(-EXACT);
    expect(figure(measured, "headHeight")).toBeLessThan(45_000 / 1.375 + EXACT);
    // Where even that leaves no room the rule comes first: 0.75 · 32 mm of hair and 32 of head are more than 45.
    const high = { ...face, crown: { x: 0.5, y: 100 / 4000 } };
    expect(placed(high, ruleById("de-passport")).placement.off).toBe(0);
  });

  it("keeps the slack inside the photo too", () => {
    const photo = { width: 1400, height: 1800 };
    const face = head(photo, { x: 700, crown: 180, height: 1350 });
    const rule = ruleById("icao-portrait");
    const on = piece(rule, 2000);
    const { sits } = placeFace(face, photo, on, rule)!;
    expect(sits.scale).toBeGreaterThanOrEqual(1);
    for (const share of [sits.centre.x, sits.centre.y]) expect(share).toBeGreaterThan(0);
  });

  it("always meets the rule to a hundredth of a millimetre in a photo with room around, for every rule", () => {
    const proportions = fc.record({
      x: fc.integer({ min: 2700, max: 3300 }),
      crown: fc.integer({ min: 2400, max: 2800 }),
      height: fc.integer({ min: 900, max: 1500 }),
      turned: fc.integer({ min: -12, max: 12 }),
    });
    const photo = { width: 6000, height: 6500 };
    fc.assert(
      fc.property(proportions, fc.constantFrom(...DOCUMENT_RULES), (drawn, rule) => {
        const face = head(photo, { ...drawn, width: 0.62 * drawn.height });
        const { placement, measured } = placed(face, rule, photo);
        if (placement.contradicts) return;
        expect(placement.off).toBe(0);
        for (const { value, allowed } of measured.figures) {
          expect(value!).toBeGreaterThan(allowed.from - EXACT);
          expect(value!).toBeLessThan(allowed.to + EXACT);
        }
        expect(Math.abs(measured.aside)).toBeLessThan(EXACT);
        expect(Math.abs(measured.slant)).toBeLessThan(1e-6);
      }),
      { numRuns: 150 },
    );
  });
});
