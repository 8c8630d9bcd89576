import { execFileSync } from "node:child_process";
import { readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import sharp from "sharp";
import { describe, expect, it } from "vitest";
import { applyEdit, arrange, deltaE2000, freshJob, mm, type JobEdit, type Lab } from "@wide-quilt/core";
import { demoProfiles } from "@wide-quilt/demo";
import { paintPdf, paintSheet, paintSpace, UNTITLED, type SheetPixels } from "./index.ts";
import { measure, testFolder } from "./testing/samples.ts";

const folder = testFolder();
const profiles = demoProfiles().map(({ name, profile }) => {
  const path = join(folder, `${name.split(" ")[0]}.icc`);
  writeFileSync(path, profile);
  return { path, profile };
});
const press = profiles.find(({ profile }) => profile.toString("latin1", 16, 20) === "CMYK")!;

/** One cell of 30 × 20 mm at 254 ppi: 300 × 200 pixels, each ten of a photo of 30 × 20 fields. */
function sheetOf(width: number, height: number, ...edits: JobEdit[]) {
  const fresh = freshJob("copies", "Inks");
  const { marks } = fresh.finish;
  const photo = { id: "0".repeat(64), name: "inks" };
  const all: JobEdit[] = [
    { do: "add photos", photos: [photo] },
    { do: "ticket", change: { size: { width: mm(30), height: mm(20) }, copies: 1 } },
    { do: "finish", change: { marks: { ...marks, kind: "none" } } },
    { do: "target", change: { ppi: 254 } },
    ...edits,
  ];
  return arrange(all.reduce(applyEdit, fresh), { [photo.id]: { width, height } })[0]!;
}

/** Twelve inks as fields of 100 × 50 pixels, marked with the profile by ImageMagick. */
const INKS = Array.from({ length: 12 }, (_, i) =>
  [0.8566749, 0.7338919, 0.6287067, 0.5385973].map((a) => Math.floor(((0.5 + a * (i + 1)) % 1) * 256)),
);
function inkPhoto(type: "tif" | "jpg"): string {
  const [width, height] = [300, 200];
  const raw = Buffer.alloc(width * height * 4);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++)
      raw.set(INKS[Math.floor(y / 50) * 3 + Math.floor(x / 100)]!, (y * width + x) * 4);
  const path = join(folder, `inks.${type}`);
  writeFileSync(`${path}.cmyk`, raw);
  execFileSync("/usr/bin/convert", [
    ...["-size", `${width}x${height}`, "-depth", "8", `cmyk:${path}.cmyk`],
    ...["-profile", press.path, "-compress", type === "tif" ? "LZW" : "JPEG"],
    ...["-quality", "100", "-sampling-factor", "1x1", path],
  ]);
  return path;
}

/** The colour in the middle of each field of the sheet's cell. */
function fieldsOf({ data, width, space }: SheetPixels, cell: { x: number; y: number }): number[][] {
  const [left, top] = [Math.round((cell.x * 254) / 25_400), Math.round((cell.y * 254) / 25_400)];
  return INKS.map((_, i) => {
    const [x, y] = [left + (i % 3) * 100 + 50, top + Math.floor(i / 3) * 50 + 25];
    return [...data.subarray((y * width + x) * space.channels).subarray(0, space.channels)];
  });
}

/** By transicc, with eight bits in and out as it counts them: inks in percent, RGB to 255. */
function transicc(from: string, to: string, colours: number[][], ...more: string[]): number[][] {
  const input = colours.map((one) => one.join(" ")).join("\n");
  const args = ["-i", from, "-o", to, "-n", "-c0", ...more];
  return execFileSync("transicc", args, { input: `${input}\n`, stdio: ["pipe", "pipe", "ignore"] })
    .toString()
    .trim()
    .split("\n")
    .map((line) => line.trim().split(/\s+/).map(Number));
}
const percent = (colours: number[][]) => colours.map((one) => one.map((v) => (v / 255) * 100));

