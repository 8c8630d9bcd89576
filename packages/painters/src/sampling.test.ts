import { execFileSync } from "node:child_process";
import { writeFileSync } from "node:fs";
import { join } from "node:path";
import sharp, { type Sharp } from "sharp";
import { describe, expect, it } from "vitest";
import { applyEdit, arrange, freshJob, mm, type CellPlan, type JobEdit } from "@wide-quilt/core";
import { encodeSheet, paintPdf, paintSheet, UNTITLED } from "./index.ts";
import { testFolder } from "./testing/samples.ts";

const folder = testFolder();
const PPI = 300;

type Point = { x: number; y: number };

/** White above and to the left of a corner at so many pixels, black to the right of and below it. */
const corner = (width: number, height: number, { x, y }: Point): Sharp => {
  const black = {
    create: { width: width - x, height: height - y, channels: 3 as const, background: "#000000" },
  };
  return sharp({ create: { width, height, channels: 3, background: "#ffffff" } }).composite([
    { input: black, left: x, top: y },
  ]);
};

/** A sheet with one cell of 70 × 50 mm, and the photo in it. */
function sheetOf(width: number, height: number, ...edits: JobEdit[]) {
  const fresh = freshJob("copies", "Edges");
  const { marks } = fresh.finish;
  const photo = { id: "0".repeat(64), name: "edge" };
  const all: JobEdit[] = [
    { do: "add photos", photos: [photo] },
    { do: "ticket", change: { size: { width: mm(70), height: mm(50) }, copies: 1 } },
    { do: "finish", change: { marks: { ...marks, kind: "none" } } },
    ...edits,
  ];
  return arrange(all.reduce(applyEdit, fresh), { [photo.id]: { width, height } })[0]!;
}

type Box = [width: number, height: number, left: number, top: number];

/** Grey values of a strip of a picture, by ImageMagick. */
const greys =
  (path: string) =>
  ([width, height, x, y]: Box): Buffer => {
    const strip = ["-crop", `${width}x${height}+${x}+${y}`, "+repage", "-depth", "8", "gray:-"];
    return execFileSync("/usr/bin/convert", [path, ...strip]);
  };

/** Poppler lays pictures onto whole pixels of its own, so it is asked for sixteen times as many. */
const FINE = 16;

/** The same of a PDF, drawn by Poppler. */
const drawn =
  (path: string) =>
  ([width, height, x, y]: Box): Buffer => {
    const part = ["-x", x, "-y", y, "-W", width, "-H", height].map(String);
    const pgm = execFileSync("pdftoppm", ["-r", String(PPI * FINE), "-gray", ...part, path]);
    return pgm.subarray(pgm.length - width * height);
  };

/** How far a strip is white, in its pixels: by the values of the file, and by the light they send (IEC 61966-2-1). */
const byValue = (strip: Buffer): number => strip.reduce((sum, v) => sum + v / 255, 0);
const byLight = (strip: Buffer): number =>
  strip.reduce((sum, v) => sum + (v <= 10 ? v / 255 / 12.92 : ((v / 255 + 0.055) / 1.055) ** 2.4), 0);

/** Where a point of the photo, in shares of it, lies on the sheet by the plan, in pixels. */
const planned = ({ picture }: CellPlan, { x, y }: Point): Point => {
  const { placed } = picture!;
  const px = (um: number) => (um * PPI) / 25_400;
  return { x: px(placed.x + x * placed.width), y: px(placed.y + y * placed.height) };
};

/** Looks in strips across it where the corner really lies, and how far from where it is planned, in pixels of the sheet. */
function off(
  strip: (box: Box) => Buffer,
  white: (strip: Buffer) => number,
  at: Point,
  reach: number,
  finer = 1,
): Point {
  const long = reach * finer;
  const [x, y] = [Math.round(at.x * finer), Math.round(at.y * finer)];
  // Beside the corner, where black lies to the right of and below it.
  const beside = Math.round(long / 2);
  const across = white(strip([2 * long, 1, x - long, y + beside]));
  const down = white(strip([1, 2 * long, x + beside, y - long]));
  return { x: (x - long + across) / finer - at.x, y: (y - long + down) / finer - at.y };
}

