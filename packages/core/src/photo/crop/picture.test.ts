import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { mm, um } from "../../base/length/index.ts";
import { COMPUTED_SHOT, dragged, placePicture, scaled, type Shot } from "./index.ts";

const cell = { x: um(0), y: um(0), width: mm(35), height: mm(45) };
const shot = (change: Partial<Shot> = {}): Shot => ({ photo: "p", ...COMPUTED_SHOT, ...change });

describe("placePicture", () => {
  it("fills a cell with a 2 : 3 photo: full width, height cropped evenly", () => {
    // 35 mm / 4000 px = 8.75 µm a pixel; 6000 px are 52.5 mm; (52.5 − 45)/2 = 3.75 mm off either end
    const picture = placePicture({ width: 4000, height: 6000 }, cell, cell, shot());
    expect(picture.placed).toEqual({ x: 0, y: -3750, width: 35_000, height: 52_500 });
    expect(picture.loss).toBeCloseTo(1 - 45 / 52.5, 6); // 14.3 %
    expect(picture.ppi).toBeCloseTo(25_400 / 8.75, 6); // 2902.9 ppi
    expect(picture.turn).toBe(0);
  });

  it("shows a whole photo with nothing lost", () => {
    // 45 mm / 6000 px = 7.5 µm a pixel; 4000 px are 30 mm; (35 − 30)/2 = 2.5 mm bare at the sides
    const picture = placePicture({ width: 4000, height: 6000 }, cell, cell, shot({ fit: "whole", scale: 3 }));
    expect(picture.placed).toEqual({ x: 2500, y: 0, width: 30_000, height: 45_000 });
    expect(picture.loss).toBe(0);
  });

  it("turns a lying photo to suit an upright cell, and never when told not to", () => {
    const photo = { width: 6000, height: 4000 };
    expect(placePicture(photo, cell, cell, shot({ turn: "suit" }))).toMatchObject({
      turn: 90,
      placed: { width: 35_000, height: 52_500 },
    });
    const never = placePicture(photo, cell, cell, shot({ turn: 0 }));
    expect(never).toMatchObject({ turn: 0, placed: { width: 67_500, height: 45_000 } });
    expect(never.loss).toBeCloseTo(1 - 35 / 67.5, 6);
  });

  it("covers the slack too, and counts the slack as lost", () => {
    const image = { x: um(-1000), y: um(-1000), width: mm(37), height: mm(47) };
    const picture = placePicture({ width: 370, height: 470 }, cell, image, shot());
    expect(picture.placed).toEqual(image);
    expect(picture.loss).toBeCloseTo(1 - (35 * 45) / (37 * 47), 9);
  });

  it("keeps a filled cell covered whatever centre and scale are asked for", () => {
    const px = fc.integer({ min: 1, max: 20_000 });
    const part = fc.double({ min: -5, max: 6, noNaN: true });
    fc.assert(
      fc.property(
        px,
        px,
        part,
        part,
        fc.double({ min: 0.05, max: 40, noNaN: true }),
        (width, height, x, y, scale) => {
          const { placed } = placePicture({ width, height }, cell, cell, shot({ centre: { x, y }, scale }));
          expect(placed.x).toBeLessThanOrEqual(0);
          expect(placed.y).toBeLessThanOrEqual(0);
          expect(placed.x + placed.width).toBeGreaterThanOrEqual(35_000);
          expect(placed.y + placed.height).toBeGreaterThanOrEqual(45_000);
        },
      ),
    );
  });
});

describe("moving and scaling", () => {
  const hold = (change: Partial<Shot> = {}) => ({
    photo: { width: 4000, height: 6000 },
    finished: cell,
    image: cell,
    shot: shot(change),
  });

  it("moves the photo by what the pointer moves, as far as the cell stays covered", () => {
    const down = dragged(hold(), 0, 2000);
    expect(placePicture(hold().photo, cell, cell, down).placed.y).toBe(-1750);
    const far = dragged(hold(), 9000, 9000);
    expect(placePicture(hold().photo, cell, cell, far).placed).toMatchObject({ x: 0, y: 0 });
    // What could not be moved is not remembered: moving back takes effect at once.
    expect(placePicture(hold().photo, cell, cell, dragged({ ...hold(), shot: far }, 0, -1000)).placed.y).toBe(
      -1000,
    );
  });

  it("scales around the middle of the cell, never below covering", () => {
    const double = scaled(hold(), 2);
    expect(placePicture(hold().photo, cell, cell, double).placed).toEqual({
      x: -17_500,
      y: -30_000,
      width: 70_000,
      height: 105_000,
    });
    expect(scaled(hold(), 0.1).scale).toBe(1);
    expect(scaled(hold({ fit: "free" }), 0.5)).toMatchObject({ scale: 0.5, centre: { x: 0.5, y: 0.5 } });
  });

  it("frees a whole photo that is taken hold of", () => {
    expect(dragged(hold({ fit: "whole" }), 1000, 0)).toMatchObject({ fit: "free", scale: 1 });
  });
});
