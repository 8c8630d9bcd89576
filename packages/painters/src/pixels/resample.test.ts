import sharp from "sharp";
import { describe, expect, it } from "vitest";
import { LIGHT, meanLight } from "./light.ts";
import { resampled } from "./resample.ts";

/** One row of grey, of three channels, from a function of the pixel. */
function row(width: number, value: (x: number) => number, height = 1) {
  const data = new Uint8Array(width * height * 3);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++)
      data.fill(Math.round(value(x)), (y * width + x) * 3, (y * width + x) * 3 + 3);
  return { data, width, height, channels: 3 };
}

const AS_IT_IS = { start: 0, step: 1 };

/** How far right of a row’s beginning the light of it ends: the place of its edge from light to dark, in pixels. */
const edgeIn = (pixels: ArrayLike<number>): number => {
  let sum = 0;
  for (let i = 0; i < pixels.length; i += 3) sum += pixels[i]! / 255;
  return sum;
};

const SCALES = [0.1, 0.13, 0.25, 0.37, 0.5, 0.66, 0.9, 1, 1.1, 1.5, 2, 3.3, 5, 7.7, 10];

describe("what lies on the sheet at any size and place", () => {
  it.each(SCALES)(
    "has its edges where they are, at %s of its size and shifts in tenths of a pixel",
    async (step) => {
      // A sheet of 60 pixels; the edge lies about the middle of it.
      const width = Math.ceil(90 / step);
      const edge = Math.round(30 / step);
      const photo = row(width, (x) => (x < edge ? 255 : 0));
      for (let tenth = -10; tenth <= 10; tenth++) {
        const across = { start: tenth / 10, step };
        const box = { left: 0, top: 0, width: 60, height: 1 };
        const out = await resampled(photo, { across, down: AS_IT_IS }, box, 8, null);
        // By hand: the photo’s pixel `edge` begins at start + edge · step. Ringing evens out in the sum but for what is cut off.
        expect(Math.abs(edgeIn(out) - (tenth / 10 + edge * step))).toBeLessThan(0.1);
      }
    },
  );

  it("is the photo itself, pixel for pixel, where pixels lie on pixels", async () => {
    const photo = row(40, (x) => (x * 37) % 256, 3);
    const box = { left: 5, top: 1, width: 20, height: 2 };
    const out = await resampled(photo, { across: AS_IT_IS, down: AS_IT_IS }, box, 8, null);
    for (let y = 0; y < 2; y++)
      expect([...out.subarray(y * 60, y * 60 + 60)]).toEqual([
        ...photo.data.subarray(((y + 1) * 40 + 5) * 3, ((y + 1) * 40 + 25) * 3),
      ]);
  });

  it("goes on beside the photo as at its edge", async () => {
    const photo = row(4, () => 90);
    const box = { left: -3, top: -2, width: 12, height: 5 };
    const out = await resampled(photo, { across: { start: 0.4, step: 1.3 }, down: AS_IT_IS }, box, 8, null);
    expect(new Set(out)).toEqual(new Set([90]));
  });

  it("keeps sixteen bits", async () => {
    const photo = { data: Uint16Array.from({ length: 30 }, () => 40_001), width: 10, height: 1, channels: 3 };
    const box = { left: 0, top: 0, width: 5, height: 1 };
    const out = await resampled(photo, { across: { start: 0, step: 0.5 }, down: AS_IT_IS }, box, 16, null);
    expect(new Set(out)).toEqual(new Set([40_001]));
  });
});

/** cos(r² · π / size): its waves are as fine as two pixels at the edge, where r = size / 2 … and coarser inside. */
function zonePlate(size: number) {
  const data = new Uint8Array(size * size * 3);
  for (let y = 0; y < size; y++)
    for (let x = 0; x < size; x++) {
      const r2 = (x + 0.5 - size / 2) ** 2 + (y + 0.5 - size / 2) ** 2;
      data.fill(
        Math.round(127.5 + 127.5 * Math.cos((Math.PI * r2) / size)),
        (y * size + x) * 3,
        (y * size + x) * 3 + 3,
      );
    }
  return { data, width: size, height: size, channels: 3 };
}

