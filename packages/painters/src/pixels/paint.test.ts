import { writeFileSync } from "node:fs";
import { join } from "node:path";
import sharp from "sharp";
import { beforeAll, describe, expect, it } from "vitest";
import { applyEdit, arrange, freshJob, mm, um, type Job, type JobEdit, type Photos } from "@wide-quilt/core";
import { measure, quarters, testFolder } from "../testing/samples.ts";
import { Cancelled, encodeSheet, paintSheet } from "../index.ts";

const folder = testFolder();
const file = (id: string) => join(folder, `${id}.jpg`);
const photos: Photos = {
  upright: { width: 1400, height: 1800 },
  flagged: { width: 1400, height: 1800 },
  black: { width: 700, height: 900 },
};

beforeAll(async () => {
  await quarters(1400, 1800).jpeg({ quality: 98, chromaSubsampling: "4:4:4" }).toFile(file("upright"));
  // The same picture stored on its side, turned upright by its EXIF flag (6: turn a quarter clockwise to view).
  const onItsSide = await sharp(await quarters(1400, 1800).png().toBuffer())
    .rotate(270)
    .png()
    .toBuffer();
  await sharp(onItsSide).withMetadata({ orientation: 6 }).jpeg({ quality: 98 }).toFile(file("flagged"));
  await sharp({ create: { width: 700, height: 900, channels: 3, background: "#000000" } })
    .jpeg({ quality: 100 })
    .toFile(file("black"));
});

function job(photo: string, ...edits: JobEdit[]): Job {
  const fresh = applyEdit(freshJob("copies", "Test"), {
    do: "add photos",
    photos: [{ id: photo, name: photo }],
  });
  const plain: JobEdit = { do: "finish", change: { marks: { ...fresh.finish.marks, kind: "none" } } };
  return [plain, ...edits].reduce(applyEdit, fresh);
}

async function painted(of: Job) {
  const [plan] = arrange(of, photos);
  const sheet = await paintSheet(plan!, file);
  const at = (x: number, y: number) => [...sheet.data.subarray((y * sheet.width + x) * 3).subarray(0, 3)];
  return { plan: plan!, sheet, at };
}

const near = (got: number[], wanted: number[]) =>
  got.forEach((value, i) => expect(Math.abs(value - wanted[i]!)).toBeLessThanOrEqual(6));
const RED = [255, 0, 0];
const GREEN = [0, 255, 0];
const BLUE = [0, 0, 255];
const YELLOW = [255, 255, 0];

describe("paintSheet", () => {
  it("puts each cell's edges on the plan's edges, rounded to whole pixels", async () => {
    const { sheet, plan } = await painted(job("black"));
    const path = join(folder, "black-sheet.png");
    writeFileSync(path, await encodeSheet(sheet, 300, { format: "png" }));
    // ImageMagick trims the white around a row of the sheet and says where the black begins and ends.
    expect(measure("identify", "-format", "%w %h", path)).toBe("1800 1200");
    for (const { finished } of plan.cells) {
      const margin = 11; // px of the 2 mm gap (23.6 px) that are looked at around the cell
      const [x, y] = [finished.x, finished.y].map((um) => Math.floor((um * 300) / 25_400) - margin);
      const box = measure(
        "/usr/bin/convert",
        path,
        "-crop",
        `${413 + 2 * margin + 2}x${531 + 2 * margin + 2}+${x}+${y}`,
        "+repage",
        "-threshold",
        "50%",
        "-format",
        "%@",
        "info:",
      );
      const [width, height, left, top] = box.split(/[x+]/).map(Number) as [number, number, number, number];
      const exact = (um: number) => (um * 300) / 25_400;
      expect(Math.abs(x! + left - exact(finished.x))).toBeLessThanOrEqual(0.5);
      expect(Math.abs(y! + top - exact(finished.y))).toBeLessThanOrEqual(0.5);
      expect(Math.abs(x! + left + width - exact(finished.x + 35_000))).toBeLessThanOrEqual(0.5);
      expect(Math.abs(y! + top + height - exact(finished.y + 45_000))).toBeLessThanOrEqual(0.5);
    }
  });

  it.each(["upright", "flagged"])("shows a photo the right way up (%s)", async (photo) => {
    const { at } = await painted(job(photo));
    // Cell 1: 38…451 × 57…588 px; a look into each quarter.
    near(at(100, 150), RED);
    near(at(400, 150), GREEN);
    near(at(100, 500), BLUE);
    near(at(400, 500), YELLOW);
  });

  it("turns photos clockwise", async () => {
    const turned = (turn: 90 | 180 | 270) =>
      painted(job("upright", { do: "shot", shot: "1", change: { turn } })).then(({ at }) => at);
    const quarter = await turned(90);
    near(quarter(100, 150), BLUE);
    near(quarter(400, 150), RED);
    near((await turned(180))(100, 150), YELLOW);
    near((await turned(270))(100, 150), GREEN);
  });

  it("cuts the right part out of a photo that is scaled far up", async () => {
    // Ten times, its point (0.5, 0.25) at the middle: the red–green edge runs down the middle of the cell.
    const { at } = await painted(
      job("upright", { do: "shot", shot: "1", change: { scale: 10, centre: { x: 0.5, y: 0.25 } } }),
    );
    const middle = 38 + 413 / 2;
    near(at(Math.round(middle) - 12, 300), RED);
    near(at(Math.round(middle) + 12, 300), GREEN);
  });

  it("leaves paper bare beside a whole photo", async () => {
    // A 700 × 900 photo on its side, whole: 35 × 27.2 mm in a 35 × 45 mm cell; 8.9 mm bare above and below.
    const { at } = await painted(job("black", { do: "shot", shot: "1", change: { turn: 90, fit: "whole" } }));
    near(at(240, 57 + 90), [255, 255, 255]);
    near(at(240, 57 + 120), [0, 0, 0]);
  });

  it("paints an outline centred on the finished edge, and marks beside the photos", async () => {
    const { at } = await painted(
      job(
        "black",
        { do: "finish", change: { outline: { width: mm(1), colour: "#ff0000" } } },
        {
          do: "finish",
          change: { marks: { kind: "corner ticks", length: mm(4), width: um(200), colour: "#0000ff" } },
        },
      ),
    );
    // The left edge of cell 1 is at 37.8 px; 1 mm is 11.8 px: red from 32 to 44.
    near(at(31, 300), [255, 255, 255]);
    near(at(33, 300), RED);
    near(at(42, 300), RED);
    near(at(45, 300), [0, 0, 0]);
    // The tick on the upper edge, 0.5 mm outside the corner: at y = 56.7 px, x from 0 to 31.9 less the clearance.
    near(at(20, 57), BLUE);
    near(at(20, 60), [255, 255, 255]);
  });

  it("stops when nobody waits for it any more", async () => {
    const [plan] = arrange(job("black"), photos);
    await expect(paintSheet(plan!, file, { signal: AbortSignal.abort() })).rejects.toThrow(Cancelled);
  });

  it("converts a wide-gamut photo to sRGB", async () => {
    await sharp({ create: { width: 70, height: 90, channels: 3, background: "#80ff80" } })
      .withIccProfile("p3", { attach: true })
      .jpeg({ quality: 100, chromaSubsampling: "4:4:4" })
      .toFile(file("wide"));
    const [plan] = arrange(job("wide"), { wide: { width: 70, height: 90 } });
    const { data, width } = await paintSheet(plan!, file);
    // sharp converted #80ff80 to P3 when it wrote the file; back in sRGB it is the same colour again.
    near([...data.subarray((300 * width + 200) * 3).subarray(0, 3)], [0x80, 0xff, 0x80]);
  });
});

