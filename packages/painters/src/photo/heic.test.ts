import { readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import sharp from "sharp";
import { beforeAll, describe, expect, it } from "vitest";
import { BadPhoto, developHeic, inspectPhoto } from "../index.ts";
import { measure, quarters, testFolder } from "../testing/samples.ts";

const folder = testFolder();
const heic = join(folder, "telephone.heic");

beforeAll(async () => {
  const jpeg = join(folder, "from.jpg");
  await quarters(640, 480)
    .withExif({
      IFD0: { Make: "Tern", Model: "Pocket" },
      IFD2: { ExposureTime: "1/60", ISOSpeedRatings: "80" },
    })
    .jpeg({ quality: 95 })
    .toFile(jpeg);
  measure("/usr/bin/heif-enc", "-q", "90", jpeg, "-o", heic);
});

describe("a HEIC photo", () => {
  it("is known by its content, with its exposure", async () => {
    expect(await inspectPhoto(heic)).toMatchObject({
      format: "heic",
      width: 640,
      height: 480,
      exposure: { camera: "Tern Pocket", iso: 80 },
    });
  });

  it("is developed to a JPEG of the same picture", async () => {
    const jpeg = await developHeic(heic);
    const { data, info } = await sharp(jpeg).raw().toBuffer({ resolveWithObject: true });
    expect([info.width, info.height]).toEqual([640, 480]);
    const at = (x: number, y: number) => [...data.subarray((y * 640 + x) * 3, (y * 640 + x) * 3 + 3)];
    const close = (pixel: number[], wanted: number[]) =>
      pixel.every((value, c) => Math.abs(value - wanted[c]!) <= 12);
    expect(close(at(100, 100), [255, 0, 0])).toBe(true);
    expect(close(at(500, 100), [0, 255, 0])).toBe(true);
    expect(close(at(100, 400), [0, 0, 255])).toBe(true);
  });

  it("that was cut off is refused with a sentence", async () => {
    const cut = join(folder, "cut.heic");
    writeFileSync(cut, readFileSync(heic).subarray(0, 700));
    await expect(developHeic(cut)).rejects.toThrow(BadPhoto);
  });
});
