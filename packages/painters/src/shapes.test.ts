import { execFileSync } from "node:child_process";
import { readFileSync } from "node:fs";
import sharp from "sharp";
import { beforeAll, describe, expect, it } from "vitest";
import {
  arrange,
  BARE_SHAPE,
  chance,
  check,
  FORMS,
  imposed,
  mm,
  um,
  type Job,
  type Shape,
  type SheetPlan,
} from "@wide-quilt/core";
import { windowsIn } from "./graphic/windows.ts";
import { paintArtwork, paintPdf, paintSvg } from "./index.ts";
import { file, job, png } from "./testing/finish.ts";

/** Ten pixels to the millimetre. */
const PPI = 254;
const PLATE = "#3c3c50";
const PHOTOS = ["#c81e1e", "#1e9c1e", "#1e1ec8"];

const shape = (x: number, y: number, width: number, height: number, change: Partial<Shape>): Shape => ({
  ...BARE_SHAPE,
  ...{ x: mm(x), y: mm(y), width: mm(width), height: mm(height) },
  ...change,
});
const flat = (colour: string): Shape["fill"] => ({ kind: "flat", colour });

const drawn = (kind: "free" | "artwork", shapes: Record<string, Shape>, photos: string[] = []): Job =>
  job(
    kind,
    photos,
    { do: "sheet", change: { paper: { name: "Card", width: mm(60), height: mm(80) }, lie: "portrait" } },
    { do: "target", change: { ppi: PPI, light: false } },
    { do: "shapes", shapes },
  );

interface Painted {
  at(x: number, y: number): number[];
  width: number;
  height: number;
}
async function painted(path: string): Promise<Painted> {
  const { data, info } = await sharp(path).removeAlpha().raw().toBuffer({ resolveWithObject: true });
  const at = (x: number, y: number) => {
    const i = (Math.floor(y) * info.width + Math.floor(x)) * 3;
    return [...data.subarray(i, i + 3)];
  };
  return { at, width: info.width, height: info.height };
}

/** A plan as pixels of ours, as a PDF by Poppler, and as an SVG by librsvg. */
async function everyWay(plan: SheetPlan, name: string): Promise<[string, Painted][]> {
  const [pdf, svg] = [file(`${name}.pdf`), file(`${name}.svg`)];
  await paintPdf([plan], file, pdf);
  execFileSync("pdftoppm", ["-r", String(PPI), "-png", "-singlefile", pdf, file(`${name}-pdf`)]);
  await paintSvg(plan, file, svg);
  // As many pixels as the others, of the same view box.
  const { width, height } = plan.pixels;
  const sized = readFileSync(svg, "utf8").replace(
    /width="60mm" height="80mm"/,
    `width="${width}" height="${height}"`,
  );
  await sharp(Buffer.from(sized))
    .png()
    .toFile(file(`${name}-svg.png`));
  return Promise.all(
    (
      [
        ["pixels", await png(plan, name)],
        ["PDF", file(`${name}-pdf.png`)],
        ["SVG", file(`${name}-svg.png`)],
      ] as const
    ).map(async ([way, path]): Promise<[string, Painted]> => [way, await painted(path)]),
  );
}

const rgb = (colour: string) => [1, 3, 5].map((at) => Number.parseInt(colour.slice(at, at + 2), 16));
const near = (a: readonly number[], b: readonly number[], by: number) =>
  a.every((value, c) => Math.abs(value - b[c]!) <= by);

beforeAll(async () => {
  for (const [i, background] of PHOTOS.entries())
    await sharp({ create: { width: 500, height: 500, channels: 3, background } })
      .png()
      .toFile(file(`behind${i}`));
});

/** How far inside a window a point is, in mm; negative outside. Worked out from what the shapes are, not from paths. */
const DISTANCE: ((x: number, y: number) => number)[] = [
  // 20 × 14 mm, turned 12° about (16, 15): into the window’s own axes and back.
  (x, y) => {
    const [cos, sin] = [Math.cos((12 * Math.PI) / 180), Math.sin((12 * Math.PI) / 180)];
    const [u, v] = [(x - 16) * cos + (y - 15) * sin, (y - 15) * cos - (x - 16) * sin];
    return Math.min(10 - Math.abs(u), 7 - Math.abs(v));
  },
  // An ellipse of 18 × 26 mm about (45, 22): near enough by its gradient.
  (x, y) => {
    const [u, v] = [(x - 45) / 9, (y - 22) / 13];
    const r = Math.hypot(u, v);
    const slope = Math.hypot(u / 9, v / 13) / Math.max(r, 1e-9);
    return (1 - r) / Math.max(slope, 1e-9);
  },
  // A star of four tips of 24 mm about (22, 54), its inner corners half as far: by the angle between tip and corner.
  (x, y) => {
    const [u, v] = [Math.abs(x - 22), Math.abs(y - 54)];
    // By its symmetry in the eighth between the tip (0, −12) and the corner (4.243, −4.243), a straight line.
    const [p, q] = u > v ? [v, u] : [u, v];
    const k = 6 * Math.SQRT1_2;
    const length = Math.hypot(k, 12 - k);
    return ((12 - q) * k - p * (12 - k)) / length;
  },
];

