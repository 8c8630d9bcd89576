import { mkdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { Resvg } from "@resvg/resvg-js";
import sharp, { type Sharp } from "sharp";
import { beforeAll, describe, expect, it } from "vitest";
import {
  applyEdit,
  arrange,
  freshJob,
  imposed,
  mm,
  TRIPTYCH,
  um,
  type Job,
  type JobEdit,
  type PagePart,
  type Panels,
  type SheetPlan,
} from "@wide-quilt/core";
import { encodeSheet, paintPdf, paintSheet, paintSvg } from "./index.ts";
import { measure, noise, testFolder } from "./testing/samples.ts";

const FOLDER = testFolder();
const PHOTO = { id: "coast", name: "coast.jpg", width: 1500, height: 600 };
const photos = { coast: { width: PHOTO.width, height: PHOTO.height } };
const files = () => join(FOLDER, "coast.png");
const PPI = 101;

beforeAll(async () => {
  mkdirSync(FOLDER, { recursive: true });
  await noise(files(), PHOTO.width, PHOTO.height, 11);
});

const hung = (panels: Partial<Panels>, more: Partial<Job["impose"]> = {}): Job =>
  (
    [
      { do: "add photos", photos: [PHOTO] },
      { do: "ticket", change: { width: mm(500) } },
      { do: "target", change: { ppi: PPI } },
    ] as JobEdit[]
  )
    .concat({
      do: "impose",
      change: {
        paper: { name: "Large", width: mm(320), height: mm(450) },
        panels: { ...TRIPTYCH, ...panels },
        ...more,
      },
    })
    .reduce(applyEdit, freshJob("mural", "Coast"));

const wrap = (way: Panels["wrap"]["way"]): Partial<Panels> => ({
  wrap: { way, deep: mm(20), colour: "#204060" },
});

/** Edges are rounded on the page: the rule, written down once more. */
const px = (value: number) => Math.round((value * PPI) / 25_400);
const boxOf = ({ x, y, width, height }: PagePart["prints"]) => {
  const [left, top] = [px(x), px(y)];
  return { left, top, width: px(x + width) - left, height: px(y + height) - top };
};
const raw = async (image: Sharp) => image.removeAlpha().raw().toBuffer();

const sheetsOf = (job: Job) => {
  const [page] = arrange(job, photos);
  return { page: page!, sheets: imposed(job, [page!]) };
};

/** The PNG of a sheet without its marks, and that of the page on its own. */
const written = async (sheet: SheetPlan): Promise<Buffer> =>
  encodeSheet(await paintSheet({ ...sheet, marks: [], over: [] }, files), sheet.ppi, { format: "png" });

/** What is printed of a part, cut out of its sheet and turned back. */
async function cutOut(sheet: SheetPlan, part: PagePart): Promise<Buffer> {
  const { width, height } = boxOf(part.prints);
  const turned = part.turn % 180 !== 0;
  const at = { left: px(part.at.x), top: px(part.at.y) };
  const cut = sharp(await written(sheet)).extract({
    ...at,
    width: turned ? height : width,
    height: turned ? width : height,
  });
  return sharp(await cut.png().toBuffer())
    .rotate(-part.turn)
    .png()
    .toBuffer();
}

describe("panels", () => {
  it("put together again with the gaps between them are the page in one piece, to the last byte", async () => {
    const { page, sheets } = sheetsOf(hung({}));
    expect(sheets.map(({ title }) => title)).toEqual(["1", "2", "3"]);
    const whole = await written(page);
    for (const sheet of sheets) {
      const part = sheet.parts[0]!;
      const one = await raw(sharp(whole).extract(boxOf(part.prints)));
      expect((await raw(sharp(await cutOut(sheet, part)))).equals(one)).toBe(true);
    }
  });

  it("lie turned on a roll, and are the page all the same", async () => {
    // By hand: 320 mm of roll less 5 at each side hold one panel of 153 × 200 mm beside another; the third lies below,
    // on its side. Nothing else takes as little.
    const roll = { name: "Roll", width: mm(320), height: mm(5000) };
    const { page, sheets } = sheetsOf(hung({}, { roll: true, paper: roll, gap: mm(2) }));
    expect(sheets).toHaveLength(1);
    const [sheet] = sheets as [SheetPlan];
    expect(sheet.parts.map(({ name }) => name)).toEqual(["1", "2", "3"]);
    expect(sheet.parts.some(({ turn }) => turn === 90)).toBe(true);
    // The third on its side takes its width along the roll: 200 + 2 + 153.333 and 5 at both ends.
    expect(sheet.paper.height).toBeCloseTo(mm(10) + mm(200) + mm(2) + 153_333, -1);
    const whole = await written(page);
    for (const part of sheet.parts) {
      const one = await raw(sharp(whole).extract(boxOf(part.prints)));
      expect((await raw(sharp(await cutOut(sheet, part)))).equals(one)).toBe(true);
    }
  });

  it("are wrapped in the page as it goes on: behind the gaps and past its edges", async () => {
    const { sheets } = sheetsOf(hung({ ...wrap("picture"), gap: mm(30) }));
    const [first, second] = sheets as [SheetPlan, SheetPlan];
    // By hand: (500 − 60) / 3 = 146.667, and 20 at both sides.
    expect(second.parts[0]!.prints.width / 1000).toBeCloseTo(186.667, 2);
    // The strips of 10 mm that both show in the gap agree.
    const [a, b] = [first.parts[0]!, second.parts[0]!];
    const from = Math.max(px(a.prints.x), px(b.prints.x));
    const to = Math.min(px(a.prints.x + a.prints.width), px(b.prints.x + b.prints.width));
    expect(to - from).toBe(px(a.prints.x + a.prints.width) - px(b.prints.x));
    const strip = async (sheet: SheetPlan, part: PagePart) =>
      raw(
        sharp(await cutOut(sheet, part)).extract({
          left: from - px(part.prints.x),
          top: 0,
          width: to - from,
          height: boxOf(part.prints).height,
        }),
      );
    expect((await strip(first, a)).equals(await strip(second, b))).toBe(true);
  });

  it("are wrapped in the page reflected at their edges: each strip is what sharp makes of the face", async () => {
    const { page, sheets } = sheetsOf(hung(wrap("mirrored")));
    const part = sheets[1]!.parts[0]!;
    const face = boxOf(part.wrap!.face);
    const all = boxOf(part.prints);
    const one = sharp(await written(page));
    const own = await cutOut(sheets[1]!, part);
    const whole = await raw(sharp(own));
    const around = {
      left: face.left - all.left,
      top: face.top - all.top,
      right: all.left + all.width - face.left - face.width,
      bottom: all.top + all.height - face.top - face.height,
    };
    const bare = await one.extract(face).png().toBuffer();
    const expected = await raw(sharp(bare).extend({ ...around, extendWith: "mirror" }));
    expect(around.left).toBeGreaterThan(70);
    expect(whole.equals(expected)).toBe(true);
  });

  it("are wrapped in a colour, or in their last strip stretched to four times its depth", async () => {
    const coloured = sheetsOf(hung(wrap("colour"))).sheets[1]!;
    const part = coloured.parts[0]!;
    const edge = await raw(
      sharp(await cutOut(coloured, part)).extract({ left: 3, top: 3, width: 1, height: 1 }),
    );
    expect([...edge]).toEqual([0x20, 0x40, 0x60]);
    const { page, sheets } = sheetsOf(hung(wrap("stretched")));
    const own = sheets[1]!.parts[0]!;
    const all = boxOf(own.prints);
    const face = boxOf(own.wrap!.face);
    const data = await raw(sharp(await cutOut(sheets[1]!, own)));
    const one = await raw(sharp(await written(page)));
    const y = face.top + 40;
    const deep = face.left - all.left;
    const red = (x: number) => one[(y * page.pixels.width + x) * 3]!;
    for (let i = 0; i < deep; i++) {
      // By hand: the middle of pixel i lies d before the edge, and shows the page d / 4 behind it.
      const at = face.left - 0.5 + (deep - i - 0.5) / 4;
      const from = Math.max(face.left, Math.floor(at));
      const share = Math.max(0, at - from);
      const expected = red(from) * (1 - share) + red(from + 1) * share;
      expect(Math.abs(data[((y - all.top) * all.width + i) * 3]! - expected)).toBeLessThanOrEqual(0.51);
    }
  });

  it("are the same in a PDF and in an SVG: mirrored, on a roll and turned (Poppler and resvg)", async () => {
    const roll = { name: "Roll", width: mm(420), height: mm(5000) };
    const { sheets } = sheetsOf(hung(wrap("mirrored"), { roll: true, paper: roll }));
    const sheet = { ...sheets[0]!, marks: [], over: [] };
    expect(sheet.parts.some(({ turn }) => turn === 90)).toBe(true);
    const own = await sharp(await written(sheet))
      .greyscale()
      .raw()
      .toBuffer();
    const { width, height } = sheet.pixels;
    const [pdf, svg] = [join(FOLDER, "roll.pdf"), join(FOLDER, "roll.svg")];
    await paintPdf([sheet], files, pdf);
    await paintSvg(sheet, files, svg);
    const scale = ["-scale-to-x", String(width), "-scale-to-y", String(height)];
    measure("pdftoppm", ...scale, "-png", "-singlefile", pdf, join(FOLDER, "roll"));
    const drawn = new Resvg(readFileSync(svg, "utf8"), { fitTo: { mode: "width", value: width } }).render();
    await sharp(drawn.asPng()).toFile(join(FOLDER, "rollsvg.png"));
    for (const name of ["roll.png", "rollsvg.png"]) {
      const other = await sharp(join(FOLDER, name))
        .flatten({ background: "#fff" })
        .resize(width, height)
        .greyscale()
        .raw()
        .toBuffer();
      const off = own.reduce((sum, value, i) => sum + Math.abs(value - other[i]!), 0) / own.length;
      // The photo is noise over ninety values: a strip that lay elsewhere would be off by thirty.
      expect(off, name).toBeLessThan(10);
    }
  });
});

describe("a length of roll beyond 5.08 m in a PDF", () => {
  it("has larger units, and is painted as ever", async () => {
    const roll = { name: "Roll", width: mm(600), height: mm(8000) };
    const job = (
      [
        { do: "ticket", change: { by: "size", width: mm(560), height: mm(6000) } },
        { do: "target", change: { ppi: 36 } },
      ] as JobEdit[]
    ).reduce(applyEdit, hung({}, { panels: null, roll: true, paper: roll, mayTurn: false }));
    const [sheet] = sheetsOf(job).sheets as [SheetPlan];
    const pdf = join(FOLDER, "long.pdf");
    await paintPdf([sheet], files, pdf);
    // By hand: 6 010 mm are 17 036.2 pt, more than 14 400; two points to the unit: 8 518.1.
    expect(sheet.paper.height).toBe(mm(6010));
    const text = readFileSync(pdf, "latin1");
    expect(text).toMatch(/\/UserUnit 2\b/);
    expect(Number(/\/MediaBox \[0 0 [\d.]+ ([\d.]+)\]/.exec(text)![1])).toBeCloseTo(8518.11, 1);
    const { width, height } = sheet.pixels;
    const scale = ["-scale-to-x", String(width), "-scale-to-y", String(height)];
    measure("pdftoppm", ...scale, "-png", "-singlefile", pdf, join(FOLDER, "long"));
    const own = await sharp(await encodeSheet(await paintSheet(sheet, files), 36, { format: "png" }))
      .greyscale()
      .raw()
      .toBuffer();
    const other = await sharp(join(FOLDER, "long.png")).greyscale().raw().toBuffer();
    const off = own.reduce((sum, value, i) => sum + Math.abs(value - other[i]!), 0) / own.length;
    expect(off).toBeLessThan(6);
  });
});

describe("the map of a page that is spread", () => {
  it("shows the page in small where it says, and tells sheets, paper and hooks (pdftotext)", async () => {
    const job = hung({ hang: { middle: mm(1500), hooks: 1, below: mm(20) } }, { map: true });
    const { page, sheets } = sheetsOf(job);
    const map = sheets.at(-1)!;
    expect(map.title).toBe("Map");
    expect(map.of).toBe(4);
    const pdf = join(FOLDER, "map.pdf");
    await paintPdf([map], files, pdf);
    const said = measure("pdftotext", "-layout", pdf, "-").replace(/\s+/g, " ");
    expect(said).toContain("Together 500 × 200 mm");
    // By hand: three sheets of 0.32 × 0.45 m are 0.432 m²; the middle of the first panel is 76.67 mm from the left;
    // 1500 + 100 − 20 = 1580.
    expect(said).toMatch(/3 sheets of Large, 0\.43 m² of paper/);
    expect(said).toMatch(/panel 1: 76\.67\smm from the left edge, 1580\smm above the floor/);
    // The first panel in small is the page painted at as many fewer pixels to an inch.
    const part = map.parts[0]!;
    const data = await raw(
      sharp(await written(map)).extract({ left: px(part.at.x), top: px(part.at.y), width: 20, height: 20 }),
    );
    const small = await paintSheet(
      { ...page, ppi: PPI * part.scale, pixels: { width: 30, height: 30 } },
      files,
    );
    const expected = Buffer.alloc(20 * 20 * 3);
    for (let y = 0; y < 20; y++) Buffer.from(small.data.buffer).copy(expected, y * 60, y * 90, y * 90 + 60);
    expect(data.equals(expected)).toBe(true);
  });

  it("is on Letter paper and in inches for whoever works in inches, where the picture comes from a roll", async () => {
    const roll = { name: "Roll", width: mm(610), height: mm(15_000) };
    const job = applyEdit(hung({}, { map: true, roll: true, paper: roll }), { do: "unit", unit: "in" });
    const map = sheetsOf(job).sheets.at(-1)!;
    expect(map.stock).toEqual({ name: "Letter", width: 215_900, height: 279_400 });
    const pdf = join(FOLDER, "inches.pdf");
    await paintPdf([map], files, pdf);
    const said = measure("pdftotext", "-layout", pdf, "-").replace(/\s+/g, " ");
    // By hand: upright all three take 3 · 153.333 + 2 · 4 = 468 of the 600 mm across, so 210 mm are cut off with its
    // margins: 0.61 · 0.21 m² are 1.4 sq ft.
    expect(said).toMatch(/3 pieces from the roll, 1\.4 sq ft of paper/);
  });

  it("leaves sheets as they are, and is no piece", () => {
    const without = sheetsOf(hung({})).sheets;
    const { sheets } = sheetsOf(hung({}, { map: true }));
    expect(sheets.slice(0, 3).map(({ parts }) => parts)).toEqual(without.map(({ parts }) => parts));
    expect(sheets.at(-1)!.freed).toEqual([]);
    expect(um(sheets.at(-1)!.paper.width)).toBe(without[0]!.paper.width);
  });
});