/** How much is left, as root mean square, of waves that are too fine for pixels of this size: all of it is false. */
function falseWaves(pixels: ArrayLike<number>, side: number, step: number, size: number): number {
  let [sum, count] = [0, 0];
  for (let y = 0; y < side; y++)
    for (let x = 0; x < side; x++) {
      const [dx, dy] = [(x + 0.5) / step - size / 2, (y + 0.5) / step - size / 2];
      // Along an axis a wave has r / size cycles to a pixel of the photo; the sheet holds step / 2.
      const cycles = Math.max(Math.abs(dx), Math.abs(dy)) / size;
      if (cycles < 0.6 * step || cycles > 0.45) continue;
      sum += (pixels[(y * side + x) * 3]! - 127.5) ** 2;
      count++;
    }
  return Math.sqrt(sum / count);
}

describe("waves too fine for the sheet", () => {
  it.each([0.1, 0.25, 0.37, 0.5, 0.66])(
    "leave no more than sharp’s Lanczos leaves of them, at %s",
    async (step) => {
      const size = 400;
      const side = Math.round(size * step);
      const photo = zonePlate(size);
      const across = { start: 0, step: side / size };
      const box = { left: 0, top: 0, width: side, height: side };
      const ours = await resampled(photo, { across, down: across }, box, 8, null);
      const theirs = await sharp(photo.data, { raw: { width: size, height: size, channels: 3 } })
        .resize(side, side, { fit: "fill", kernel: "lanczos3" })
        .raw()
        .toBuffer();
      const left = falseWaves(ours, side, side / size, size);
      expect(left).toBeLessThanOrEqual(falseWaves(theirs, side, side / size, size) * 1.05 + 0.3);
    },
  );
});

describe("light", () => {
  // IEC 61966-2-1: half of the light is 255 · (1.055 · 0.5^(1/2.4) − 0.055) = 187.5.
  it("makes of black and white in turn the grey that sends as much", async () => {
    const board = row(64, (x) => (x % 2) * 255, 2);
    const box = { left: 0, top: 0, width: 16, height: 1 };
    const across = { start: 0, step: 0.25 };
    const byLight = await resampled(board, { across, down: AS_IT_IS }, box, 8, LIGHT);
    expect(byLight[24]).toBe(188);
    const byValue = await resampled(board, { across, down: AS_IT_IS }, box, 8, null);
    expect([127, 128]).toContain(byValue[24]);
  });

  it("keeps every value of a plain photo, of eight bits and of sixteen", async () => {
    const box = { left: 0, top: 0, width: 1, height: 1 };
    for (let v = 0; v < 256; v++) {
      const across = { start: 0, step: 0.25 };
      expect(
        (
          await resampled(
            row(4, () => v),
            { across, down: AS_IT_IS },
            box,
            8,
            LIGHT,
          )
        )[0],
      ).toBe(v);
    }
    for (const v of [0, 1, 100, 257, 3000, 40_001, 65_535]) {
      const photo = { data: Uint16Array.of(v, v, v), width: 1, height: 1, channels: 3 };
      const out = await resampled(photo, { across: AS_IT_IS, down: AS_IT_IS }, box, 16, LIGHT);
      expect(Math.abs(out[0]! - v)).toBeLessThanOrEqual(1);
    }
  });

  it("is the mean of squares, and of what is left of them at the edges", () => {
    // Five by three in squares of two: the last column and row are halves. Light of 255 is 1, of 0 is 0.
    const photo = row(5, (x) => (x === 4 ? 255 : x === 0 ? 255 : 0), 3);
    const { data, width, height } = meanLight(photo, 2);
    expect([width, height]).toEqual([3, 2]);
    expect([...data].filter((_, i) => i % 4 === 0)).toEqual([0.5, 0, 1, 0.5, 0, 1]);
  });
});
