import { describe, expect, it } from "vitest";
import {
  deltaE2000,
  evenness,
  labOf,
  personIn,
  replaceBackground,
  soften,
  type Pixels,
  type Plane,
} from "./index.ts";
import { plainBehind } from "./plain.ts";

/** A picture from a colour for every pixel. */
function picture(width: number, height: number, at: (x: number, y: number) => readonly number[]): Pixels {
  const data = new Uint8Array(width * height * 3);
  for (let i = 0; i < width * height; i++) data.set(at(i % width, Math.floor(i / width)), i * 3);
  return { data, width, height, channels: 3 };
}
const plane = (width: number, height: number, at: (x: number, y: number) => number): Plane => ({
  data: Float32Array.from({ length: width * height }, (_, i) => at(i % width, Math.floor(i / width))),
  width,
  height,
});
const inDisc = (x: number, y: number) => Math.hypot(x - 60, y - 80) < 40;

describe("CIEDE2000", () => {
  // Sharma, Wu and Dalal 2005, table 1: pairs 1, 2, 3, 4, 17, 25, 29 and 34.
  it.each([
    [[50, 2.6772, -79.7751], [50, 0, -82.7485], 2.0425],
    [[50, 3.1571, -77.2803], [50, 0, -82.7485], 2.8615],
    [[50, 2.8361, -74.02], [50, 0, -82.7485], 3.4412],
    [[50, -1.3802, -84.2814], [50, 0, -82.7485], 1.0],
    [[50, 2.5, 0], [73, 25, -18], 27.1492],
    [[60.2574, -34.0099, 36.2677], [60.4626, -34.1751, 39.4387], 1.2644],
    [[22.7233, 20.0904, -46.694], [23.0331, 14.973, -42.5619], 2.0373],
    [[2.0776, 0.0795, -1.135], [0.9033, -0.0636, -0.5514], 0.9082],
  ] as const)("%j to %j is %d", (a, b, apart) => {
    expect(deltaE2000(a, b)).toBeCloseTo(apart, 4);
    expect(deltaE2000(b, a)).toBeCloseTo(apart, 4);
  });

  it("takes sRGB to L*a*b* as Lindbloom's calculator does: red is 53.24, 80.09, 67.20", () => {
    const [l, a, b] = labOf(255, 0, 0);
    expect([l, a, b].map((value) => Math.round(value * 100) / 100)).toEqual([53.24, 80.09, 67.2]);
    expect(labOf(255, 255, 255)[0]).toBeCloseTo(100, 3);
  });
});

describe("a plain background", () => {
  const everywhere = () => true;

  it("is of its colours in their places, brighter to one side or not, by the density of a normal distribution", () => {
    // Brighter by a level a pixel, ±3 levels of grain in equal parts: a standard deviation of 3.
    const lit = picture(100, 99, (x, y) => [0, 1, 2].map(() => 60 + x + ((x + y) % 2 ? 3 : -3)));
    const often = plainBehind(lit, 1000, everywhere)!;
    // 1 000 levels cubed at one deviation in each of three channels: 1000 / (2π)^1.5 / 27 · e^(−3/2) = 0.525.
    expect(often.data[50 * 100 + 50]).toBeCloseTo(0.525, 1);
    const spotted = picture(100, 100, (x, y) => (x === 10 && y === 10 ? [160, 160, 160] : [100, 100, 100]));
    expect(plainBehind(spotted, 1000, everywhere)!.data[10 * 100 + 10]).toBeLessThan(1e-9);
  });

  it("is none with a pattern on it, nor where hardly any is seen", () => {
    const striped = picture(100, 100, (x) => (x % 20 < 10 ? [90, 90, 90] : [130, 130, 130]));
    expect(plainBehind(striped, 1000, everywhere)).toBeNull();
    const plain = picture(100, 100, () => [90, 90, 90]);
    expect(plainBehind(plain, 1000, (i) => i < 20)).toBeNull();
  });
});

describe("dividing a picture", () => {
  const scene = picture(120, 160, (x, y) => (inDisc(x, y) ? [180, 120, 90] : [90, 120, 160]));

  it("corrects a guess that is off by the edges in the picture", () => {
    const guess = plane(120, 160, (x, y) => (Math.hypot(x - 65, y - 84) < 38 ? 0.9 : 0.1));
    const side = personIn(scene, guess, []);
    const off = [...side].filter((value, i) => (value === 1) !== inDisc(i % 120, Math.floor(i / 120))).length;
    expect(off).toBe(0);
  });

  it("tells a coat from a plain background 14 levels off, however wrong the guess is about its edge", () => {
    // Both fall into the same bins of a histogram, and grain is on both.
    const grain = (x: number, y: number) => ((x * 7 + y * 13) % 5) - 2;
    const alike = picture(120, 160, (x, y) => {
      const shade = grain(x, y) + (inDisc(x, y) ? -14 : 0) + Math.round(y / 20);
      return [96 + shade, 102 + shade, 108 + shade];
    });
    const guess = plane(120, 160, (x, y) => (Math.hypot(x - 70, y - 88) < 44 ? 0.93 : 0.05));
    const side = personIn(alike, guess, []);
    const off = [...side].filter((value, i) => (value === 1) !== inDisc(i % 120, Math.floor(i / 120))).length;
    expect(off).toBeLessThan(0.01 * Math.PI * 40 ** 2);
  });

  it("does what strokes say, whatever the guess", () => {
    const guess = plane(120, 160, () => 0.5);
    const stroke = (keep: boolean, ...points: [number, number][]) => ({ keep, width: 0.05, points });
    const side = personIn(scene, guess, [
      stroke(true, [0.4, 0.5], [0.6, 0.5]),
      stroke(false, [0.05, 0.05], [0.95, 0.05]),
    ]);
    const off = [...side].filter((value, i) => (value === 1) !== inDisc(i % 120, Math.floor(i / 120))).length;
    expect(off).toBe(0);
    // The other way round it keeps what lies around, however that looks.
    const turned = personIn(scene, guess, [
      stroke(false, [0.4, 0.5], [0.6, 0.5]),
      stroke(true, [0.05, 0.05], [0.95, 0.05]),
    ]);
    expect(turned[80 * 120 + 60]).toBe(0);
    expect(turned[4 * 120 + 60]).toBe(1);
  });
});

