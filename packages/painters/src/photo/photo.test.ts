import { execFileSync } from "node:child_process";
import { readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { deflateSync } from "node:zlib";
import sharp from "sharp";
import { describe, expect, it } from "vitest";
import { quarters, testFolder } from "../testing/samples.ts";
import { BadPhoto, inspectPhoto, lightOf, makePreviews } from "../index.ts";

const folder = testFolder();
const path = (name: string) => join(folder, name);
const why = async (work: Promise<unknown>) => {
  const error = await work.then(
    () => null,
    (thrown: unknown) => thrown,
  );
  expect(error).toBeInstanceOf(BadPhoto);
  return (error as Error).message;
};

describe("inspectPhoto", () => {
  it.each(["jpeg", "png", "webp", "tiff", "avif"] as const)("reads %s by its content", async (format) => {
    const file = path(`mislabelled-${format}.txt`);
    await quarters(120, 80).toFormat(format).toFile(file);
    expect(await inspectPhoto(file)).toMatchObject({ format, width: 120, height: 80, depth: 8 });
    const { 320: small } = await makePreviews(file);
    expect(await sharp(small).metadata()).toMatchObject({ format: "jpeg", width: 120, height: 80 });
  });

  it("reads the turn and the exposure that exiftool wrote", async () => {
    const file = path("exposed.jpg");
    await quarters(120, 80).jpeg().toFile(file);
    execFileSync("exiftool", [
      "-q",
      "-overwrite_original",
      "-n",
      "-Orientation=6",
      "-Model=Field camera",
      "-ExposureTime=0.004",
      "-FNumber=5.6",
      "-ISO=400",
      "-FocalLength=85",
      "-DateTimeOriginal=2026:10:03 07:41:12",
      file,
    ]);
    expect(await inspectPhoto(file)).toMatchObject({
      width: 80,
      height: 120,
      orientation: 6,
      profile: null,
      exposure: {
        camera: "Field camera",
        shutter: 0.004,
        aperture: 5.6,
        iso: 400,
        focalLength: 85,
        takenAt: "2026-10-03T07:41:12",
      },
    });
    expect(await sharp((await makePreviews(file))[320]).metadata()).toMatchObject({ width: 80, height: 120 });
  });

  it("takes 16-bit and CMYK photos, and names profiles", async () => {
    await quarters(60, 40).toColourspace("rgb16").png().toFile(path("deep.png"));
    expect(await inspectPhoto(path("deep.png"))).toMatchObject({ depth: 16, space: "rgb" });
    await quarters(60, 40).toColourspace("cmyk").jpeg().toFile(path("cmyk.jpg"));
    expect(await inspectPhoto(path("cmyk.jpg"))).toMatchObject({ space: "cmyk" });
    await makePreviews(path("cmyk.jpg"));
    await quarters(60, 40).withIccProfile("p3").jpeg().toFile(path("wide.jpg"));
    expect((await inspectPhoto(path("wide.jpg"))).profile).toMatch(/p3/i);
  });

  it("refuses what is no photo, with a sentence", async () => {
    writeFileSync(path("letter.jpg"), "Dear ringers, the badges are ready.");
    expect(await why(inspectPhoto(path("letter.jpg")))).toMatch(/not a photo that can be read/);
    writeFileSync(path("empty.jpg"), "");
    expect(await why(inspectPhoto(path("empty.jpg")))).toMatch(/empty/);
    writeFileSync(path("drawing.jpg"), '<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"/>');
    expect(await why(inspectPhoto(path("drawing.jpg")))).toMatch(/This is a SVG file/);
  });

  it("finds a photo that was cut off", async () => {
    const whole = await quarters(800, 600).jpeg({ quality: 95 }).toBuffer();
    writeFileSync(path("cut.jpg"), whole.subarray(0, whole.length / 2));
    await inspectPhoto(path("cut.jpg"));
    expect(await why(makePreviews(path("cut.jpg")))).toMatch(/damaged or was cut off/);
  });

  it("refuses a 30 000 × 30 000 px PNG in an instant", async () => {
    writeFileSync(path("bomb.png"), bomb(30_000));
    const start = performance.now();
    expect(await why(inspectPhoto(path("bomb.png")))).toMatch(/30000 × 30000 px.*250 million/);
    expect(performance.now() - start).toBeLessThan(500);
    expect(readFileSync(path("bomb.png")).length).toBeLessThan(200_000);
  });
});

/** A PNG of one grey bit a pixel that unpacks to far more than it weighs (PNG, 3rd edition, 5.3 and 11.2.1). */
function bomb(side: number): Buffer {
  const chunk = (type: string, data: Buffer) => {
    const body = Buffer.concat([Buffer.from(type, "latin1"), data]);
    const framed = Buffer.alloc(body.length + 8);
    framed.writeUInt32BE(data.length, 0);
    body.copy(framed, 4);
    framed.writeUInt32BE(crc(body), body.length + 4);
    return framed;
  };
  const header = Buffer.alloc(13);
  header.writeUInt32BE(side, 0);
  header.writeUInt32BE(side, 4);
  header[8] = 1;
  const rows = deflateSync(Buffer.alloc((side / 8 + 1) * side));
  return Buffer.concat([
    Buffer.from([0x89, 0x50, 0x4e, 0x47, 13, 10, 26, 10]),
    chunk("IHDR", header),
    chunk("IDAT", rows),
    chunk("IEND", Buffer.alloc(0)),
  ]);
}

function crc(data: Buffer): number {
  let value = 0xffffffff;
  for (const byte of data) {
    value ^= byte;
    for (let bit = 0; bit < 8; bit++) value = value & 1 ? (value >>> 1) ^ 0xedb88320 : value >>> 1;
  }
  return (value ^ 0xffffffff) >>> 0;
}

describe("the light of a photo", () => {
  it("is known by its parts, a glint left out", async () => {
    // Left half #202020, right half #d0d0d0, with a white point in the dark half: one in 64 of its part.
    const pixels = Buffer.alloc(192 * 128 * 3, 0x20);
    for (let y = 0; y < 128; y++) pixels.fill(0xd0, 3 * (y * 192 + 96), 3 * (y + 1) * 192);
    pixels.fill(0xff, 3 * (40 * 192 + 40), 3 * (40 * 192 + 42));
    const raw = { width: 192, height: 128, channels: 3 } as const;
    const light = await lightOf(await sharp(pixels, { raw }).png().toBuffer());
    expect(light).toMatchObject({ columns: 12, rows: 8 });
    const parts = light.parts.match(/.{12}/g)!;
    expect(parts.slice(0, 6)).toEqual(Array(6).fill("202020202020"));
    expect(parts.slice(6, 12)).toEqual(Array(6).fill("d0d0d0d0d0d0"));
    expect(new Set(parts).size).toBe(2);
  });

  it.each([
    [320, 2],
    [4, 2],
    [2, 320],
  ])("is known of a picture of %i × %i px too", async (width, height) => {
    const light = await lightOf(await quarters(width, height).png().toBuffer());
    expect(light.parts).toHaveLength(12 * light.columns * light.rows);
  });
});
