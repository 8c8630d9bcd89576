import { execFileSync } from "node:child_process";
import { readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { describe, expect, it } from "vitest";
import { builtInProfile } from "@wide-quilt/colour";
import { applyEdit, arrange, deltaE2000, freshJob, type Intent, type Job, type Lab } from "@wide-quilt/core";
import { demoProfiles } from "@wide-quilt/demo";
import sharp from "sharp";
import {
  encodeSheet,
  NotEncoded,
  paintSheet,
  paintSpace,
  type FileAbout,
  type PixelFormat,
} from "./index.ts";
import { withoutTelling } from "./pixels/container/jpeg.ts";
import { measure, testFolder } from "./testing/samples.ts";

const folder = testFolder();
const [inkjet, press] = demoProfiles().map(({ profile }) => profile) as [Buffer, Buffer];
const SIZE = { width: 480, height: 320 };

/** A chart of 4 × 5 fields of flat colour that fills one cell of 4 × 6 in paper. */
const FIELDS = Array.from({ length: 20 }, (_, i) => [
  (i * 67 + 20) % 256,
  (i * 151 + 90) % 256,
  (i * 29 + 40) % 256,
]);
async function chart(name: string, profile?: Buffer): Promise<string> {
  const data = Buffer.alloc(SIZE.width * SIZE.height * 3);
  for (let y = 0; y < SIZE.height; y++) {
    for (let x = 0; x < SIZE.width; x++) {
      const field = FIELDS[Math.floor(y / 80) * 5 + Math.floor(x / 96)]!;
      field.forEach((v, c) => (data[(y * SIZE.width + x) * 3 + c] = v));
    }
  }
  const path = join(folder, `${name}.tif`);
  await sharp(data, { raw: { ...SIZE, channels: 3 } })
    .png()
    .toFile(`${path}.png`);
  if (!profile) return `${path}.png`;
  const icc = join(folder, `${name}.icc`);
  writeFileSync(icc, profile);
  // Marked by ImageMagick, so that nothing of ours says what the colours mean.
  measure(
    "/usr/bin/convert",
    `${path}.png`,
    "+profile",
    "*",
    "-set",
    "colorspace",
    "sRGB",
    "-profile",
    icc,
    path,
  );
  return path;
}

const job = (): Job => {
  let of = freshJob("single", "Chart");
  of = applyEdit(of, { do: "add photos", photos: [{ id: "chart", name: "chart.png" }] });
  return applyEdit(of, { do: "finish", change: { marks: { ...of.finish.marks, kind: "none" } } });
};

const ABOUT: FileAbout = {
  title: "Dünen & Möwen <2026>",
  creator: "Marram Spit",
  copyright: "© 2026 Marram Spit",
  date: new Date(Date.UTC(2026, 10, 25, 12, 30, 5)),
  place: null,
};

interface How {
  /** The profile to write for; null for no colour management. */
  profile?: Buffer | null;
  intent?: Intent;
}

const [plan] = arrange(job(), { chart: SIZE });

async function written(
  photo: string,
  as: PixelFormat,
  { profile, intent = "relative" }: How = {},
): Promise<string> {
  const out =
    profile === null ? null : { profile: profile ?? builtInProfile("srgb")!, intent, blackPoint: false };
  const space = await paintSpace(out, as.depth ?? 8);
  const sheet = await paintSheet(plan!, () => photo, {}, { space, medium: "none" });
  const path = join(folder, `sheet-${written.count++}.${as.format}`);
  writeFileSync(path, await encodeSheet(sheet, 300, as, ABOUT));
  return path;
}
written.count = 0;

/** The middle of each field of the chart on the sheet, as ImageMagick reads the file's own samples, 0…255. */
function fields(path: string): number[][] {
  const { placed } = plan!.cells[0]!.picture!;
  const px = (um: number) => Math.round((um * 300) / 25_400);
  const at = FIELDS.map((_, i) => {
    const x = px(placed.x + ((i % 5) + 0.5) * (placed.width / 5));
    const y = px(placed.y + (Math.floor(i / 5) + 0.5) * (placed.height / 4));
    return `%[fx:255*p{${x},${y}}.r] %[fx:255*p{${x},${y}}.g] %[fx:255*p{${x},${y}}.b] %[fx:255*p{${x},${y}}.a]\n`;
  });
  const cmyk = measure("identify", "-format", "%[colorspace]", path) === "CMYK";
  const format = cmyk
    ? at.map((one) =>
        one
          .replaceAll(/\}\.r/g, "}.c")
          .replaceAll(/\}\.g/g, "}.m")
          .replaceAll(/\}\.b/g, "}.y")
          .replaceAll(/\}\.a/g, "}.k"),
      )
    : at;
  return measure("/usr/bin/convert", path, "-format", format.join(""), "info:")
    .trim()
    .split("\n")
    .map((line) =>
      line
        .split(" ")
        .map(Number)
        .slice(0, cmyk ? 4 : 3),
    );
}