describe("another background", () => {
  const scene = picture(120, 160, (x, y) => (inDisc(x, y) ? [180, 120, 90] : [0, 200, 0]));
  const hard = Uint8Array.from({ length: 120 * 160 }, (_, i) =>
    inDisc(i % 120, Math.floor(i / 120)) ? 1 : 0,
  );
  const mask = soften(scene, hard, 120, 160);
  const at = ({ data, width }: Pixels, x: number, y: number) => [
    ...data.subarray((y * width + x) * 3, (y * width + x) * 3 + 3),
  ];

  it("leaves the person as it was, and is the fill to the bit everywhere else", () => {
    const done = { ...scene, data: scene.data.slice() };
    replaceBackground(done, scene, mask, { kind: "flat", colour: "#f0f4f8" });
    expect(at(done, 60, 80)).toEqual([180, 120, 90]);
    for (const [x, y] of [
      [5, 5],
      [115, 150],
      [60, 20],
    ] as const)
      expect(at(done, x, y)).toEqual([0xf0, 0xf4, 0xf8]);
  });

  it("leaves no halo: nowhere is there more green than in person or fill", () => {
    const done = { ...scene, data: scene.data.slice() };
    replaceBackground(done, scene, mask, { kind: "flat", colour: "#ffffff" });
    for (let i = 0; i < 120 * 160; i++) {
      const [r, g] = [done.data[i * 3]!, done.data[i * 3 + 1]!];
      expect(g - r).toBeLessThanOrEqual(24);
    }
  });

  it("goes evenly from one colour to the other", () => {
    const done = { ...scene, data: scene.data.slice() };
    replaceBackground(done, scene, mask, { kind: "gradient", top: "#ffffff", bottom: "#5f5f5f" });
    // White at 0, #5f = 95 at 160 rows: row r is 255 − 160 · (r + 0.5) / 160 = 254.5 − r.
    expect(at(done, 3, 9)[0]).toBe(246);
    expect(at(done, 3, 149)[0]).toBe(106);
  });

  it("makes the edge fine again in a picture of four times the size", () => {
    const large = picture(480, 640, (x, y) =>
      inDisc(x / 4 - 0.375, y / 4 - 0.375) ? [180, 120, 90] : [0, 200, 0],
    );
    const done = { ...large, data: large.data.slice() };
    replaceBackground(done, scene, mask, { kind: "flat", colour: "#ffffff" });
    let wrong = 0;
    for (let y = 0; y < 640; y++) {
      for (let x = 0; x < 480; x++) {
        const isPerson = inDisc(x / 4 - 0.375, y / 4 - 0.375);
        const [, , blue] = at(done, x, y);
        if (isPerson !== blue! < 172) wrong++;
      }
    }
    // The edge is 2 π · 160 = 1005 pixels long.
    expect(wrong).toBeLessThan(500);
  });
});

describe("an even background", () => {
  const nobody = plane(160, 160, () => 0);

  it("is told by its deviation from what is wanted", () => {
    const grey = picture(160, 160, () => [200, 200, 200]);
    const found = evenness(grey, nobody, "#c8c8c8")!;
    expect(found).toMatchObject({ colour: "#c8c8c8", uneven: 0 });
    expect(found.deviation).toBeCloseTo(0, 9);
    // L* of 200 is 80.60, of 255 is 100; with SL = 1 + 0.015 · 40.3² / √(20 + 40.3²) = 1.6009 that is 12.12.
    expect(evenness(grey, nobody, "#ffffff")!.deviation).toBeCloseTo(12.12, 1);
  });

  it("says where it is worst, and looks at nothing of the person", () => {
    const scene = picture(160, 160, (x, y) => (x >= 130 && y < 30 ? [120, 120, 120] : [200, 200, 200]));
    const found = evenness(scene, nobody, "#c8c8c8")!;
    expect(found.worst.x).toBeGreaterThan(0.8);
    expect(found.worst.y).toBeLessThan(0.2);
    expect(found.worst.deviation).toBeGreaterThan(20);
    const covered = plane(160, 160, (x, y) => (x >= 125 && y < 35 ? 1 : 0));
    expect(evenness(scene, covered, "#c8c8c8")!.worst.deviation).toBeCloseTo(0, 9);
    expect(
      evenness(
        scene,
        plane(160, 160, () => 1),
        "#c8c8c8",
      ),
    ).toBeNull();
  });
});