describe("a photo of four inks", () => {
  it("comes out with the inks it came with where it is printed with the same, to the byte", async () => {
    const path = inkPhoto("tif");
    const plan = sheetOf(300, 200);
    const space = await paintSpace({ profile: press.profile, intent: "relative", blackPoint: true });
    const sheet = await paintSheet(plan, () => path, {}, { space });
    expect(fieldsOf(sheet, plan.cells[0]!.finished)).toEqual(INKS);
  });

  it.each(["perceptual", "relative", "saturation", "absolute"] as const)(
    "becomes RGB as transicc has it, by the %s intent",
    async (intent) => {
      const path = inkPhoto("tif");
      const plan = sheetOf(300, 200);
      const other = profiles.find((one) => one !== press)!;
      const space = await paintSpace({ profile: other.profile, intent, blackPoint: false });
      const ours = fieldsOf(await paintSheet(plan, () => path, {}, { space }), plan.cells[0]!.finished);
      const number = { perceptual: "0", relative: "1", saturation: "2", absolute: "3" }[intent];
      const theirs = transicc(press.path, other.path, percent(INKS), `-t${number}`);
      const labs = (colours: number[][]) => transicc(other.path, "*Lab", colours, "-t1") as unknown as Lab[];
      const [a, b] = [labs(ours), labs(theirs)];
      a.forEach((lab, i) => expect(deltaE2000(lab, b[i]!)).toBeLessThan(0.5));
    },
  );

  it("goes into a PDF as it is where it is a JPEG, with its profile, light as light and dark as dark", async () => {
    const path = inkPhoto("jpg");
    const pdf = join(folder, "inks.pdf");
    await paintPdf([sheetOf(300, 200)], () => path, pdf, { about: { ...UNTITLED, date: new Date(0) } });
    const [, , line] = measure("pdfimages", "-list", pdf).trim().split("\n");
    // page num type width height color comp bpc enc …
    expect(line!.trim().split(/\s+/).slice(2, 9)).toEqual(["image", "300", "200", "icc", "4", "8", "jpeg"]);
    measure("pdfimages", "-j", pdf, join(folder, "out"));
    expect(readFileSync(join(folder, "out-000.jpg")).equals(readFileSync(path))).toBe(true);
    // Poppler's own way from inks to RGB is a rough one: 40 of 255 tell light from dark, which is what is asked here.
    const plan = sheetOf(300, 200);
    const { x, y } = plan.cells[0]!.finished;
    const at = (um: number) => String(Math.round((um * 254) / 25_400));
    const part = ["-x", at(x), "-y", at(y), "-W", "300", "-H", "200"];
    const ppm = execFileSync("pdftoppm", ["-r", "254", ...part, pdf]);
    const rgb = ppm.subarray(ppm.length - 300 * 200 * 3);
    const wanted = transicc(press.path, "*sRGB", percent(INKS), "-t1");
    INKS.forEach((_, i) => {
      const from = ((Math.floor(i / 3) * 50 + 25) * 300 + (i % 3) * 100 + 50) * 3;
      const grey = (one: ArrayLike<number>) => (one[0]! + one[1]! + one[2]!) / 3;
      expect(Math.abs(grey(rgb.subarray(from, from + 3)) - grey(wanted[i]!))).toBeLessThan(60);
    });
  });
});

describe("a photo that came without loss", () => {
  it.each([8, 16] as const)("is in a PDF as it came, pixel for pixel, of %s bits", async (depth) => {
    const path = join(folder, `noise-${depth}.png`);
    measure(
      "/usr/bin/convert",
      ...["-size", "90x60", "-seed", "7", "xc:gray50", "+noise", "Random", "-depth", String(depth)],
      `PNG${depth * 3}:${path}`,
    );
    const pdf = join(folder, `noise-${depth}.pdf`);
    await paintPdf([sheetOf(90, 60)], () => path, pdf);
    const [, , line] = measure("pdfimages", "-list", pdf).trim().split("\n");
    const facts = line!.trim().split(/\s+/);
    expect(facts.slice(3, 9)).toEqual(["90", "60", "icc", "3", String(depth), "image"]);
    // By qpdf: Poppler makes eight bits of sixteen.
    const show = [`--show-object=${facts[10]}`, "--filtered-stream-data", pdf];
    const kept = execFileSync("qpdf", show);
    // Numbers of two bytes have their higher one first in a PDF (ISO 32000-2, 8.9.3).
    const samples = [path, "-depth", String(depth), "-endian", "MSB", "rgb:-"];
    expect(kept.equals(execFileSync("/usr/bin/convert", samples))).toBe(true);
  });

  it("stays without loss when it is made smaller, and does not where it was a JPEG", async () => {
    for (const [type, kept] of [
      ["tif", "image"],
      ["jpg", "jpeg"],
      ["webp", "image"],
    ] as const) {
      const path = join(folder, `large.${type}`);
      const photo = sharp({ create: { width: 900, height: 600, channels: 3, background: "#456789" } });
      await (type === "webp" ? photo.webp({ lossless: true }) : photo).toFile(path);
      const pdf = join(folder, `large-${type}.pdf`);
      await paintPdf([sheetOf(900, 600)], () => path, pdf, { photoPpi: 254 });
      const [, , line] = measure("pdfimages", "-list", pdf).trim().split("\n");
      expect(line!.trim().split(/\s+/).slice(3, 9)).toEqual(["300", "200", "icc", "3", "8", kept]);
    }
  });
});