const transicc = (from: string, to: string, intent: number, colours: number[][]): number[][] =>
  execFileSync("transicc", ["-i", from, "-o", to, `-t${intent}`, "-n", "-c0"], {
    input: `${colours.map((one) => one.join(" ")).join("\n")}\n`,
    stdio: ["pipe", "pipe", "ignore"],
  })
    .toString()
    .trim()
    .split("\n")
    .map((line) => line.trim().split(/\s+/).map(Number));

const fileOf = (name: string, profile: Buffer): string => {
  const path = join(folder, `${name}.icc`);
  writeFileSync(path, profile);
  return path;
};

/** The largest difference to the eye between two lists of colours of one profile. */
function worst(profile: string, a: number[][], b: number[][]): number {
  const scale = (colours: number[][]) =>
    colours.map((one) => (one.length === 4 ? one.map((v) => v / 2.55) : one));
  const lab = (colours: number[][]) => transicc(profile, "*Lab", 1, colours) as unknown as Lab[];
  const [x, y] = [lab(scale(a)), lab(b)];
  return Math.max(...x.map((one, i) => deltaE2000(one, y[i]!)));
}

describe("what a written file says of itself", () => {
  const EXIF = ["-s", "-s", "-s", "-charset", "exif=utf8"];
  it.each([
    [{ format: "jpeg" }, "JFIF:XResolution", "300"],
    [{ format: "jpeg" }, "IFD0:XResolution", "300"],
    [{ format: "png" }, "PNG-pHYs:PixelsPerUnitX", "11811"],
    [{ format: "png" }, "IFD0:XResolution", "300"],
    [{ format: "tiff" }, "IFD0:XResolution", "300"],
    [{ format: "tiff", packing: "lzw" }, "IFD0:Compression", "LZW"],
    [{ format: "tiff", depth: 16 }, "IFD0:BitsPerSample", "16 16 16"],
  ] as const)("%o: %s is %s, by exiftool", async (as, tag, value) => {
    const path = await written(await chart("plain"), as);
    expect(measure("exiftool", ...EXIF, `-${tag}`, path).trim()).toBe(value);
    expect(measure("identify", "-format", "%w %h", path)).toBe(
      `${plan!.pixels.width} ${plan!.pixels.height}`,
    );
  });

  it.each(["jpeg", "png", "tiff"] as const)(
    "%s: title, creator and copyright in EXIF and XMP, and its profile",
    async (format) => {
      const path = await written(await chart("plain"), { format });
      const read = (tag: string) => measure("exiftool", ...EXIF, `-${tag}`, path).trim();
      expect([read("IFD0:ImageDescription"), read("XMP-dc:Title")]).toEqual([ABOUT.title, ABOUT.title]);
      expect([read("IFD0:Artist"), read("XMP-dc:Creator")]).toEqual([ABOUT.creator, ABOUT.creator]);
      expect([read("IFD0:Copyright"), read("XMP-dc:Rights")]).toEqual([ABOUT.copyright, ABOUT.copyright]);
      expect(read("IFD0:ModifyDate")).toBe("2026:11:25 12:30:05");
      expect(read("ICC_Profile:ProfileDescription")).toBe("sRGB");
      expect(read("GPSLatitude")).toBe("");
      const warnings = measure("exiftool", "-validate", "-warning", "-a", path);
      expect(warnings).not.toMatch(/Error/);
    },
  );

  it("has its place only when that may be told", async () => {
    const space = await paintSpace();
    const sheet = await paintSheet(plan!, () => "", {}, { space }).catch(() => null);
    expect(sheet).toBeNull();
    const bare = await paintSheet({ ...plan!, cells: [] }, () => "");
    const place = { latitude: -54.4296, longitude: 10.25 };
    const path = join(folder, "place.jpg");
    writeFileSync(path, await encodeSheet(bare, 300, { format: "jpeg" }, { ...ABOUT, place }));
    expect(measure("exiftool", "-n", "-s3", "-GPSPosition", path).trim()).toBe("-54.4296 10.25");
  });

  it("takes photographer and place out of a JPEG and leaves its picture byte for byte", async () => {
    const path = join(folder, "told.jpg");
    writeFileSync(
      path,
      await sharp(await chart("plain"))
        .jpeg()
        .toBuffer(),
    );
    const bare = readFileSync(path);
    measure(
      "exiftool",
      "-overwrite_original",
      "-GPSLatitude=54",
      "-GPSLongitude=10",
      "-Artist=Somebody",
      "-XMP:City=Somewhere",
      path,
    );
    const told = readFileSync(path);
    expect(told.length).toBeGreaterThan(bare.length);
    const out = join(folder, "untold.jpg");
    writeFileSync(out, withoutTelling(told));
    expect(measure("exiftool", "-s3", "-GPSPosition", "-Artist", "-City", out).trim()).toBe("");
    const scan = (jpeg: Buffer) => jpeg.subarray(jpeg.indexOf(Buffer.from([0xff, 0xdb])));
    expect(scan(readFileSync(out)).equals(scan(bare))).toBe(true);
  });
});

