import { execFileSync } from "node:child_process";
import { mkdtempSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { decodeRaster, encodeRaster } from "./raster.ts";
import { HEADER, type RasterPage } from "./header.ts";

const page = (width: number, height: number, data: number[]): RasterPage => ({
  width,
  height,
  space: "srgb_8",
  ppi: 300,
  data: Uint8Array.from(data),
});

/** Bytes of ASCII base-85 (ISO 32000-1, 7.4.3). */
function ascii85(text: string): number[] {
  const bytes: number[] = [];
  const groups =
    text
      .replace(/\s/g, "")
      .replaceAll("z", "!!!!!")
      .match(/.{1,5}/g) ?? [];
  for (const group of groups) {
    const value = [...group.padEnd(5, "u")].reduce((sum, digit) => sum * 85 + digit.charCodeAt(0) - 33, 0);
    const four = Buffer.alloc(4);
    four.writeUInt32BE(value);
    bytes.push(...four.subarray(0, group.length - 1));
  }
  return bytes;
}

const [R, W] = [
  [255, 0, 0],
  [255, 255, 255],
] as const;

describe("PWG raster", () => {
  it("packs lines and pixels as the standard’s worked scheme says", () => {
    // Two equal lines of three reds and two whites: once repeated; 3 × red, 2 × white.
    const line = [...R, ...R, ...R, ...W, ...W];
    const bytes = encodeRaster([page(5, 2, [...line, ...line])]);
    expect(bytes.subarray(0, 4).toString()).toBe("RaS2");
    expect([...bytes.subarray(4 + HEADER)]).toEqual([1, 2, ...R, 1, ...W]);
    // Three that differ: 257 − 3.
    const mixed = encodeRaster([page(3, 1, [...R, ...W, 1, 2, 3])]);
    expect([...mixed.subarray(4 + HEADER)]).toEqual([0, 254, ...R, ...W, 1, 2, 3]);
  });

  it("gives any pixels back as they were", () => {
    const pages = fc.array(
      fc
        .tuple(
          fc.integer({ min: 1, max: 300 }),
          fc.integer({ min: 1, max: 6 }),
          fc.integer({ min: 1, max: 3 }),
        )
        .chain(([width, height, kinds]) =>
          fc
            .array(fc.integer({ min: 0, max: kinds }), {
              minLength: width * height,
              maxLength: width * height,
            })
            .map((values) =>
              page(
                width,
                height,
                values.flatMap((v) => [v * 60, 255 - v, v]),
              ),
            ),
        ),
      { minLength: 1, maxLength: 3 },
    );
    fc.assert(
      fc.property(pages, (some) => {
        expect(decodeRaster(encodeRaster(some))).toEqual(some);
      }),
      { numRuns: 60 },
    );
  });

  it("is read by CUPS: its own raster reader gives the same page and the same pixels", () => {
    const folder = mkdtempSync(join(tmpdir(), "wide-quilt-raster-"));
    const [width, height] = [200, 150];
    // A wedge of red across, of green down, and bars of blue: runs and differing pixels, equal lines and others.
    const data = Array.from({ length: width * height }, (_, i) => {
      const [x, y] = [i % width, Math.floor(i / width)];
      return [x < 100 ? x : 200, Math.floor(y / 3), x % 40 < 20 ? 10 : 240];
    }).flat();
    const path = join(folder, "page.pwg");
    writeFileSync(path, encodeRaster([page(width, height, data)]));
    const env = { ...process.env, CONTENT_TYPE: "image/pwg-raster", IPP_COPIES: "1" };
    const made = execFileSync("/usr/sbin/ippeveps", [path], { env, encoding: "latin1", stdio: "pipe" });
    expect(made).toContain("/Width 200/Height 1/BitsPerComponent 8");
    // 72 points an inch at 300 ppi.
    expect(made).toContain("0.240000 0.240000 scale");
    // Each line by its distance from the foot, the highest first.
    const lines = [...made.matchAll(/^(\d+) L\n([^~]+)~>/gm)];
    expect(lines.map(([, foot]) => Number(foot))).toEqual(
      Array.from({ length: height }, (_, y) => height - 1 - y),
    );
    expect(lines.flatMap(([, , text]) => ascii85(text!))).toEqual(data);
  });

  it("says what is no raster, and what ends too early", () => {
    const whole = encodeRaster([page(5, 1, [...R, ...W, ...R, ...W, ...R])]);
    expect(() => decodeRaster(Buffer.from("%PDF"))).toThrow("no PWG raster");
    expect(() => decodeRaster(whole.subarray(0, -4))).toThrow(RangeError);
    expect(() => decodeRaster(whole.subarray(0, 900))).toThrow(RangeError);
    const broken = Buffer.from(whole);
    broken.writeUInt32BE(16, 4 + 384);
    expect(() => decodeRaster(broken)).toThrow("a kind that is not read");
  });
});
