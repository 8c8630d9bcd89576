import { execFileSync } from "node:child_process";
import { readFileSync } from "node:fs";
import sharp from "sharp";
import { expect, it } from "vitest";
import { applyEdit, arrange, imposed, mm, type Block, type Job } from "@wide-quilt/core";
import { file, job, png } from "./testing/finish.ts";
import { paintPdf, paintSvg } from "./index.ts";

const PPI = 254;
const form: Block = {
  kind: "table",
  title: "",
  columns: [
    { heading: "Photo", share: 2, align: "left" },
    { heading: "Sum", share: 1, align: "right" },
  ],
  rows: [["Tern", "12"]],
  blank: 1,
  type: { font: "hanken", size: mm(3), least: mm(1), colour: "#000000", align: "left" },
  line: { width: mm(0.4), colour: "#c80000" },
  head: "#b0d0ff",
  stands: "hand",
  x: mm(10),
  y: mm(20),
  width: mm(60),
  height: mm(30),
  sheet: null,
};
const withForm = (): Job =>
  job(
    "free",
    [],
    {
      do: "sheet",
      change: { paper: { name: "Card", width: mm(80), height: mm(60) }, lie: "portrait" },
    },
    { do: "target", change: { ppi: PPI } },
    { do: "blocks", blocks: { b1: form } },
  );

async function at(path: string) {
  const { data, info } = await sharp(path).removeAlpha().raw().toBuffer({ resolveWithObject: true });
  return (x: number, y: number) => [
    ...data.subarray((Math.round(y * 10) * info.width + Math.round(x * 10)) * 3).subarray(0, 3),
  ];
}
const red = ([r, g, b]: number[]) => r! > 170 && g! < 60 && b! < 60;

it("is painted as vectors where the plan has it: lines, tint and words in PNG, PDF and SVG", async () => {
  const [page] = arrange(withForm(), {});
  const pixel = await at(await png(page!, "form"));
  // Three rows of 10 mm from 20, columns of 40 and 20 from 10; lines of 0.4 mm lie half to each side.
  for (const x of [10, 50, 70]) expect(red(pixel(x, 27))).toBe(true);
  for (const y of [20, 30, 40, 50]) expect(red(pixel(45, y))).toBe(true);
  for (const x of [9.6, 10.4, 49.6, 50.4]) expect(red(pixel(x, 35))).toBe(false);
  expect(pixel(45, 22)).toEqual([0xb0, 0xd0, 0xff]);
  expect(pixel(45, 45)).toEqual([255, 255, 255]);
  const path = file("form.pdf");
  await paintPdf([page!], file, path);
  // As text, in the order of reading (Poppler).
  expect(
    execFileSync("/usr/bin/pdftotext", ["-layout", path, "-"], { encoding: "utf8" })
      .split(/\s+/)
      .filter(Boolean),
  ).toEqual(["Photo", "Sum", "Tern", "12"]);
  execFileSync("/usr/bin/pdftoppm", [
    "-r",
    String(PPI),
    "-png",
    "-singlefile",
    path,
    path.replace(".pdf", ""),
  ]);
  const printed = await at(path.replace(".pdf", ".png"));
  for (const x of [10, 50, 70]) expect(red(printed(x, 27))).toBe(true);
  expect(printed(45, 22)).toEqual([0xb0, 0xd0, 0xff]);
  const svg = file("form.svg");
  await paintSvg(page!, file, svg);
  expect(readFileSync(svg, "utf8")).toContain(">Tern</tspan>");
  expect(readFileSync(svg, "utf8")).toMatch(/<path d="M10000 20000L10000 50000M/);
});

it("lies with its page on a sheet of several, turned by quarters", async () => {
  const of = applyEdit(withForm(), {
    do: "impose",
    change: {
      way: "several",
      paper: { name: "A5", width: mm(148), height: mm(210) },
      lie: "portrait",
      grid: null,
      gap: mm(10),
      marks: "none",
    },
  });
  const [sheet] = imposed(of, arrange(of, {}));
  const [first] = sheet!.freed!;
  const pixel = await at(await png(sheet!, "sheet"));
  // A page on its side is its upright self a quarter clockwise: (x, y) goes to (60 − y, x).
  const isTurned = first!.width === mm(60);
  const place = (x: number, y: number) =>
    isTurned
      ? pixel(first!.x / 1000 + 60 - y, first!.y / 1000 + x)
      : pixel(first!.x / 1000 + x, first!.y / 1000 + y);
  expect(isTurned).toBe(true);
  for (const x of [10, 50, 70]) expect(red(place(x, 27))).toBe(true);
  expect(place(45, 22)).toEqual([0xb0, 0xd0, 0xff]);
});
