import { writeFileSync } from "node:fs";
import { join } from "node:path";
import sharp from "sharp";
import { beforeAll, describe, expect, it } from "vitest";
import {
  applyEdit,
  arrange,
  freshJob,
  mm,
  type CellPlan,
  type Face,
  type Job,
  type JobEdit,
  type SetText,
} from "@wide-quilt/core";
import { encodeSheet, paintPdf, paintSheet } from "./index.ts";
import { measure, testFolder } from "./testing/samples.ts";

const folder = testFolder();
const file = (id: string) => join(folder, `${id}.png`);
const PHOTO = { width: 2000, height: 2600 };
const PPI = 300;

/** Handles of a head that leans 6° to the right about (1000, 1200), 1100 px from crown to chin. */
const LEAN = (6 * Math.PI) / 180;
const at = (dx: number, dy: number) => ({
  x: (1000 + dx * Math.cos(LEAN) - dy * Math.sin(LEAN)) / PHOTO.width,
  y: (1200 + dx * Math.sin(LEAN) + dy * Math.cos(LEAN)) / PHOTO.height,
});
const face: Face = {
  crown: at(0, -550),
  skull: null,
  chin: at(0, 550),
  leftEye: at(-170, 0),
  rightEye: at(170, 0),
  ears: null,
  sure: true,
  pose: null,
};