const expectNone = ({ x, y }: Point) => {
  expect(Math.abs(x)).toBeLessThan(0.1);
  expect(Math.abs(y)).toBeLessThan(0.1);
};

describe("what lies in a photo lies on paper within a tenth of a pixel of where it is planned", () => {
  const cases = [
    ["enlarged ten times", 83, 60, 1],
    ["enlarged three times and moved", 301, 203, 1.137],
    ["as many pixels as the sheet", 827, 591, 1],
    ["made smaller by a half and moved", 1701, 1203, 1.037],
    ["made smaller ten times", 8271, 5907, 1],
  ] as const;
  it.each(cases)("%s: in pixels, by value and by light, and in a PDF", async (_, width, height, scale) => {
    const path = join(folder, `${width}.png`);
    const at = { x: Math.round(width * 0.48), y: Math.round(height * 0.53) };
    await corner(width, height, at).png().toFile(path);
    const centre = { x: 0.5 - 0.031 * (scale - 1), y: 0.5 + 0.27 * (scale - 1) };
    const plan = sheetOf(width, height, { do: "shot", shot: "1", change: { scale, centre } });
    const [cell] = plan.cells as [CellPlan];
    const where = planned(cell, { x: at.x / width, y: at.y / height });
    const file = () => path;

    const written = join(folder, `${width}-sheet.png`);
    writeFileSync(written, await encodeSheet(await paintSheet(plan, file), PPI, { format: "png" }));
    expectNone(off(greys(written), byValue, where, 60));

    // What is made larger is not weighed by light.
    const smaller = cell.picture!.ppi > PPI;
    const light = await paintSheet(plan, file, {}, { light: true });
    writeFileSync(written, await encodeSheet(light, PPI, { format: "png" }));
    expectNone(off(greys(written), smaller ? byLight : byValue, where, 60));

    const pdf = join(folder, `${width}.pdf`);
    const about = { ...UNTITLED, date: new Date(0) };
    await paintPdf([plan], file, pdf, {
      about,
      medium: "none",
      photoPpi: null,
      keepPlace: false,
      colour: null,
    });
    expectNone(off(drawn(pdf), byValue, where, 60, FINE));
  });

  // 3 999 × 3 003 is no multiple of what a JPEG is loaded smaller by; the corner lies far to the right and below.
  it.each([1, 2, 3, 4, 5, 6, 7, 8])(
    "a JPEG that is loaded smaller, stored in way %s",
    async (orientation) => {
      const [width, height] = [3999, 3003];
      const at = { x: 3800, y: 2850 };
      const upright = await corner(width, height, at).png().toBuffer();
      const stored: Record<number, (image: Sharp) => Sharp> = {
        1: (image) => image,
        2: (image) => image.flop(),
        3: (image) => image.rotate(180),
        4: (image) => image.flip(),
        5: (image) => image.rotate(270).flop(),
        6: (image) => image.rotate(270),
        7: (image) => image.rotate(90).flop(),
        8: (image) => image.rotate(90),
      };
      // Flips come before turns in one pipeline of sharp, so each is one of its own.
      const lying = await stored[orientation]!(sharp(upright)).png().toBuffer();
      const path = join(folder, `stored-${orientation}.jpg`);
      await sharp(lying).withMetadata({ orientation }).jpeg({ quality: 98 }).toFile(path);
      const plan = sheetOf(width, height, { do: "shot", shot: "1", change: { fit: "whole" } });
      const where = planned(plan.cells[0]!, { x: at.x / width, y: at.y / height });
      const written = join(folder, `stored-${orientation}.png`);
      writeFileSync(written, await encodeSheet(await paintSheet(plan, () => path), PPI, { format: "png" }));
      expectNone(off(greys(written), byValue, where, 20));
    },
  );
});
