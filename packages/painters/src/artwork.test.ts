import { writeFileSync } from "node:fs";
import { Resvg } from "@resvg/resvg-js";
import sharp from "sharp";
import { beforeAll, describe, expect, it } from "vitest";
import { applyEdit, arrange, chance, freshJob, inch, type Job } from "@wide-quilt/core";
import { windowsIn } from "./graphic/windows.ts";
import { takeGraphic, widened } from "./index.ts";
import { paintPdf } from "./pdf/paint.ts";
import { paintSvg } from "./svg/paint.ts";
import { file, png, PPI } from "./testing/finish.ts";
import { measure } from "./testing/samples.ts";

const SIZE = { width: 1200, height: 1800 };
/** A colour for what is behind each window, and the artwork’s: none of them is near to white, as paper is. */
const BEHIND = ["#c81e1e", "#1e9c1e", "#1e1ec8", "#b4b41e", "#b41eb4", "#1eb4b4"];
const ART = "#3c3c50";

/** Windows close to each other, tilted, round or soft; `blur` makes their edges soft. */
function artworkSvg(seed: number, blur: number): string {
  const random = chance(seed);
  const holes = Array.from({ length: 6 }, (_, i) => {
    const [x, y] = [60 + (i % 2) * 560, 60 + Math.floor(i / 2) * 580];
    const [w, h] = [400 + random() * 40, 400 + random() * 40];
    const [cx, cy] = [x + 260, y + 270];
    const angle = ((random() - 0.5) * 40).toFixed(2);
    return random() < 0.6
      ? `<rect x="${cx - w / 2}" y="${cy - h / 2}" width="${w}" height="${h}" transform="rotate(${angle} ${cx} ${cy})"/>`
      : `<ellipse cx="${cx}" cy="${cy}" rx="${w / 2}" ry="${h / 2}"/>`;
  }).join("");
  return `<svg xmlns="http://www.w3.org/2000/svg" width="1200" height="1800"><defs><filter id="soft"><feGaussianBlur stdDeviation="${blur}"/></filter><mask id="cut"><rect width="1200" height="1800" fill="#fff"/><g fill="#000"${blur > 0 ? ' filter="url(#soft)"' : ""}>${holes}</g></mask></defs><rect width="1200" height="1800" fill="${ART}" mask="url(#cut)"/></svg>`;
}

async function jobOf(name: string, svg: string): Promise<Job> {
  const art = new Resvg(svg).render().asPng();
  writeFileSync(file(name), art);
  const { width, height, windows } = await windowsIn(art);
  const photos = BEHIND.map((_, i) => ({ id: `flat${i}`, name: `flat${i}.png` }));
  return [
    {
      do: "sheet",
      change: { paper: { name: "4 × 6 in", width: inch(4), height: inch(6) }, lie: "portrait" },
    },
    { do: "target", change: { ppi: PPI } },
    { do: "ticket", change: { art: { file: name, name, width, height }, windows } },
    { do: "add photos", photos },
  ].reduce((job, edit) => applyEdit(job, edit as never), freshJob("artwork", name));
}

const PHOTOS = Object.fromEntries(BEHIND.map((_, i) => [`flat${i}`, { width: 700, height: 500 }]));

beforeAll(async () => {
  for (const [i, background] of BEHIND.entries())
    await sharp({ create: { width: 700, height: 500, channels: 3, background } })
      .png()
      .toFile(file(`flat${i}`));
});

/** Pixels of a picture and of the artwork’s alpha, each a byte. */
async function pixels(path: string | Buffer) {
  const { data, info } = await sharp(path).removeAlpha().raw().toBuffer({ resolveWithObject: true });
  return { data, width: info.width, height: info.height };
}
const alphaOf = (name: string) => sharp(file(name)).extractChannel(3).raw().toBuffer();
const rgb = (colour: string) => [1, 3, 5].map((at) => Number.parseInt(colour.slice(at, at + 2), 16));

/**
 * How many pixels are not of one of the six photos seen through the artwork, alpha as the artwork has it: a sliver of paper
 * or of a wrong photo would be one. `by` is what each channel may be off by.
 */
async function amiss(painted: Awaited<ReturnType<typeof pixels>>, name: string, by: number): Promise<number> {
  const alpha = await alphaOf(name);
  const [art, behind] = [rgb(ART), BEHIND.map(rgb)];
  let count = 0;
  for (let i = 0; i < alpha.length; i++) {
    if (alpha[i] === 255) continue;
    const a = alpha[i]! / 255;
    const isOne = behind.some((photo) =>
      photo.every((value, c) => Math.abs(painted.data[i * 3 + c]! - (art[c]! * a + value * (1 - a))) <= by),
    );
    if (!isOne) count++;
  }
  return count;
}

/**
 * How many pixels are lighter in all their channels than the artwork, any of the photos or a mixture of them could be (60 at
 * most), by a sixth of white: whoever draws softens edges, and a sliver of paper would be lighter than all of it.
 */