const WINDOWS = {
  w1: shape(6, 8, 20, 14, { is: "window", order: 1, turn: 12 }),
  w2: shape(36, 9, 18, 26, { is: "window", order: 2, form: "ellipse" }),
  w3: shape(10, 42, 24, 24, { is: "window", order: 3, form: "star", points: 4 }),
};

describe("artwork made here", () => {
  const made = () =>
    drawn(
      "artwork",
      { plate: shape(0, 0, 60, 80, { fill: flat(PLATE) }), ...WINDOWS },
      PHOTOS.map((_, i) => `behind${i}`),
    );
  const facts = Object.fromEntries(PHOTOS.map((_, i) => [`behind${i}`, { width: 500, height: 500 }]));

  it("shows each photo through exactly its window, a star too, in pixels, PDF and SVG", async () => {
    const [page] = arrange(made(), facts);
    expect(page!.cells.map(({ photo, angle }) => [photo, angle]).sort()).toEqual([
      ["behind0", 12],
      ["behind1", 0],
      ["behind2", 0],
    ]);
    // Poppler makes a row more of a page that ends within a pixel.
    const { width, height } = page!.pixels;
    for (const [way, { at }] of await everyWay(page!, "windows")) {
      let amiss = 0;
      for (let y = 0; y < height; y++) {
        for (let x = 0; x < width; x++) {
          const inside = DISTANCE.map((far) => far((x + 0.5) / 10, (y + 0.5) / 10));
          // Within a pixel and a half of an edge two colours are mixed.
          if (inside.some((far) => Math.abs(far) < 0.15)) continue;
          const i = inside.findIndex((far) => far > 0);
          if (!near(at(x, y), rgb(i < 0 ? PLATE : PHOTOS[i]!), 6)) amiss++;
        }
      }
      expect([way, amiss]).toEqual([way, 0]);
    }
  });

  it("is saved for other programs: transparent where its windows are, and found there again", async () => {
    const [page] = arrange(made(), facts);
    const file = await paintArtwork(page!, () => "");
    const about = await sharp(file).metadata();
    expect([about.width, about.height, about.density, about.hasAlpha]).toEqual([600, 800, PPI, true]);
    const { windows } = await windowsIn(file);
    expect(windows).toHaveLength(3);
    const tilted = windows.find(({ angle }) => angle !== 0)!;
    expect(tilted.angle).toBeCloseTo(12, 1);
    expect(Math.abs(tilted.width - 200)).toBeLessThan(1);
    expect(Math.abs(tilted.x + tilted.width / 2 - 160)).toBeLessThan(0.5);
  });

  it("is told where no shape lies around a window, and not where a plate does", () => {
    const rules = (one: Job) => check(one, facts, arrange(one, facts)).map(({ rule }) => rule);
    expect(rules(made())).not.toContain("bare-window");
    const bare = drawn("artwork", { plate: shape(0, 0, 30, 80, { fill: flat(PLATE) }), ...WINDOWS }, [
      "behind0",
    ]);
    expect(rules(bare)).toContain("bare-window");
  });
});

