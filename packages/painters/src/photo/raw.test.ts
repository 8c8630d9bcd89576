import { mkdtempSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import sharp from "sharp";
import { describe, expect, it } from "vitest";
import { pictureInRaw } from "./raw.ts";

const flat = (width: number, height: number, background: string) =>
  sharp({ create: { width, height, channels: 3, background } });
const file = (name: string, ...parts: Buffer[]): string => {
  const path = join(mkdtempSync(join(tmpdir(), "wide-quilt-raw-")), name);
  writeFileSync(path, Buffer.concat(parts));
  return path;
};
const thumbnail = () => flat(160, 120, "#808080").tiff({ compression: "none" }).toBuffer();
const sizeOf = async (picture: Buffer | null) => {
  const { width, height, orientation } = await sharp(picture!).metadata();
  return [width, height, orientation ?? 1];
};

describe("the picture that a camera put into a RAW file", () => {
  it("is the largest whole JPEG, whatever lies around it", async () => {
    const small = await flat(320, 240, "#404040").jpeg().toBuffer();
    const large = await flat(1800, 1200, "#a04020").jpeg().toBuffer();
    const cut = (await flat(4000, 3000, "#104020").jpeg().toBuffer()).subarray(0, -900);
    const path = file(
      "a.nef",
      await thumbnail(),
      small,
      Buffer.alloc(500, 0xff),
      large,
      Buffer.from([1, 2]),
      cut,
    );
    expect((await pictureInRaw(path))!.equals(large)).toBe(true);
    expect(
      (await pictureInRaw(file("b.raf", Buffer.from("FUJIFILMCCD-RAW 0201"), large)))!.equals(large),
    ).toBe(true);
  });

  it("is turned upright", async () => {
    const lying = await flat(1800, 1200, "#a04020").withMetadata({ orientation: 6 }).jpeg().toBuffer();
    expect(await sizeOf(await pictureInRaw(file("a.arw", await thumbnail(), lying)))).toEqual([
      1200, 1800, 1,
    ]);
  });

  it("is not looked for in a TIFF that is a photo itself, nor in files of other kinds", async () => {
    const tiff = await flat(900, 600, "#a04020").tiff().toBuffer();
    const small = await flat(320, 240, "#404040").jpeg().toBuffer();
    expect(await pictureInRaw(file("a.tif", tiff, small))).toBeNull();
    expect(await pictureInRaw(file("a.tif", await thumbnail()))).toBeNull();
    expect(await pictureInRaw(file("a.jpg", small))).toBeNull();
    expect(await pictureInRaw(file("a.nef", Buffer.from("II*\0"), Buffer.alloc(3000, 0xd8)))).toBeNull();
  });
});
