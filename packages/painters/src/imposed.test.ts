import { execFileSync } from "node:child_process";
import { readFileSync } from "node:fs";
import sharp from "sharp";
import { beforeAll, describe, expect, it } from "vitest";
import { applyEdit, arrange, imposed, mm, um, type Job, type SheetPlan } from "@wide-quilt/core";
import { file, job, makePhotos, PHOTOS, png } from "./testing/finish.ts";
import { paintPdf, paintSvg } from "./index.ts";

beforeAll(makePhotos);

const paper = (name: string, width: number, height: number) => ({
  name,
  width: mm(width),
  height: mm(height),
});
/** Whole pixels a millimetre, so that a page and its place on a sheet are rounded alike. */
const PPI = 254;

/** A card with all that can lie on a page: a border, a mat, words, a gradient behind, a stamp that is turned. */
const card = (): Job =>
  job(
    "single",
    ["a"],
    { do: "sheet", change: { paper: paper("Card", 80, 60), lie: "portrait" } },
    { do: "target", change: { ppi: PPI, bleed: mm(2) } },
    { do: "ticket", change: { way: "border", border: mm(8) } },
    { do: "ground", ground: { kind: "gradient", top: "#ffffff", bottom: "#103060" } },
    {
      do: "style",
      change: {
        border: {
          place: "inside",
          width: { top: mm(1), right: mm(2), bottom: mm(5), left: mm(3) },
          colour: "#e0b020",
          corner: um(0),
        },
      },
    },
    {
      do: "texts",
      texts: {
        t1: {
          text: "Low water",
          type: { font: "hanken", size: mm(5), least: mm(3), colour: "#000000", align: "left" },
          x: mm(6),
          y: mm(1),
          width: mm(50),
          height: mm(6),
          turn: 0,
          sheet: null,
        },
      },
    },
    {
      do: "impose",
      change: { way: "several", paper: paper("A4", 210, 297), gap: mm(10), marks: "none", order: "repeat" },
    },
  );

/** The pixels of a page, and those of a part of a sheet turned back. */
const pixels = async (
  path: string,
  part?: { x: number; y: number; width: number; height: number },
  turn = 0,
) => {
  let image = sharp(path);
  if (part) {
    const [left, top, width, height] = [part.x, part.y, part.width, part.height].map((um) => um / 100);
    image = image.extract({ left: left!, top: top!, width: width!, height: height! });
  }
  const { data, info } = await sharp(await image.png().toBuffer())
    .rotate((360 - turn) % 360)
    .removeAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  return { data, width: info.width, height: info.height };
};

/** The share of samples that differ by more than a few steps, and the largest difference. */
function difference(a: Buffer, b: Buffer): { share: number; most: number } {
  let [far, most] = [0, 0];
  for (let i = 0; i < a.length; i++) {
    const off = Math.abs(a[i]! - b[i]!);
    if (off > 24) far++;
    most = Math.max(most, off);
  }
  return { share: far / a.length, most };
}

describe("pages that are cut from one sheet", () => {
  it("are painted as the page is, upright and on their side, to the pixel but for the edges of letters", async () => {
    const of = card();
    const [page] = arrange(of, PHOTOS);
    const alone = await pixels(await png(page!, "page.png"));
    expect([alone.width, alone.height]).toEqual([800, 600]);
    for (const lie of ["portrait", "landscape"] as const) {
      for (const grid of [null, { columns: 1, rows: 2 }]) {
        const [sheet] = imposed(applyEdit(of, { do: "impose", change: { lie, grid } }), [page!]) as [
          SheetPlan,
        ];
        const path = await png(sheet, `sheet-${lie}-${grid ? 2 : "most"}.png`);
        const turn = sheet.cells[0]!.turn;
        expect(sheet.freed!.length).toBe(grid ? 2 : sheet.freed!.length);
        for (const part of [sheet.freed![0]!, sheet.freed!.at(-1)!]) {
          const there = await pixels(path, part, turn);
          expect([there.width, there.height]).toEqual([alone.width, alone.height]);
          // Letters and the photo are laid on other fractions of a pixel once they are turned; nothing else is.
          expect(difference(alone.data, there.data).share).toBeLessThan(turn === 0 ? 1e-4 : 0.004);
        }
      }
    }
  });

  it("bleed to the middle of the gap and no further", async () => {
    const of = applyEdit(card(), {
      do: "impose",
      change: { gap: mm(3), grid: { columns: 1, rows: 2 }, mayTurn: false },
    });
    const [sheet] = imposed(of, arrange(of, PHOTOS)) as [SheetPlan];
    const path = await png(sheet, "gap.png");
    const [upper, lower] = sheet.freed as [SheetPlan["trim"], SheetPlan["trim"]];
    expect(lower.y - upper.y - upper.height).toBe(mm(3));
    const { data, info } = await sharp(path).removeAlpha().raw().toBuffer({ resolveWithObject: true });
    const at = (xMm: number, yMm: number) => [
      ...data.subarray((Math.round(yMm * 10) * info.width + Math.round(xMm * 10)) * 3).subarray(0, 3),
    ];
    const x = (upper.x + upper.width / 2) / 1000;
    const foot = (upper.y + upper.height) / 1000;
    // The gradient ends dark at the foot of a page and begins white at the top of the next.
    expect(at(x, foot + 1.3)[0]).toBeLessThan(60);
    expect(at(x, foot + 1.7)[0]).toBeGreaterThan(200);
    // At the outer sides the bleed of 2 mm is whole: by hand, 65 mm are left beside a card of 80 on 210.
    expect(upper.x).toBe(mm(65));
    expect(at(63.2, foot - 1)[0]).toBeLessThan(60);
    expect(at(62.8, foot - 1)).toEqual([255, 255, 255]);
  });

  it("are text that can be searched in PDF and SVG, each on its place", async () => {
    const of = applyEdit(card(), { do: "impose", change: { grid: { columns: 1, rows: 2 }, mayTurn: false } });
    const [sheet] = imposed(of, arrange(of, PHOTOS)) as [SheetPlan];
    const path = file("sheet.pdf");
    await paintPdf([sheet], file, path);
    const words = execFileSync("/usr/bin/pdftotext", ["-bbox", path, "-"], { encoding: "utf8" });
    const tops = [...words.matchAll(/yMin="([\d.]+)"[^>]*>Low</g)].map(
      (match) => (Number(match[1]) * 25.4) / 72,
    );
    expect(tops).toHaveLength(2);
    // As far apart as the pages: 60 mm and the gap of 10.
    expect(tops[1]! - tops[0]!).toBeCloseTo(70, 1);
    const svg = file("sheet.svg");
    await paintSvg(sheet, file, svg);
    expect(readFileSync(svg, "utf8").match(/Low water/g)).toHaveLength(2);
    const info = execFileSync("/usr/bin/pdfinfo", ["-box", path], { encoding: "utf8" });
    expect(info).toMatch(/Page size:\s+595\.2\d* x 841\.8/);
  });
});
