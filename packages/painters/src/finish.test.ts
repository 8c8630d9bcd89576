import sharp from "sharp";
import { beforeAll, describe, expect, it } from "vitest";
import { arrange, AS_IT_IS, mm, um, type Border, type JobEdit } from "@wide-quilt/core";
import { paintPdf } from "./index.ts";
import { colourAt, file, inkIn, job, makePhotos, PHOTOS, png, PPI, px } from "./testing/finish.ts";
import { measure } from "./testing/samples.ts";

beforeAll(makePhotos);

describe("borders in the written file", () => {
  const border = (change: Partial<Border> = {}): Border => ({
    place: "inside",
    width: { top: mm(5), right: mm(5), bottom: mm(5), left: mm(5) },
    colour: "#ffffff",
    corner: um(0),
    ...change,
  });
  const proof = (own: Border) =>
    arrange(
      job(
        "single",
        ["a"],
        { do: "ticket", change: { border: um(0) } },
        { do: "style", change: { border: own } },
      ),
      PHOTOS,
    )[0]!;

  it("are as wide as asked on all four sides, to the pixel", async () => {
    const plan = proof(border());
    const [width, height, left, top] = inkIn(await png(plan, "even"));
    const { width: across, height: down } = plan.pixels;
    // 5 mm are 59.06 px; each edge is rounded by itself.
    expect([left, top]).toEqual([59, 59]);
    expect([left + width, top + height]).toEqual([px(plan.paper.width - 5000), px(plan.paper.height - 5000)]);
    expect([across - left - width, down - top - height]).toEqual([59, 59]);
  });

  it("are deeper below where asked", async () => {
    const plan = proof(border({ width: { top: mm(5), right: mm(5), bottom: mm(20), left: mm(5) } }));
    const [, height, , top] = inkIn(await png(plan, "deep"));
    expect([top, top + height]).toEqual([59, px(plan.paper.height - 20_000)]);
  });

  it("lie half to each side of the edge, or outside it", async () => {
    const sheet = (place: Border["place"]) =>
      arrange(
        job(
          "copies",
          ["grey"],
          { do: "ticket", change: { copies: 1 } },
          {
            do: "style",
            change: {
              border: border({
                place,
                colour: "#0000ff",
                width: { top: mm(2), right: mm(2), bottom: mm(2), left: mm(2) },
              }),
            },
          },
        ),
        PHOTOS,
      )[0]!;
    for (const [place, out] of [
      ["centred", 1000],
      ["outside", 2000],
    ] as const) {
      const plan = sheet(place);
      const { finished } = plan.cells[0]!;
      const path = await png(plan, place);
      const [width, height, left, top] = inkIn(path);
      expect([left, top]).toEqual([px(finished.x - out), px(finished.y - out)]);
      expect([left + width, top + height]).toEqual([
        px(finished.x + finished.width + out),
        px(finished.y + finished.height + out),
      ]);
      expect(colourAt(path, left + 2, top + 2)).toMatch(/blue|\(0,0,255\)/);
    }
  });

  it("round corners: at half the diagonal of the radius's square the paper is bare, and the middle of the side is not", async () => {
    const plan = arrange(
      job(
        "copies",
        ["grey"],
        { do: "ticket", change: { copies: 1 } },
        {
          do: "style",
          change: {
            border: border({
              colour: "#0000ff",
              corner: mm(8),
              width: { top: mm(2), right: mm(2), bottom: mm(2), left: mm(2) },
            }),
          },
        },
      ),
      PHOTOS,
    )[0]!;
    const path = await png(plan, "rounded");
    const { finished } = plan.cells[0]!;
    const [left, top] = [px(finished.x), px(finished.y)];
    // A circle of 94.5 px leaves the corner open for 94.5 · (1 − 1/√2) = 27.7 px along the diagonal.
    expect(colourAt(path, left + 26, top + 26)).toMatch(/white|255,255,255/);
    expect(colourAt(path, left + 30, top + 30)).toMatch(/blue|\(0,0,255\)/);
    expect(colourAt(path, left + 200, top + 1)).toMatch(/blue|\(0,0,255\)/);
  });
});

