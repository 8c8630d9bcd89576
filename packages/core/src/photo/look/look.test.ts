import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { AS_IT_IS, curveThrough, LOOK_RANGES, lookChange, type Look } from "./index.ts";

const looked = (look: Partial<Look>, ...pixel: [number, number, number]) => {
  const pixels = Uint8Array.from(pixel);
  lookChange({ ...AS_IT_IS, ...look })?.(pixels, 3);
  return [...pixels];
};

const anyLook = fc.record({
  exposure: fc.double({ min: -3, max: 3, noNaN: true }),
  contrast: fc.double({ min: -1, max: 1, noNaN: true }),
  saturation: fc.double({ min: -1, max: 1, noNaN: true }),
  warmth: fc.double({ min: -1, max: 1, noNaN: true }),
  fade: fc.double({ min: 0, max: 1, noNaN: true }),
  mono: fc.double({ min: 0, max: 1, noNaN: true }),
  pale: fc.double({ min: 0, max: 1, noNaN: true }),
  curve: fc.constant<Look["curve"]>([]),
});

describe("a look", () => {
  it("that changes nothing is none", () => expect(lookChange(AS_IT_IS)).toBeNull());

  it.each<[string, Partial<Look>, [number, number, number], [number, number, number]]>([
    // Linear light of 128 is 0.2159 (IEC 61966-2-1); twice that is 0.4317, encoded 0.68845 · 255 = 175.6;
    // half of it is 0.1079, encoded 0.36225 · 255 = 92.4.
    ["one stop more", { exposure: 1 }, [128, 128, 128], [176, 176, 176]],
    ["one stop less", { exposure: -1 }, [128, 128, 128], [92, 92, 92]],
    // Rec. 709: 0.2126 · 200 + 0.7152 · 100 + 0.0722 · 50 = 117.65.
    ["mono", { mono: 1 }, [200, 100, 50], [118, 118, 118]],
    ["no saturation", { saturation: -1 }, [200, 100, 50], [118, 118, 118]],
    // From the grey of 117.65: half the distance again outwards, 241.2, 91.2, 16.2.
    ["more saturation", { saturation: 0.5 }, [200, 100, 50], [241, 91, 16]],
    // 255 − (255 − v) · 0.25
    ["pale", { pale: 0.75 }, [0, 100, 255], [191, 216, 255]],
    ["fade of black and white", { fade: 1 }, [0, 0, 0], [56, 56, 56]],
    ["contrast leaves the middle and the ends", { contrast: 1 }, [0, 0, 0], [0, 0, 0]],
  ])("%s", (_, look, before, after) => expect(looked(look, ...before)).toEqual(after));

  it("with more contrast is darker below and lighter above the middle, by the same", () => {
    const [dark] = looked({ contrast: 0.5 }, 64, 64, 64);
    const [light] = looked({ contrast: 0.5 }, 191, 191, 191);
    expect(dark).toBeLessThan(64);
    expect(light! - 191).toBe(64 - dark!);
  });

  it("that is warm has more red and less blue of a grey, and a cold one the reverse", () => {
    const [r, g, b] = looked({ warmth: 1 }, 128, 128, 128);
    expect([r! > 128, g === 128, b! < 128]).toEqual([true, true, true]);
    expect(looked({ warmth: -1 }, 128, 128, 128)[0]).toBeLessThan(128);
  });

  it("leaves alpha alone and never turns tones round", () => {
    fc.assert(
      fc.property(anyLook, (look) => {
        const greys = Uint8Array.from({ length: 256 * 4 }, (_, i) => (i % 4 === 3 ? 77 : i >> 2));
        lookChange(look)?.(greys, 4);
        for (let v = 0; v < 256; v++) {
          expect(greys[v * 4 + 3]).toBe(77);
          if (v > 0) expect(greys[v * 4 + 1]!).toBeGreaterThanOrEqual(greys[(v - 1) * 4 + 1]!);
        }
      }),
      { numRuns: 60 },
    );
  });

  it("has ranges around what changes nothing", () => {
    for (const [figure, { least, most }] of Object.entries(LOOK_RANGES)) {
      expect(AS_IT_IS[figure as "fade"]).toBeGreaterThanOrEqual(least);
      expect(most).toBeGreaterThan(least);
    }
  });
});

describe("a tone curve", () => {
  const tone = fc.integer({ min: 0, max: 1000 }).map((n) => n / 1000);

  it("goes through its points, straight without any", () => {
    expect([0, 0.3, 1].map(curveThrough([]))).toEqual([0, 0.3, 1]);
    const curve = curveThrough([
      { x: 0.25, y: 0.1 },
      { x: 0.75, y: 0.9 },
    ]);
    for (const [x, y] of [
      [0, 0],
      [0.25, 0.1],
      [0.75, 0.9],
      [1, 1],
    ] as const)
      expect(curve(x)).toBeCloseTo(y, 12);
  });

  it("never leaves the range of the points it lies between", () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.record({ x: tone, y: tone }), { maxLength: 8, selector: ({ x }) => x }),
        (points) => {
          const curve = curveThrough(points);
          const all = [{ x: 0, y: 0 }, { x: 1, y: 1 }, ...points].sort((a, b) => a.x - b.x);
          // A point at an end takes the place of that end.
          const ends = all.filter((p) => !points.some((own) => own !== p && own.x === p.x));
          for (let i = 1; i < ends.length; i++) {
            const [p, q] = [ends[i - 1]!, ends[i]!];
            const [low, high] = [Math.min(p.y, q.y) - 1e-9, Math.max(p.y, q.y) + 1e-9];
            for (const t of [0.1, 0.5, 0.9]) {
              const y = curve(p.x + (q.x - p.x) * t);
              expect(y).toBeGreaterThanOrEqual(low);
              expect(y).toBeLessThanOrEqual(high);
            }
          }
        },
      ),
    );
  });
});
