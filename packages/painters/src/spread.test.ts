import { mkdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { Resvg } from "@resvg/resvg-js";
import sharp from "sharp";
import { beforeAll, describe, expect, it } from "vitest";
import {
  applyEdit,
  arrange,
  forPrinter,
  freshJob,
  imposed,
  mm,
  um,
  type Job,
  type JobEdit,
  type PagePart,
  type SheetPlan,
} from "@wide-quilt/core";
import { encodeSheet, paintPdf, paintSheet, paintSvg } from "./index.ts";
import { measure, noise, testFolder } from "./testing/samples.ts";

const FOLDER = testFolder();
const PHOTO = { id: "spit", name: "spit.jpg", width: 1500, height: 500 };
const photos = { spit: { width: PHOTO.width, height: PHOTO.height } };
const files = () => join(FOLDER, "spit.jpg");

beforeAll(async () => {
  mkdirSync(FOLDER, { recursive: true });
  await noise(files(), PHOTO.width, PHOTO.height, 7);
});

const mural = (...edits: JobEdit[]): Job =>
  (
    [
      { do: "add photos", photos: [PHOTO] },
      { do: "ticket", change: { width: mm(600) } },
      { do: "target", change: { ppi: 127 } },
      { do: "target", change: { ppi: 127 } },
      ...edits,
    ] as JobEdit[]
  ).reduce(applyEdit, freshJob("mural", "Hide wall"));
const tiles = (job: Job, change: Partial<Job["impose"]["tiles"]>): JobEdit => ({
  do: "impose",
  change: { tiles: { ...job.impose.tiles, letters: false, under: "full", ...change } },
});
const paper = (name: string, width: number, height: number) => ({
  name,
  width: mm(width),
  height: mm(height),
});

/** Murals of all sorts, by what is unusual about them. */
const MURALS: Record<string, () => Job> = {
  "A4, 10 mm to glue": () => mural(tiles(mural(), {})),
  "edge to edge, 4 mm to trim": () => mural(tiles(mural(), { joint: "butt", overlap: mm(4) })),
  "no overlap at all": () => mural(tiles(mural(), { overlap: um(0) })),
  "an odd overlap and margin": () =>
    mural(tiles(mural(), { overlap: um(7_331) }), { do: "impose", change: { margin: um(6_173) } }),
  "seams moved by 13 mm": () =>
    mural(tiles(mural(), { share: "evenly", shift: { across: mm(3), down: um(0) } })),
  "100 ppi": () => mural(tiles(mural(), {}), { do: "target", change: { ppi: 100 } }),
  "147 ppi": () => mural(tiles(mural(), {}), { do: "target", change: { ppi: 147 } }),
  "600 ppi on small paper": () =>
    mural(
      { do: "ticket", change: { width: mm(150) } },
      tiles(mural(), { overlap: mm(5) }),
      { do: "impose", change: { paper: paper("Card", 80, 60) } },
      { do: "target", change: { ppi: 600 } },
    ),
  "bleed all around": () => mural(tiles(mural(), {}), { do: "target", change: { bleed: um(3_217) } }),
  "sharpened for matt paper": () =>
    mural(
      tiles(mural(), {}),
      { do: "style", change: { sharpening: "high" } },
      { do: "target", change: { ppi: 90 } },
    ),
  "a photo that is levelled": () =>
    mural(
      tiles(mural(), {}),
      { do: "target", change: { ppi: 120 } },
      {
        do: "shot",
        shot: "1",
        change: { level: 3, scale: 1.3 },
      },
    ),
  "with rounded corners, words, a stamp of shape and a ground": () =>
    mural(
      tiles(mural(), {}),
      { do: "target", change: { ppi: 120 } },
      { do: "ground", ground: { kind: "gradient", top: "#ffffff", bottom: "#103060" } },
      {
        do: "style",
        change: {
          border: {
            place: "inside",
            width: { top: mm(9), right: mm(8), bottom: mm(15), left: mm(7) },
            colour: "#e0b020",
            corner: mm(20),
          },
        },
      },
      {
        do: "texts",
        texts: {
          t1: {
            text: "Low water on the spit",
            type: { font: "hanken", size: mm(40), least: mm(3), colour: "#000000", align: "left" },
            ...{ x: mm(60), y: mm(40), width: mm(500), height: mm(60), turn: 4, sheet: null },
          },
        },
      },
    ),
};

/** Edges are rounded on the page: the rule, written down once more. */
const px = (value: number, ppi: number) => Math.round((value * ppi) / 25_400);
const boxOf = ({ x, y, width, height }: PagePart["prints"], ppi: number) => {
  const [left, top] = [px(x, ppi), px(y, ppi)];
  return { left, top, width: px(x + width, ppi) - left, height: px(y + height, ppi) - top };
};

/** The PNG that a sheet is written as. */
const written = async (sheet: SheetPlan): Promise<Buffer> =>
  encodeSheet(await paintSheet(sheet, files), sheet.ppi, { format: "png" });

describe("a page that is spread over sheets", () => {
  it.each(Object.entries(MURALS))(
    "put together again is the page in one piece, to the last byte: %s",
    async (_, make) => {
      const job = make();
      const [page] = arrange(job, photos);
      const sheets = forPrinter(job, imposed(job, [page!]));
      expect(sheets.length).toBeGreaterThan(1);
      const { ppi } = page!;
      // In one piece, with its bleed: painted on paper that is as much larger.
      const whole = sharp(await written(page!));
      const size = await whole.metadata();
      const one = await whole.raw().toBuffer();
      for (const sheet of sheets) {
        const { prints, at } = sheet.parts[0]!;
        const box = boxOf(prints, ppi);
        // What lies in the bleed is on no whole page.
        const seen = {
          left: Math.max(0, box.left),
          top: Math.max(0, box.top),
          right: Math.min(size.width, box.left + box.width),
          bottom: Math.min(size.height, box.top + box.height),
        };
        const extract = {
          left: px(at.x, ppi) + seen.left - box.left,
          top: px(at.y, ppi) + seen.top - box.top,
          width: seen.right - seen.left,
          height: seen.bottom - seen.top,
        };
        const part = await sharp(await written({ ...sheet, marks: [] }))
          .extract(extract)
          .raw()
          .toBuffer();
        const row = extract.width * 3;
        for (let y = 0; y < extract.height; y++) {
          const from = ((seen.top + y) * size.width + seen.left) * 3;
          const same = part.subarray(y * row, (y + 1) * row).equals(one.subarray(from, from + row));
          if (!same) expect.fail(`${sheet.parts[0]!.name}, row ${y} of ${extract.height} differs`);
        }
      }
    },
    120_000,
  );

  it("is in a PDF what it is in one piece, packed as one JPEG, to 1 of 255 (pdfimages)", async () => {
    const job = mural(tiles(mural(), { under: "full" }));
    const [page] = arrange(job, photos);
    const sheets = imposed(job, [page!]);
    const path = join(FOLDER, "spread.pdf");
    await paintPdf(sheets, files, path);
    measure("pdfimages", "-all", path, join(FOLDER, "part"));
    const { data, width, height } = await paintSheet(page!, files);
    const squares = (side: number) => Math.ceil(side / 8) * 8;
    const packed = await sharp(data, { raw: { width, height, channels: 3 } })
      .extend({ right: squares(width) - width, bottom: squares(height) - height, background: "#ffffff" })
      .jpeg({ quality: 95, chromaSubsampling: "4:4:4" })
      .toBuffer();
    for (const [i, { parts }] of sheets.entries()) {
      const seen = boxOf(parts[0]!.prints, page!.ppi);
      const [left, top] = [Math.floor(seen.left / 8) * 8, Math.floor(seen.top / 8) * 8];
      const file = join(FOLDER, `part-${String(i).padStart(3, "0")}.jpg`);
      const own = await sharp(file).raw().toBuffer({ resolveWithObject: true });
      const box = { left, top, width: own.info.width, height: own.info.height };
      const one = await sharp(packed).extract(box).raw().toBuffer();
      expect(Math.max(...worst(own.data, one))).toBeLessThanOrEqual(1);
    }
  });

  it("lies on its sheet in a PDF and in an SVG as it does in pixels (Poppler and resvg)", async () => {
    const job = mural(tiles(mural(), { letters: true, under: "pale" }), {
      do: "impose",
      change: { marks: "corner ticks" },
    });
    const sheets = imposed(job, arrange(job, photos));
    const sheet = sheets[1]!;
    const png = sharp(await written(sheet)).greyscale();
    const { width, height } = sheet.pixels;
    const own = await png.raw().toBuffer();
    const [pdf, svg] = [join(FOLDER, "one.pdf"), join(FOLDER, "one.svg")];
    await paintPdf([sheet], files, pdf);
    await paintSvg(sheet, files, svg);
    const scale = ["-scale-to-x", String(width), "-scale-to-y", String(height)];
    measure("pdftoppm", ...scale, "-png", "-singlefile", pdf, join(FOLDER, "one"));
    const seen = { pdf: join(FOLDER, "one.png"), svg: join(FOLDER, "svg.png") };
    const drawn = new Resvg(readFileSync(svg, "utf8"), { fitTo: { mode: "width", value: width } }).render();
    await sharp(drawn.asPng()).toFile(seen.svg);
    for (const file of Object.values(seen)) {
      const other = await sharp(file)
        .flatten({ background: "#fff" })
        .resize(width, height)
        .greyscale()
        .raw()
        .toBuffer();
      const off = own.reduce((sum, value, i) => sum + Math.abs(value - other[i]!), 0) / own.length;
      // The photo is noise: a pixel beside its place would be off by ten and more.
      expect(off).toBeLessThan(4);
    }
    expect(measure("pdftotext", pdf, "-")).toMatch(/B1 · \S+ goes here/);
  });
});

/** The largest difference of each million samples. */
const worst = (a: Buffer, b: Buffer): number[] => {
  const found: number[] = [];
  for (let i = 0; i < a.length; i++) {
    const chunk = i >> 20;
    found[chunk] = Math.max(found[chunk] ?? 0, Math.abs(a[i]! - b[i]!));
  }
  return found;
};