describe("shapes", () => {
  it("are filled, shaded, stroked and seen through alike in pixels, PDF and SVG", async () => {
    await sharp({ create: { width: 40, height: 20, channels: 3, background: "#8c641e" } })
      .png()
      .toFile(file("texture"));
    const all = drawn("free", {
      // From black at the top to white at the foot, 10 to 30 mm.
      shaded: shape(5, 10, 20, 20, { fill: { kind: "gradient", from: "#000000", to: "#ffffff", angle: 0 } }),
      // A quarter turn: from black at the right to white at the left.
      across: shape(32, 10, 20, 20, {
        fill: { kind: "gradient", from: "#000000", to: "#ffffff", angle: 90 },
      }),
      half: shape(5, 40, 10, 10, { fill: flat("#0000ff"), opacity: 0.5 }),
      ring: shape(20, 40, 10, 10, { form: "ellipse", stroke: { width: mm(1), colour: "#c81e1e" } }),
      paved: shape(36, 40, 12, 12, {
        form: "polygon",
        points: 4,
        fill: { kind: "picture", of: { kind: "file", file: "texture", name: "texture.png", proportion: 2 } },
      }),
      thrown: shape(5, 60, 20, 10, {
        fill: flat("#1e9c1e"),
        shadow: { right: mm(0), down: mm(6), blur: mm(3), colour: "#000000", opacity: 0.6 },
      }),
    });
    const [page] = arrange(all, {});
    for (const [way, { at }] of await everyWay(page!, "shapes")) {
      const grey = (x: number, y: number) => at(x * 10, y * 10)[0]!;
      // A quarter, half and three quarters of the way.
      for (const [at, share] of [
        [15, 0.25],
        [20, 0.5],
        [25, 0.75],
      ] as const) {
        expect([way, Math.abs(grey(15, at) - 255 * share) < 4]).toEqual([way, true]);
        expect([way, Math.abs(grey(52 - (at - 10), 20) - 255 * share) < 4]).toEqual([way, true]);
      }
      // Half of blue over white paper.
      expect([way, near(at(100, 450), [128, 128, 255], 3)]).toEqual([way, true]);
      // A line of a millimetre lies half to each side of the circle of 5 mm about (25, 45); inside it is paper.
      expect([way, near(at(200, 450), rgb("#c81e1e"), 6), near(at(250, 450), [255, 255, 255], 0)]).toEqual([
        way,
        true,
        true,
      ]);
      expect([way, near(at(207, 450), [255, 255, 255], 3)]).toEqual([way, true]);
      // A square on its tip, 12 mm from tip to tip: its middle is paved, what is outside its sides is not.
      expect([way, near(at(420, 460), rgb("#8c641e"), 6)]).toEqual([way, true]);
      expect([way, near(at(380, 420), [255, 255, 255], 3)]).toEqual([way, true]);
      // The shadow’s foot is at 76 mm: there half of its 0.6 is left, in its middle all of it would be, under the shape.
      expect([way, Math.abs(grey(15, 76) - 255 * (1 - 0.3)) < 10]).toEqual([way, true]);
      // Three standard deviations make 3 mm, so one is 1 mm: a millimetre inside its foot 84.1 % are left (normal distribution).
      expect([way, Math.abs(grey(15, 75) - 255 * (1 - 0.6 * 0.841)) < 10]).toEqual([way, true]);
      expect([way, grey(15, 79.5) > 250]).toEqual([way, true]);
      expect([way, near(at(150, 650), rgb("#1e9c1e"), 2)]).toEqual([way, true]);
    }
  });

  it("go with their page where several are cut from a sheet, turned too, with what fills them and their windows", async () => {
    const strip = drawn("artwork", {
      plate: shape(0, 0, 60, 80, { fill: { kind: "gradient", from: "#000000", to: "#ff0000", angle: 0 } }),
      hole: shape(20, 30, 20, 20, { is: "window" }),
    });
    const cut: Job = {
      ...strip,
      impose: {
        ...strip.impose,
        way: "several",
        paper: { name: "A4", width: mm(210), height: mm(297) },
        lie: "portrait",
        grid: { columns: 2, rows: 3 },
        gap: um(0),
      },
    };
    const [sheet] = imposed(cut, arrange(cut, {}));
    const { at } = await painted(await png(sheet!, "cut"));
    const plates = sheet!.over.filter((ink) => ink.kind === "path");
    expect(plates).toHaveLength(6);
    for (const { box, turn } of plates) {
      const [cx, cy] = [(box.x + box.width / 2) / 100, (box.y + box.height / 2) / 100];
      // The middle is the window, where paper is seen; 35 mm above the middle of the page it is nearly black, below it red.
      const [dx, dy] = turn === 90 || turn === -270 ? [-350, 0] : turn === 0 ? [0, 350] : [350, 0];
      expect(near(at(cx, cy), [255, 255, 255], 0)).toBe(true);
      expect(at(cx + dx, cy + dy)[0]!).toBeGreaterThan(220);
      expect(at(cx - dx, cy - dy)[0]!).toBeLessThan(35);
    }
  });

  it("may lie anywhere, be of any size and overlap as they like: nothing ends what paints them", async () => {
    for (let seed = 1; seed <= 3; seed++) {
      const random = chance(seed);
      const any = (least: number, most: number) => Math.round(least + random() * (most - least));
      const one = (i: number): Shape => ({
        ...shape(0, 0, 1, 1, { form: FORMS[any(0, 6)]!, turn: any(-180, 180), points: any(3, 36) }),
        ...{ x: um(any(-90_000, 150_000)), y: um(any(-90_000, 150_000)) },
        ...{ width: um(any(20, 200_000)), height: um(any(20, 200_000)), depth: 0.05 + random() * 0.9 },
        fill:
          random() < 0.4 ? null : { kind: "gradient", from: "#000000", to: "#ffffff", angle: any(-180, 180) },
        stroke: random() < 0.5 ? null : { width: um(any(20, 5000)), colour: "#c81e1e" },
        shadow:
          random() < 0.5
            ? null
            : {
                ...{ right: um(any(-300_000, 300_000)), down: um(any(-300_000, 300_000)) },
                ...{ blur: um(any(0, 20_000)), colour: "#000000", opacity: random() },
              },
        opacity: random(),
        is: (["front", "front", "behind", "window"] as const)[any(0, 3)]!,
        order: i,
      });
      const all = Object.fromEntries(Array.from({ length: 25 }, (_, i) => [`s${i + 1}`, one(i)]));
      const [page] = arrange({ ...drawn("free", all) }, {});
      const small = { ...page!, ppi: 72, pixels: { width: 170, height: 227 } };
      expect((await sharp(await png(small, "any")).metadata()).width).toBe(170);
      await paintPdf([small], file, file("any.pdf"));
      expect(execFileSync("pdfinfo", [file("any.pdf")], { encoding: "utf8" })).toMatch(/Pages:\s+1/);
      await paintSvg(small, file, file("any.svg"));
      expect((await sharp(await paintArtwork(small, file)).metadata()).hasAlpha).toBe(true);
    }
  });
});