describe("mats and grounds in the written file", () => {
  const even = (width: number) => ({ top: mm(width), right: mm(width), bottom: mm(width), left: mm(width) });
  const bare: JobEdit = { do: "ticket", change: { border: um(0) } };

  /** Where the colour changes along a row, and to what. */
  async function runs(path: string, y: number): Promise<[from: number, colour: string][]> {
    const { width } = await sharp(path).metadata();
    const { data } = await sharp(path)
      .extract({ left: 0, top: y, width, height: 1 })
      .removeAlpha()
      .raw()
      .toBuffer({ resolveWithObject: true });
    const found: [number, string][] = [];
    for (let x = 0; x < width; x++) {
      const colour = data.subarray(x * 3, x * 3 + 3).toString("hex");
      if (found.at(-1)?.[1] !== colour) found.push([x, colour]);
    }
    return found;
  }

  it("nest both boards and their cut edges to the pixel, a little deeper below", async () => {
    const mat = {
      layers: [
        { reveal: even(12), colour: "#eeeeee" },
        { reveal: even(3), colour: "#333333" },
      ],
      bevel: { width: mm(1), colour: "#fefefe" },
      optical: true,
    };
    const plan = arrange(job("single", ["grey"], bare, { do: "style", change: { mat } }), PHOTOS)[0]!;
    const path = await png(plan, "mat");
    const found = await runs(path, plan.pixels.height >> 1);
    expect(found.slice(0, 5)).toEqual([
      [0, "eeeeee"],
      [px(12_000), "fefefe"],
      [px(13_000), "333333"],
      [px(16_000), "fefefe"],
      [px(17_000), "c8c8c8"],
    ]);
    // Optically centred: 8 % of 12 mm are taken off above and added below.
    const { opening } = plan.cells[0]!;
    expect([opening.y, plan.paper.height - opening.y - opening.height]).toEqual([mm(16.04), mm(17.96)]);
  });

  it("fill the sheet from one colour into another", async () => {
    const ground: JobEdit = { do: "ground", ground: { kind: "gradient", top: "#000000", bottom: "#ff0000" } };
    const plan = arrange(job("free", [], ground), {})[0]!;
    const path = await png(plan, "ground");
    const pdf = file("ground.pdf");
    await paintPdf([plan], file, pdf);
    measure("pdftoppm", "-r", String(PPI), "-png", "-singlefile", pdf, file("ground-page"));
    const { height } = plan.pixels;
    for (const share of [0.1, 0.5, 0.9]) {
      const red = async (of: string) =>
        (
          await sharp(of)
            .extract({ left: 9, top: Math.round(height * share), width: 1, height: 1 })
            .removeAlpha()
            .raw()
            .toBuffer()
        )[0]!;
      expect(Math.abs((await red(path)) - 255 * share)).toBeLessThanOrEqual(1.5);
      expect(Math.abs((await red(file("ground-page.png"))) - 255 * share)).toBeLessThanOrEqual(3);
    }
  });

  it("are tilted with their cell, in pixels as in the PDF", async () => {
    const own: Border = { place: "inside", width: even(6), colour: "#0000ff", corner: um(0) };
    const place = {
      sheet: "1",
      x: mm(30),
      y: mm(40),
      width: mm(60),
      height: mm(60),
      angle: 45,
      order: 0,
      locked: false,
      proportion: false,
    };
    const plan = arrange(
      job(
        "free",
        ["grey"],
        { do: "add cells", cells: [{ place, photo: "grey" }] },
        { do: "style", change: { border: own } },
      ),
      PHOTOS,
    )[0]!;
    const path = await png(plan, "tilted");
    const pdf = file("tilted.pdf");
    await paintPdf([plan], file, pdf);
    measure("pdftoppm", "-r", String(PPI), "-png", "-singlefile", pdf, file("tilted-page"));
    // From the middle at 60, 70 mm straight up the diagonal: photo to 24 · √2 = 33.9 mm, border to 30 · √2 = 42.4 mm.
    for (const of of [path, file("tilted-page.png")]) {
      const up = (millimetres: number) => colourAt(of, px(60_000), px(70_000 - millimetres * 1000));
      expect(up(33)).toMatch(/200,200,200|gray\(200\)|78\.4/);
      expect(up(35)).toMatch(/blue|\(0,0,255\)/);
      expect(up(41.5)).toMatch(/blue|\(0,0,255\)/);
      expect(up(43.2)).toMatch(/white|255,255,255|gray\(255\)/);
    }
  });
});

describe("looks in the written file", () => {
  it("are the same in pixels and in the PDF, which keeps the photo’s full resolution", async () => {
    const look = { ...AS_IT_IS, mono: 1, pale: 0.5 };
    const plan = arrange(job("copies", ["a"], { do: "style", change: { look } }), PHOTOS)[0]!;
    const { finished } = plan.cells[0]!;
    const at = [px(finished.x) + 150, px(finished.y) + 150] as const;
    const painted = colourAt(await png(plan, "look"), ...at);
    // Rec. 709 grey of (200, 0, 0) is 42.5; halfway to white it is 148.8.
    expect(painted).toMatch(/149,149,149|gray\(149\)/);
    const pdf = file("look.pdf");
    await paintPdf([plan], file, pdf);
    expect(measure("pdfimages", "-list", pdf)).toMatch(/ 600 +400 +rgb|600\s+400\s+icc/);
    measure("pdftoppm", "-r", String(PPI), "-png", "-singlefile", pdf, file("look-page"));
    const [, grey] = /(\d+)/.exec(colourAt(file("look-page.png"), ...at))!;
    expect(Math.abs(Number(grey) - 149)).toBeLessThanOrEqual(1);
  });
});