describe("encodeSheet", () => {
  it("states the density in JFIF and in EXIF and names sRGB", async () => {
    const { sheet } = await painted(job("black"));
    const path = join(folder, "sheet.jpg");
    writeFileSync(path, await encodeSheet(sheet, 300, { format: "jpeg", quality: 90 }));
    const tags = JSON.parse(measure("exiftool", "-j", "-G1", path))[0];
    expect(tags).toMatchObject({
      "File:ImageWidth": 1800,
      "File:ImageHeight": 1200,
      "JFIF:XResolution": 300,
      "JFIF:YResolution": 300,
      "JFIF:ResolutionUnit": "inches",
      "IFD0:XResolution": 300,
      "IFD0:YResolution": 300,
      "IFD0:ResolutionUnit": "inches",
    });
    expect(tags["ICC_Profile:ProfileDescription"]).toMatch(/sRGB/i);
    const png = join(folder, "density.png");
    writeFileSync(png, await encodeSheet(sheet, 300, { format: "png" }));
    expect(measure("identify", "-units", "PixelsPerInch", "-format", "%x", png)).toMatch(/^(300|299\.99)/);
  });
});

describe("cells put by hand", () => {
  const put = (
    cells: { x: number; y: number; angle?: number; order?: number; photo: string }[],
  ): JobEdit[] => [
    { do: "become", kind: "free", stands: [] },
    {
      do: "add cells",
      cells: cells.map(({ x, y, angle = 0, order = 0, photo }) => ({
        photo,
        place: {
          sheet: "1",
          x: mm(x),
          y: mm(y),
          width: mm(40),
          height: mm(20),
          angle,
          order,
          locked: false,
          proportion: false,
        },
      })),
    },
  ];

  it("tilts a cell about its middle, to half a pixel, and leaves the corners that turning adds bare", async () => {
    // 40 × 20 mm about (50, 50) mm by 30°: a corner (20, −10) from the middle comes to (20·cos 30 + 10·sin 30,
    // 20·sin 30 − 10·cos 30) = (22.32, 1.34).
    const { at } = await painted(job("black", ...put([{ x: 30, y: 40, angle: 30, photo: "black" }])));
    const px = (millimetres: number) => Math.floor((millimetres * 300) / 25.4);
    near(at(px(50), px(50)), [0, 0, 0]);
    near(at(px(50 + 22), px(50 + 1.34)), [0, 0, 0]);
    near(at(px(50 + 22.6), px(50 + 1.34)), [255, 255, 255]);
    near(at(px(50 - 22), px(50 - 1.34)), [0, 0, 0]);
    near(at(px(50 - 22.6), px(50 - 1.34)), [255, 255, 255]);
    // What lay in the upright cell's corner is bare now, and what lay beside its short side is not.
    near(at(px(50 + 19), px(50 - 9)), [255, 255, 255]);
    near(at(px(50 + 14), px(50 + 13)), [0, 0, 0]);
  });

  it("paints cells that lie over others in their order", async () => {
    const over = (order: number) =>
      job(
        "black",
        { do: "add photos", photos: [{ id: "upright", name: "upright" }] },
        ...put([
          { x: 20, y: 20, order, photo: "black" },
          { x: 40, y: 20, photo: "upright" },
        ]),
      );
    const px = (millimetres: number) => Math.floor((millimetres * 300) / 25.4);
    const both = [px(50), px(25)] as const;
    near((await painted(over(1))).at(...both), [0, 0, 0]);
    near((await painted(over(0))).at(...both), RED);
  });
});