const paperIn = ({ data }: Awaited<ReturnType<typeof pixels>>): number => {
  let count = 0;
  for (let i = 0; i < data.length; i += 3)
    if (Math.min(data[i]!, data[i + 1]!, data[i + 2]!) > 60 + 42) count++;
  return count;
};

/** Which photo is seen in the middle of each window of a job. */
async function seenIn(painted: Awaited<ReturnType<typeof pixels>>, job: Job): Promise<number[]> {
  const { windows } = job.ticket as { windows: { x: number; y: number; width: number; height: number }[] };
  return windows.map(({ x, y, width, height }) => {
    const at = (Math.round(y + height / 2) * painted.width + Math.round(x + width / 2)) * 3;
    return BEHIND.map(rgb).findIndex((one) =>
      one.every((value, c) => Math.abs(painted.data[at + c]! - value) < 4),
    );
  });
}

describe("photos behind the windows of an artwork", () => {
  it.each([
    [1, 0],
    [2, 0],
    [3, 4],
    [4, 8],
    [5, 0],
    [6, 2],
  ])("show no sliver of paper and nothing of each other: artwork %i, soft by %i", async (seed, blur) => {
    const name = `art${seed}`;
    const job = await jobOf(name, artworkSvg(seed, blur));
    const [plan] = arrange(job, PHOTOS);
    expect(plan!.cells).toHaveLength(6);
    const painted = await pixels(await png(plan!, `painted${seed}`));
    expect([painted.width, painted.height]).toEqual([SIZE.width, SIZE.height]);
    expect(await seenIn(painted, job)).toEqual([0, 1, 2, 3, 4, 5]);
    expect(await amiss(painted, name, 2)).toBe(0);
  });

  it("are the same in SVG and PDF, as others draw them", async () => {
    const job = await jobOf("art7", artworkSvg(8, 0));
    const [plan] = arrange(job, PHOTOS);
    await paintSvg(plan!, file, file("art7.svg"));
    // librsvg draws it.
    const svg = await pixels(await sharp(file("art7.svg")).resize(1200, 1800).png().toBuffer());
    expect(await seenIn(svg, job)).toEqual([0, 1, 2, 3, 4, 5]);
    expect(paperIn(svg)).toBe(0);
    await paintPdf([plan!], file, file("art7.pdf"));
    measure("pdftoppm", "-r", String(PPI), "-png", "-singlefile", file("art7.pdf"), file("art7-pdf"));
    const pdf = await pixels(file("art7-pdf.png"));
    expect(await seenIn(pdf, job)).toEqual([0, 1, 2, 3, 4, 5]);
    expect(paperIn(pdf)).toBe(0);
  });
});

describe("an artwork that comes in", () => {
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="400" height="600"><path fill="#345" fill-rule="evenodd" d="M0 0H400V600H0zM50 60H350V260H50z"/></svg>`;

  it("may be a PNG, a TIFF, a WebP or an SVG: the same window", async () => {
    const image = () => sharp(Buffer.from(svg));
    for (const bytes of [
      await image().png().toBuffer(),
      await image().tiff({ compression: "lzw" }).toBuffer(),
      await image().webp({ lossless: true }).toBuffer(),
    ]) {
      const { file: kept } = await takeGraphic(bytes);
      const found = await windowsIn(kept);
      expect(found).toMatchObject({ width: 400, height: 600 });
      expect(found.windows).toMatchObject([{ x: 50, y: 60, width: 300, height: 200, angle: 0, outline: [] }]);
    }
    // A drawing is said to have 3 000 pixels along its longer side: five times as many.
    const { file: drawn } = await takeGraphic(Buffer.from(svg));
    const found = await windowsIn(drawn);
    expect(found).toMatchObject({ width: 2000, height: 3000 });
    expect(found.windows).toMatchObject([{ x: 250, y: 300, width: 1500, height: 1000 }]);
  });

  it("has no windows without transparency", async () => {
    const flat = await sharp({ create: { width: 200, height: 200, channels: 3, background: "#888" } })
      .png()
      .toBuffer();
    expect(await windowsIn(flat)).toEqual({ width: 200, height: 200, windows: [] });
  });

  it("is widened by its edge: what was at its corner is at the new one, what was inside where it was", async () => {
    const art = await sharp(Buffer.from(svg)).png().toBuffer();
    const wide = await widened(art, { top: 10, right: 20, bottom: 30, left: 40 });
    expect(await sharp(wide).metadata()).toMatchObject({ width: 460, height: 640 });
    expect((await windowsIn(wide)).windows).toMatchObject([{ x: 90, y: 70, width: 300, height: 200 }]);
    const corner = await sharp(wide).extract({ left: 0, top: 0, width: 1, height: 1 }).raw().toBuffer();
    expect([...corner]).toEqual([0x33, 0x44, 0x55, 255]);
    // A drawing has the pixels that it was said to have.
    const { file: drawing } = await takeGraphic(Buffer.from(svg));
    const wider = await widened(drawing, { top: 10, right: 20, bottom: 30, left: 40 });
    expect(await sharp(wider).metadata()).toMatchObject({ width: 2060, height: 3040 });
  });
});
