import { mkdirSync, readdirSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import sharp from "sharp";
import { beforeAll, describe, expect, it } from "vitest";
import { builtInProfile } from "@wide-quilt/colour";
import { applyEdit, arrange, freshJob, type Job, type JobEdit } from "@wide-quilt/core";
import { demoProfiles } from "@wide-quilt/demo";
import { paintPdf, UNTITLED, type PdfOptions } from "../index.ts";
import { measure, quarters, testFolder } from "../testing/samples.ts";

const folder = testFolder();
const file = (id: string) => join(folder, `${id}.jpg`);
const SIZE = { width: 1400, height: 1800 };
const press = demoProfiles()[1]!.profile;

beforeAll(async () => {
  const jpeg = await quarters(SIZE.width, SIZE.height).jpeg({ quality: 95 }).toBuffer();
  writeFileSync(file("plain"), jpeg);
  writeFileSync(file("told"), jpeg);
  measure(
    "exiftool",
    "-overwrite_original",
    "-GPSLatitude=54",
    "-GPSLongitude=10",
    "-Artist=A",
    file("told"),
  );
});

const job = (photo: string, ...edits: JobEdit[]): Job =>
  edits.reduce(
    applyEdit,
    applyEdit(freshJob("copies", "Badges"), { do: "add photos", photos: [{ id: photo, name: photo }] }),
  );

let count = 0;
async function written(of: Job, options: PdfOptions = {}): Promise<string> {
  const path = join(folder, `sheet${count++}.pdf`);
  await paintPdf(arrange(of, { [of.stash[0]!.id]: SIZE }), file, path, {
    about: { ...UNTITLED, title: "Badges & more", creator: "Marram Spit", copyright: "© 2026" },
    ...options,
  });
  return path;
}

/** The pictures of a PDF by pdfimages: width, height and pixels per inch of the first. */
function firstImage(path: string) {
  const row = measure("pdfimages", "-list", path).split("\n")[2]!.trim().split(/\s+/);
  return { width: Number(row[3]), height: Number(row[4]), ppi: Number(row[12]) };
}

function embedded(path: string): Buffer {
  const images = join(folder, `images${count++}`);
  mkdirSync(images);
  measure("pdfimages", "-all", path, join(images, "photo"));
  return readFileSync(join(images, readdirSync(images)[0]!));
}

const qdf = (path: string) => measure("qpdf", "--qdf", "--object-streams=disable", path, "-");

describe("a PDF for a press", () => {
  const colour = { profile: press, intent: "perceptual", blackPoint: true } as const;

  it("says PDF/X-4 and its printing condition, with the profile inside", async () => {
    const path = await written(job("plain"), { colour });
    expect(measure("pdfinfo", path)).toMatch(/PDF version:\s+1\.6/);
    const text = qdf(path);
    expect(text).toMatch(/\/S \/GTS_PDFX/);
    expect(text).toContain("(Dune press, uncoated)");
    expect(text).toContain("/Perceptual ri");
    expect(text).toMatch(/\/DefaultRGB \[\s*\/ICCBased/);
    expect(text).toMatch(/\/ID \[/);
    expect(readFileSync(path).includes("uuid:wide-quilt")).toBe(true);
    expect(measure("qpdf", "--check", path)).toMatch(/No syntax or stream encoding errors/);
  });

  it("has XMP that says what the information dictionary says", async () => {
    const path = await written(job("plain"), { colour });
    const read = (tag: string) => measure("exiftool", "-s3", `-${tag}`, path).trim();
    expect([read("XMP-dc:Title"), read("PDF:Title")]).toEqual(["Badges & more", "Badges & more"]);
    expect([read("XMP-dc:Creator"), read("PDF:Author")]).toEqual(["Marram Spit", "Marram Spit"]);
    expect(read("XMP-dc:Rights")).toBe("© 2026");
    expect(read("XMP-pdf:Trapped")).toBe("False");
    expect(read("XMP-pdfxid:GTS_PDFXVersion")).toBe("PDF/X-4");
  });

  it("does not claim it for a display’s profile, nor anything without colour management", async () => {
    const shown = await written(job("plain"), { colour: { ...colour, profile: builtInProfile("srgb")! } });
    expect(measure("pdfinfo", shown)).not.toContain("PDF/X");
    expect(qdf(shown)).toContain("/GTS_PDFA1");
    const plain = qdf(await written(job("plain"), { colour: null }));
    expect(plain).not.toContain("/OutputIntent");
    expect(plain).not.toContain("/ICCBased");
  });
});

describe("layers", () => {
  it("have the marks, which a reader can turn off", async () => {
    const path = await written(job("plain"));
    const text = qdf(path);
    expect(text).toMatch(/\/Type \/OCG/);
    const [, marks] = /\/OC \/Marks BDC([\s\S]*?)EMC/.exec(text)!;
    // Four corners of eight pieces; every tick is one line.
    expect(marks!.match(/ l\s/g)!.length).toBe(arrange(job("plain"), { plain: SIZE })[0]!.marks.length);
    const on = join(folder, "on.png");
    const off = join(folder, "off.png");
    measure("pdftoppm", "-r", "150", "-png", "-singlefile", path, on.slice(0, -4));
    const hidden = join(folder, "hidden.pdf");
    const plain = join(folder, "plain.pdf");
    measure("qpdf", "--qdf", "--object-streams=disable", path, plain);
    writeFileSync(hidden, readFileSync(plain, "latin1").replace(/\/ON \[/, "/OFF["), "latin1");
    measure("pdftoppm", "-r", "150", "-png", "-singlefile", hidden, off.slice(0, -4));
    // A tick runs along the top edge of the sheet at the left edge of cell 1, 3.2 mm from the paper’s edge.
    const dark = async (picture: string) => {
      const part = sharp(picture).extract({ left: 16, top: 4, width: 6, height: 16 });
      return Math.min(...(await part.greyscale().raw().toBuffer()));
    };
    expect(await dark(on)).toBeLessThan(120);
    expect(await dark(off)).toBeGreaterThan(250);
  });
});

describe("photos in a PDF", () => {
  it("go in byte for byte, unless they tell of place and photographer", async () => {
    expect(embedded(await written(job("plain"))).equals(readFileSync(file("plain")))).toBe(true);
    const told = join(folder, "from-pdf.jpg");
    writeFileSync(told, embedded(await written(job("told"))));
    expect(measure("exiftool", "-s3", "-GPSPosition", told).trim()).toBe("");
    // The picture itself is the same, to the byte.
    const scan = (jpeg: Buffer) => jpeg.subarray(jpeg.indexOf(Buffer.from([0xff, 0xdb])));
    expect(scan(readFileSync(told)).equals(scan(readFileSync(file("told"))))).toBe(true);
    expect(embedded(await written(job("told"), { keepPlace: true })).equals(readFileSync(file("told")))).toBe(
      true,
    );
  });

  it("are written at the asked ppi where they have more, never at more than they have", async () => {
    // 1800 px over 45 mm (the height decides at 35 × 45): 1016 ppi.
    expect(firstImage(await written(job("plain"))).ppi).toBeGreaterThan(1000);
    const at300 = firstImage(await written(job("plain"), { photoPpi: 300 }));
    expect(Math.abs(at300.ppi - 300)).toBeLessThanOrEqual(1);
    expect(firstImage(await written(job("plain"), { photoPpi: 2000 })).width).toBe(SIZE.width);
  });

  it("are cut to what is seen where most of them is cropped away, and lie where they lay", async () => {
    const close: JobEdit = {
      do: "shot",
      shot: "1",
      change: { photo: "plain", scale: 3, centre: { x: 0.5, y: 0.5 } },
    };
    const path = await written(job("plain", close));
    const { width, height } = firstImage(path);
    // A third of each side and one percent of the photo around it.
    expect(width).toBeLessThan(SIZE.width * 0.37);
    expect(height).toBeLessThan(SIZE.height * 0.37);
    const page = join(folder, "close");
    measure("pdftoppm", "-r", "100", "-png", "-singlefile", path, page);
    const at = async (x: number, y: number) =>
      [
        ...(await sharp(`${page}.png`)
          .extract({ left: x, top: y, width: 1, height: 1 })
          .removeAlpha()
          .raw()
          .toBuffer()),
      ].map((v) => Math.round(v / 255));
    // The middle of the photo, where its four quarters meet, is the middle of cell 1: 81.5, 107.5 px at 100 ppi.
    expect(await at(76, 102)).toEqual([1, 0, 0]);
    expect(await at(87, 102)).toEqual([0, 1, 0]);
    expect(await at(76, 113)).toEqual([0, 0, 1]);
    expect(await at(87, 113)).toEqual([1, 1, 0]);
  });
});

describe("pages that face each other", () => {
  it("are opened in pairs, the first at the left or alone at the right, and counted by their numbers (exiftool)", async () => {
    const layout = async (facing: "left" | "right" | null) =>
      measure("exiftool", "-s3", "-PageLayout", await written(job("plain"), { facing })).trim();
    expect([await layout("left"), await layout("right"), await layout(null)]).toEqual([
      "TwoPageLeft",
      "TwoPageRight",
      "",
    ]);
    const bytes = readFileSync(await written(job("plain"))).toString("latin1");
    expect(bytes).toMatch(/\/PageLabels\s*<<\s*\/Nums\s*\[0 <<\s*\/S \/D\s*\/St 1\s*>>\]/);
  });
});
