import sharp from "sharp";
import { beforeAll, describe, expect, it } from "vitest";
import { arrange, mm, um, type Graphic, type JobEdit, type SheetPlan } from "@wide-quilt/core";
import { paintPdf } from "./index.ts";
import { colourAt, file, inkIn, job, makePhotos, PHOTOS, png, px } from "./testing/finish.ts";
import { measure } from "./testing/samples.ts";

beforeAll(makePhotos);

describe("graphics in the written file", () => {
  const graphic = (change: Partial<Graphic>): Graphic => ({
    role: "overlay",
    of: { kind: "file", file: "alpha", name: "alpha.png", proportion: 35 / 45 },
    width: mm(20),
    at: "middle",
    away: um(0),
    turn: 0,
    tiled: false,
    apart: mm(5),
    fit: "stretch",
    opacity: 1,
    blend: "normal",
    sheet: null,
    ...change,
  });
  const sheet = (own: Graphic, ...edits: JobEdit[]) =>
    arrange(
      job(
        "copies",
        ["grey"],
        { do: "ticket", change: { copies: 1 } },
        { do: "graphics", graphics: { g1: own } },
        ...edits,
      ),
      PHOTOS,
    )[0]!;
  const ALPHAS = [0, 51, 128, 204, 255];

  /** Stripes of black of known alpha, just as many pixels as the cell has. */
  async function stripes(
    plan: SheetPlan,
  ): Promise<[left: number, top: number, width: number, height: number]> {
    const { finished } = plan.cells[0]!;
    const [left, top] = [px(finished.x), px(finished.y)];
    const [width, height] = [px(finished.x + finished.width) - left, px(finished.y + finished.height) - top];
    const data = Buffer.alloc(width * height * 4);
    for (let y = 0; y < height; y++) {
      const stripe = Math.min(ALPHAS.length - 1, Math.floor((y * ALPHAS.length) / height));
      for (let x = 0; x < width; x++) data[(y * width + x) * 4 + 3] = ALPHAS[stripe]!;
    }
    await sharp(data, { raw: { width, height, channels: 4 } })
      .png()
      .toFile(file("alpha"));
    return [left, top, width, height];
  }

  it.each([
    ["as its alpha says", {}, (a: number) => 200 * (1 - a)],
    ["half as strong", { opacity: 0.5 }, (a: number) => 200 * (1 - a * 0.5)],
  ])("lay an overlay over the photo, exactly %s", async (_, change, value) => {
    const plan = sheet(graphic(change));
    const [left, top, width, height] = await stripes(plan);
    const path = await png(plan, "overlay");
    for (const [i, alpha] of ALPHAS.entries()) {
      const y = top + Math.floor(((i + 0.5) * height) / ALPHAS.length);
      const grey = Math.round(value(alpha / 255));
      const { data } = await sharp(path)
        .extract({ left, top: y, width, height: 1 })
        .removeAlpha()
        .raw()
        .toBuffer({ resolveWithObject: true });
      expect(new Set(data), `alpha ${alpha}`).toEqual(new Set([grey]));
    }
  });

  it("multiply: grey on grey is the product of both", async () => {
    await sharp({
      create: { width: 50, height: 50, channels: 4, background: { r: 128, g: 128, b: 128, alpha: 1 } },
    })
      .png()
      .toFile(file("alpha"));
    const plan = sheet(graphic({ blend: "multiply" }));
    const { finished } = plan.cells[0]!;
    const path = await png(plan, "multiply");
    // 200 · 128 / 255 = 100.4
    expect(colourAt(path, px(finished.x) + 100, px(finished.y) + 100)).toMatch(/100,100,100|gray\(100\)/);
    const pdf = file("multiply.pdf");
    await paintPdf([plan], file, pdf);
    measure("pdftoppm", "-r", "100", "-png", "-singlefile", pdf, file("multiply-page"));
    const scale = 100 / 25_400;
    const at = [finished.x + 10_000, finished.y + 10_000].map((of) => Math.round(of * scale)) as [
      number,
      number,
    ];
    const [, grey] = /(\d+)/.exec(colourAt(file("multiply-page.png"), ...at))!;
    expect(Math.abs(Number(grey) - 100)).toBeLessThanOrEqual(1);
  });

  it("stamp once, in millimetres from the edges", async () => {
    await sharp({ create: { width: 200, height: 100, channels: 4, background: "#00aa00" } })
      .png()
      .toFile(file("alpha"));
    const stamp = graphic({
      role: "stamp",
      of: { kind: "file", file: "alpha", name: "alpha.png", proportion: 2 },
      at: "bottom right",
      away: mm(4),
    });
    const plan = arrange(job("free", [], { do: "graphics", graphics: { g1: stamp } }), {})[0]!;
    const [width, height, left, top] = inkIn(await png(plan, "stamp"));
    const { width: across, height: down } = plan.paper;
    expect([left, top]).toEqual([px(across - 24_000), px(down - 14_000)]);
    expect([left + width, top + height]).toEqual([px(across - 4000), px(down - 4000)]);
  });

  it("repeat a watermark all over the photo, and nowhere beside it", async () => {
    const words = graphic({
      role: "watermark",
      of: { kind: "words", text: "PROOF", font: "hanken", colour: "#000000" },
      tiled: true,
      turn: -30,
    });
    const plan = sheet(words);
    const { finished, over } = plan.cells[0]!;
    expect(over.length).toBeGreaterThan(3);
    const path = await png(plan, "watermark");
    const [width, height, left, top] = inkIn(path, "1%");
    expect([left, top, left + width, top + height]).toEqual([
      px(finished.x),
      px(finished.y),
      px(finished.x + finished.width),
      px(finished.y + finished.height),
    ]);
  });

  it("put a pale photo behind all cells", async () => {
    const backing = graphic({
      role: "backing",
      of: { kind: "photo", photo: "a", order: 1 },
      fit: "fill",
      opacity: 0.25,
    });
    const plan = sheet(backing, { do: "add photos", photos: [{ id: "a", name: "a.jpg" }] });
    const path = await png(plan, "backing");
    // #c80000 at a quarter over white: 255 − (255 − 200) / 4 = 241.25, and 255 · 3 / 4 = 191.25.
    const { data } = await sharp(path)
      .extract({ left: 3, top: 3, width: 1, height: 1 })
      .removeAlpha()
      .raw()
      .toBuffer({ resolveWithObject: true });
    expect(Math.abs(data[0]! - 241)).toBeLessThanOrEqual(1);
    expect(Math.abs(data[1]! - 191)).toBeLessThanOrEqual(1);
  });
});