beforeAll(async () => {
  // Black dots of 40 px at the handles, on white.
  const dots = [face.crown, face.chin, face.leftEye, face.rightEye]
    .map(({ x, y }) => `<circle cx="${x * PHOTO.width}" cy="${y * PHOTO.height}" r="20"/>`)
    .join("");
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="2000" height="2600"><rect width="2000" height="2600" fill="#fff"/>${dots}</svg>`;
  await sharp(Buffer.from(svg)).png().toFile(file("dots"));
});

function job(...edits: JobEdit[]): Job {
  const start: JobEdit[] = [
    { do: "add photos", photos: [{ id: "dots", name: "Wren Harlow.png" }] },
    { do: "finish", change: { marks: { ...freshJob("portraits", "x").finish.marks, kind: "none" } } },
  ];
  const done = [...start, ...edits].reduce(applyEdit, freshJob("portraits", "Portraits"));
  return { ...done, heads: { dots: [face] } };
}

/** The middles of the black dots in a part of a picture, as ImageMagick's connected components give them. */
function dots(
  path: string,
  { x, y, width, height }: { x: number; y: number; width: number; height: number },
) {
  const listed = measure(
    "/usr/bin/convert",
    path,
    ...["-crop", `${width}x${height}+${x}+${y}`, "+repage", "-colorspace", "gray", "-threshold", "50%"],
    ...["-define", "connected-components:verbose=true", "-define", "connected-components:area-threshold=20"],
    ...["-connected-components", "8", "null:"],
  );
  return [...listed.matchAll(/ ([\d.]+),([\d.]+) \d+ (?:s?rgba?\(0,0,0(?:,1)?\)|gray\(0\)|black)/g)].map(
    ([, cx, cy]) => ({ x: Number(cx), y: Number(cy) }),
  );
}

/** The words under a cell. */
function textUnder({ over: [ink] }: CellPlan): SetText {
  if (ink?.kind !== "text") throw new Error("no words under the cell");
  return ink.text;
}

describe("a sheet of portraits", () => {
  it("prints head and eyes where the rule has them, level, to 0.1 mm, in pixels and in PDF", async () => {
    const of = job();
    const [plan] = arrange(of, { dots: PHOTO });
    const [cell] = plan!.cells;
    const png = join(folder, "sheet.png");
    writeFileSync(png, await encodeSheet(await paintSheet(plan!, file), PPI, { format: "png" }));
    const pdf = join(folder, "sheet.pdf");
    await paintPdf([plan!], file, pdf);
    measure("pdftoppm", "-r", String(PPI), "-png", "-singlefile", pdf, join(folder, "page"));
    const px = (um: number) => (um * PPI) / 25_400;
    const box = {
      x: Math.floor(px(cell!.finished.x)) + 1,
      y: Math.floor(px(cell!.finished.y)) + 1,
      width: 411,
      height: 529,
    };
    expect(plan!.cells).toHaveLength(8);
    for (const path of [png, join(folder, "page.png")]) {
      const seen = dots(path, box).sort((a, b) => a.y - b.y);
      expect(seen, path).toHaveLength(4);
      const [crown, one, other, chin] = seen as [
        (typeof seen)[0],
        (typeof seen)[0],
        (typeof seen)[0],
        (typeof seen)[0],
      ];
      const tenth = px(100);
      // ICAO: 31.5…36 mm; the middle is 33.75 mm. The eyes are level and on either side of the middle of 35 mm.
      expect(Math.abs(chin!.y - crown!.y - px(33_750))).toBeLessThan(tenth);
      expect(Math.abs(one!.y - other!.y)).toBeLessThan(tenth);
      expect(Math.abs((one!.x + other!.x) / 2 + box.x - px(cell!.finished.x + 17_500))).toBeLessThan(tenth);
    }
  });

  it("prints the name under each piece, outside its trim, as text in the PDF and as ink in pixels", async () => {
    const of = job({ do: "ticket", change: { names: true, copies: 2 } });
    const [plan] = arrange(of, { dots: PHOTO });
    const { box, lines } = textUnder(plan!.cells[0]!);
    expect(lines.map(({ text }) => text)).toEqual(["Wren Harlow"]);
    for (const { finished } of plan!.cells) {
      const clear =
        box.y >= finished.y + finished.height ||
        box.x + box.width <= finished.x ||
        finished.x !== plan!.cells[0]!.finished.x;
      expect(clear).toBe(true);
    }
    const pdf = join(folder, "named.pdf");
    await paintPdf([plan!], file, pdf);
    expect(measure("pdftotext", pdf, "-").match(/Wren Harlow/g)).toHaveLength(2);
    expect(measure("pdffonts", pdf)).toMatch(/HankenGrotesk\S*\s+CID TrueType.*yes yes yes/);
    const sheet = await paintSheet(plan!, file);
    const png = join(folder, "named.png");
    writeFileSync(png, await encodeSheet(sheet, PPI, { format: "png" }));
    const px = (um: number) => Math.round((um * PPI) / 25_400);
    const ink = measure(
      "/usr/bin/convert",
      png,
      ...["-crop", `${px(box.width)}x${px(box.height)}+${px(box.x)}+${px(box.y)}`, "+repage"],
      ...["-threshold", "60%", "-trim", "-format", "%w %h", "info:"],
    );
    const [width, height] = ink.split(" ").map(Number) as [number, number];
    const [along, across] = box.width > box.height ? [width, height] : [height, width];
    // Eleven letters of 2.6 mm (30.7 px): some 5 to 6 em long, and from 0.7 to 1 em high.
    expect(along).toBeGreaterThan(5 * 30.7);
    expect(along).toBeLessThan(6.5 * 30.7);
    expect(across).toBeGreaterThan(0.65 * 30.7);
    expect(across).toBeLessThan(1.05 * 30.7);
  });

  it("sets a long name smaller, and cuts one that is too long even then", () => {
    const name = "A name that is far longer than any piece of thirty-five millimetres can take";
    const [person] = job().ticket.kind === "portraits" ? (job().ticket as { people: object[] }).people : [];
    const of = job({ do: "ticket", change: { names: true, people: [{ ...person, name }] as never } });
    const { size, lines } = textUnder(arrange(of, { dots: PHOTO })[0]!.cells[0]!);
    expect(size).toBe(mm(1.2));
    expect(lines.at(-1)!.text.endsWith("…")).toBe(true);
  });
});