describe("a byte limit", () => {
  it("is met by the best quality that meets it, and refused where none does", async () => {
    const noisy = join(folder, "noise.png");
    measure("/usr/bin/convert", "-size", "480x320", "xc:", "+noise", "Random", noisy);
    const free = readFileSync(await written(noisy, { format: "jpeg", quality: 95 })).length;
    const most = Math.round(free * 0.6);
    const met = readFileSync(await written(noisy, { format: "jpeg", quality: 95, most })).length;
    expect(met).toBeLessThanOrEqual(most);
    // One step of quality is a few percent: the next better one would not have fitted.
    expect(met).toBeGreaterThan(most * 0.9);
    await expect(written(noisy, { format: "jpeg", most: 10_000 })).rejects.toThrow(
      /Even at quality 40 .* Allow more/,
    );
  });
});

describe("colours in the written file", () => {
  const srgb = fileOf("srgb", builtInProfile("srgb")!);

  it("stay as they are from untagged photos to sRGB, and without colour management", async () => {
    expect(fields(await written(await chart("plain"), { format: "png" }))).toEqual(FIELDS);
    const wide = await chart("wide", builtInProfile("romm")!);
    const path = await written(wide, { format: "png" }, { profile: null });
    expect(fields(path)).toEqual(FIELDS);
    expect(measure("exiftool", "-s3", "-ICC_Profile:ProfileDescription", path)).toBe("");
  });

  it("of a wide photo come to sRGB as its profile says, by transicc", async () => {
    const wide = await chart("wide", builtInProfile("romm")!);
    const got = fields(await written(wide, { format: "tiff", depth: 16 }));
    const expected = transicc(fileOf("romm", builtInProfile("romm")!), srgb, 1, FIELDS);
    expect(worst(srgb, got, expected)).toBeLessThan(0.5);
  });

  it.each([
    ["perceptual", 0],
    ["relative", 1],
    ["saturation", 2],
    ["absolute", 3],
  ] as const)("come to an RGB printer and a press by the %s intent, by transicc", async (intent, number) => {
    for (const [name, profile] of [
      ["inkjet", inkjet],
      ["press", press],
    ] as const) {
      const path = await written(await chart("plain"), { format: "tiff", depth: 16 }, { profile, intent });
      const file = fileOf(name, profile);
      expect(worst(file, fields(path), transicc(srgb, file, number, FIELDS))).toBeLessThan(0.5);
    }
  });

  it("of four inks go into JPEG and TIFF with their profile, and not into PNG", async () => {
    const plain = await chart("plain");
    for (const format of ["jpeg", "tiff"] as const) {
      const path = await written(plain, { format, quality: 100 }, { profile: press });
      expect(measure("identify", "-format", "%[colorspace]", path)).toBe("CMYK");
      expect(measure("exiftool", "-s3", "-ICC_Profile:ProfileDescription", path).trim()).toBe(
        "Dune press, uncoated",
      );
      const file = fileOf("press", press);
      expect(worst(file, fields(path), transicc(srgb, file, 1, FIELDS))).toBeLessThan(1);
    }
    await expect(written(plain, { format: "png" }, { profile: press })).rejects.toThrow(NotEncoded);
  });
});
