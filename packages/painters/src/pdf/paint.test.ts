import { mkdirSync, readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import sharp from "sharp";
import { beforeAll, describe, expect, it } from "vitest";
import { applyEdit, arrange, freshJob, mm, type Job, type JobEdit } from "@wide-quilt/core";
import { measure, quarters, testFolder } from "../testing/samples.ts";
import { paintPdf, UNTITLED } from "../index.ts";

const folder = testFolder();
const file = (id: string) => join(folder, `${id}.jpg`);
const SIZE = { width: 700, height: 900 };
const photos = Object.fromEntries([1, 2, 3, 4, 5, 6, 7, 8].map((n) => [`flag${n}`, SIZE]));

/**
 * How ImageMagick stores an upright picture so that the EXIF flag makes it upright again (Exif 2.32, 4.6.4): the
 * inverse of the flag's own turn or mirroring.
 */
const STORED: Record<number, string[]> = {
  1: [],
  2: ["-flop"],
  3: ["-rotate", "180"],
  4: ["-flip"],
  5: ["-transpose"],
  6: ["-rotate", "270"],
  7: ["-transverse"],
  8: ["-rotate", "90"],
};

beforeAll(async () => {
  const upright = join(folder, "upright.png");
  await quarters(SIZE.width, SIZE.height).toFile(upright);
  for (const flag of [1, 2, 3, 4, 5, 6, 7, 8]) {
    const stored = join(folder, `stored${flag}.png`);
    measure("/usr/bin/convert", upright, ...STORED[flag]!, stored);
    await sharp(stored)
      .withMetadata({ orientation: flag })
      .jpeg({ quality: 98, chromaSubsampling: "4:4:4" })
      .toFile(file(`flag${flag}`));
  }
});

const job = (photo: string, ...edits: JobEdit[]): Job =>
  edits.reduce(
    applyEdit,
    applyEdit(freshJob("copies", "Badges"), { do: "add photos", photos: [{ id: photo, name: photo }] }),
  );

async function written(of: Job, name: string) {
  const path = join(folder, `${name}.pdf`);
  await paintPdf(arrange(of, photos), file, path, { about: { ...UNTITLED, title: of.name } });
  return path;
}

describe("paintPdf", () => {
  it("makes the page the paper to 0.01 mm, with TrimBox and BleedBox", async () => {
    const a4 = { do: "sheet", change: { paper: { name: "A4", width: mm(210), height: mm(297) } } } as const;
    for (const [of, width, height] of [
      [job("flag1"), 152.4, 101.6],
      [job("flag1", a4), 297, 210],
    ] as const) {
      const boxes = measure("pdfinfo", "-box", await written(of, "boxes"));
      for (const name of ["MediaBox", "BleedBox", "TrimBox"]) {
        const [, left, bottom, right, top] = new RegExp(
          `${name}:\\s+([\\d.]+)\\s+([\\d.]+)\\s+([\\d.]+)\\s+([\\d.]+)`,
        ).exec(boxes)!;
        expect([left, bottom].map(Number)).toEqual([0, 0]);
        // pdfinfo prints hundredths of a point, 0.0035 mm.
        expect(Math.abs((Number(right) * 25.4) / 72 - width)).toBeLessThan(0.01);
        expect(Math.abs((Number(top) * 25.4) / 72 - height)).toBeLessThan(0.01);
      }
    }
  });

  it("embeds a photo once, byte for byte at full resolution, and is sound", async () => {
    const path = await written(job("flag1"), "embedded");
    const images = join(folder, "images");
    mkdirSync(images, { recursive: true });
    measure("pdfimages", "-all", path, join(images, "photo"));
    expect(readdirSync(images)).toEqual(Array.from({ length: 8 }, (_, i) => `photo-00${i}.jpg`));
    expect(readFileSync(join(images, "photo-000.jpg")).equals(readFileSync(file("flag1")))).toBe(true);
    const objects = measure("pdfimages", "-list", path)
      .split("\n")
      .slice(2)
      .filter(Boolean)
      .map((row) => row.trim().split(/\s+/));
    expect(new Set(objects.map((row) => row[10]))).toHaveLength(1);
    expect(objects[0]!.slice(3, 6)).toEqual(["700", "900", "icc"]);
    expect(measure("qpdf", "--check", path)).toMatch(/No syntax or stream encoding errors/);
  });

  it("draws marks as vectors", async () => {
    const path = await written(job("flag1"), "marks");
    const text = measure("qpdf", "--qdf", "--object-streams=disable", path, "-");
    // Upper left corner of cell 1 at 3.2, 4.8 mm: the tick along y begins at 0.3 mm and ends at 4.3 mm (0.85…12.19 pt).
    expect(text).toMatch(/9\.07\d* 0\.85\d* m\s+9\.07\d* 12\.18\d* l/);
    expect(text).toMatch(/0\.425\d* w/);
  });

  it.each([1, 2, 3, 4, 5, 6, 7, 8])("shows EXIF orientation %i upright, as the pixels do", async (flag) => {
    const path = await written(job(`flag${flag}`), `flag${flag}`);
    measure("pdftoppm", "-r", "100", "-png", "-singlefile", path, join(folder, `page${flag}`));
    const at = async (x: number, y: number) => {
      const pixel = sharp(join(folder, `page${flag}.png`)).extract({ left: x, top: y, width: 1, height: 1 });
      return [...(await pixel.removeAlpha().raw().toBuffer())].map((value) => Math.round(value / 255));
    };
    // Cell 1 at 100 ppi: 12.6…150 × 18.9…196 px.
    expect(await at(40, 60)).toEqual([1, 0, 0]);
    expect(await at(120, 60)).toEqual([0, 1, 0]);
    expect(await at(40, 160)).toEqual([0, 0, 1]);
    expect(await at(120, 160)).toEqual([1, 1, 0]);
  });

  it("gives the same bytes for the same job and date", async () => {
    const [one, two] = [await written(job("flag1"), "one"), await written(job("flag1"), "two")];
    expect(readFileSync(one).equals(readFileSync(two))).toBe(true);
  });

  it("leaves nothing half-open when a photo is gone", async () => {
    const of = job("gone");
    const sheets = arrange(of, { gone: SIZE });
    await expect(paintPdf(sheets, file, join(folder, "gone.pdf"))).rejects.toThrow();
  });

  it("tilts a cell about its middle, as poppler paints it", async () => {
    const place = {
      sheet: "1",
      x: mm(30),
      y: mm(40),
      width: mm(40),
      height: mm(20),
      angle: 30,
      order: 0,
      locked: false,
      proportion: false,
    };
    const tilted = job(
      "flag1",
      { do: "become", kind: "free", stands: [] },
      { do: "add cells", cells: [{ place, photo: "flag1" }] },
    );
    const path = await written(tilted, "tilted");
    measure("pdftoppm", "-r", "300", "-png", "-singlefile", path, join(folder, "tilted"));
    const at = async (x: number, y: number) => {
      const box = {
        left: Math.floor((x * 300) / 25.4),
        top: Math.floor((y * 300) / 25.4),
        width: 1,
        height: 1,
      };
      return [...(await sharp(join(folder, "tilted.png")).extract(box).removeAlpha().raw().toBuffer())];
    };
    const isWhite = async (x: number, y: number) => (await at(x, y)).every((value) => value > 250);
    // The corner (20, −10) mm from the middle comes to (22.32, 1.34), as for the pixels.
    expect(await isWhite(72, 51.3)).toBe(false);
    expect(await isWhite(72.7, 51.3)).toBe(true);
    expect(await isWhite(69, 41)).toBe(true);
    expect(await isWhite(64, 63)).toBe(false);
  });
});
