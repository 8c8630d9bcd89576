import { describe, expect, it } from "vitest";
import { chance } from "../../base/chance.ts";
import { mm, toPx, um, type Um } from "../../base/length/index.ts";
import { applyEdit, type JobEdit } from "../../edit/index.ts";
import type { Job } from "../../job/index.ts";
import { arrange } from "../../plan/arrange.ts";
import { check } from "../../report/check/index.ts";
import type { ArtWindow } from "../../solve/windows/index.ts";
import { imposed } from "../../impose/index.ts";
import { freshJob } from "../index.ts";
import { cutTo, keptApart, outlineOf } from "./apart.ts";

const window = (
  x: number,
  y: number,
  width: number,
  height: number,
  over: Partial<ArtWindow> = {},
): ArtWindow => ({
  ...{ x, y, width, height, angle: 0, soft: 0, outline: [] },
  ...over,
});
const photos = { a: { width: 6000, height: 4000 }, b: { width: 4000, height: 6000 } };
const two = [
  { id: "a", name: "a.jpg" },
  { id: "b", name: "b.jpg" },
];

/** A job of an artwork of so many pixels on a page of so many inches. */
function jobOf(
  art: [number, number],
  page: [number, number],
  ppi: number,
  windows: ArtWindow[],
  ...edits: JobEdit[]
): Job {
  const [width, height] = page.map((inches) => um(Math.round(inches * 25_400)));
  const paper = { name: "page", width: width!, height: height! };
  return (
    [
      { do: "sheet", change: { paper, lie: "portrait" } },
      { do: "target", change: { ppi } },
      {
        do: "ticket",
        change: { art: { file: "art", name: "fair.png", width: art[0], height: art[1] }, windows },
      },
      { do: "add photos", photos: two },
      ...edits,
    ] as JobEdit[]
  ).reduce(applyEdit, freshJob("artwork", "Fair"));
}
const findings = (job: Job) =>
  check(job, photos, arrange(job, photos)).filter(({ rule }) => /artwork|window/.test(rule));

describe("an artwork on a page of another proportion", () => {
  // By hand: 1 230 × 1 830 px to 1 400 × 2 160 px at 350 ppi. Enlarged to the height, 2 160 / 1 830 = 1.180 328, it is
  // 1 451.80 px wide and loses 25.90 px at the left and at the right.
  const made = jobOf([1230, 1830], [1400 / 350, 2160 / 350], 350, [
    window(100, 200, 500, 400),
    window(615, 915, 300, 200, { angle: 10 }),
  ]);
  const [sheet] = arrange(made, photos);

  it("comes out to the pixel", () => {
    expect(sheet!.pixels).toEqual({ width: 1400, height: 2160 });
    const px = ({ x, y, width, height }: (typeof sheet & object)["cells"][number]["finished"]) =>
      [x, y, x + width, y + height].map((at) => toPx(at, 350));
    // 100 · 1.180328 − 25.9016 = 92.131; 200 · 1.180328 = 236.066; 600 · … − 25.9016 = 682.295; 600 · … = 708.197.
    const straight = px(sheet!.cells[0]!.finished);
    [92.131, 236.066, 682.295, 708.197].forEach((at, i) => expect(straight[i]).toBeCloseTo(at, 1));
    // The middle of the tilted one: (765, 1 015) goes to 877.049, 1 198.033; it is 354.098 × 236.066.
    const tilted = px(sheet!.cells[1]!.finished);
    [700, 1080, 1054.098, 1316.066].forEach((at, i) => expect(tilted[i]).toBeCloseTo(at, 1));
    expect(sheet!.cells[1]!.angle).toBe(10);
    // The artwork itself lies over everything.
    const [front] = sheet!.over;
    expect(front).toMatchObject({ kind: "picture", of: { kind: "file", id: "art" } });
    if (front?.kind !== "picture") throw new Error("no artwork");
    expect(toPx(front.rect.x, 350)).toBeCloseTo(-25.9, 1);
    expect(toPx(front.rect.width, 350)).toBeCloseTo(1451.8, 1);
  });

  it("is said in pixels and in what is lost, and can be shown whole or stretched", () => {
    const [first] = findings(made);
    expect(first!.sentence).toMatch(
      /The page wants 1[\u202f ,]?400 × 2[\u202f ,]?160 px at 350 ppi; “fair.png” is 1[\u202f ,]?230 × 1[\u202f ,]?830 px/,
    );
    // 25.90 px at 350 ppi are 1.88 mm.
    expect(first!.sentence).toMatch(/1\.88\u00a0mm at the left and at the right/);
    const whole = applyEdit(made, first!.mend!.edit);
    expect(findings(whole).map(({ rule }) => rule)).toEqual(["artwork-short"]);
    // 1 400 / 1 230 = 1.138 211: 2 082.93 px high, 38.54 px bare above and below.
    const [shown] = arrange(whole, photos);
    expect(toPx(shown!.cells[0]!.finished.y, 350)).toBeCloseTo(38.54 + 200 * 1.138211, 1);
    const stretched = applyEdit(made, { do: "ticket", change: { artFit: "stretch" } });
    expect(findings(stretched).map(({ rule }) => rule)).toEqual(["artwork-stretched"]);
  });

  it("changes tilts as much as a stretch does: tan 10° · 1.180328 / 1.138211 is the tangent of 10.36°", () => {
    const stretched = applyEdit(made, { do: "ticket", change: { artFit: "stretch" } });
    expect(arrange(stretched, photos)[0]!.cells[1]!.angle).toBeCloseTo(10.361, 2);
  });
});

it("lies at any target where arithmetic in pixels has it, and comes back: two hundred pairs of targets", () => {
  const random = chance(17);
  const between = (least: number, most: number) => least + random() * (most - least);
  const target = () => ({
    page: [between(2, 12), between(2, 12)] as [number, number],
    ppi: Math.round(between(150, 720)),
    bleed: um(Math.round(between(0, 5000))),
  });
  const at = (job: Job, { page, ppi, bleed }: ReturnType<typeof target>): Job => {
    const [width, height] = page.map((inches) => um(Math.round(inches * 25_400)));
    const paper = { name: "page", width: width!, height: height! };
    return (
      [
        {
          do: "sheet",
          change: {
            paper: { ...paper, ...upright(paper) },
            lie: width! > height! ? "landscape" : "portrait",
          },
        },
        { do: "target", change: { ppi, bleed } },
      ] as JobEdit[]
    ).reduce(applyEdit, job);
  };
  const upright = ({ width, height }: { width: Um; height: Um }) =>
    width > height ? { width: height, height: width } : { width, height };
  for (let i = 0; i < 200; i++) {
    const art: [number, number] = [Math.round(between(600, 6000)), Math.round(between(600, 6000))];
    const one = window(
      between(0, art[0] / 2),
      between(0, art[1] / 2),
      between(200, art[0] / 2),
      between(200, art[1] / 2),
    );
    const [first, second] = [target(), target()];
    const start = at(jobOf(art, [4, 6], 300, [one]), first);
    const there = at(start, second);
    for (const [job, { page, ppi, bleed }] of [
      [start, first],
      [there, second],
    ] as const) {
      // In pixels of the target: the page with its bleed, covered about the middle.
      const edge = (bleed / 25_400) * ppi;
      const [wide, high] = [page[0] * ppi + 2 * edge, page[1] * ppi + 2 * edge];
      const scale = Math.max(wide / art[0], high / art[1]);
      const { finished } = arrange(job, photos)[0]!.cells[0]!;
      const px = (length: number) => (length / 25_400) * ppi;
      // A micrometre is 0.03 px at 720 ppi; the page’s own size is rounded to one as well.
      const by = 2 * px(1);
      expect(Math.abs(px(finished.x) - ((one.x - art[0] / 2) * scale + wide / 2 - edge))).toBeLessThan(by);
      expect(Math.abs(px(finished.y) - ((one.y - art[1] / 2) * scale + high / 2 - edge))).toBeLessThan(by);
      expect(Math.abs(px(finished.width) - one.width * scale)).toBeLessThan(by);
      expect(Math.abs(px(finished.height) - one.height * scale)).toBeLessThan(by);
    }
    expect(arrange(at(there, first), photos)).toEqual(arrange(start, photos));
  }
});

it("wants the pixels of the page with its bleed: 4 × 6 in with 2.7093 mm around it at 300 ppi are 1 264 × 1 864", () => {
  const bleed = um(2709);
  const job = jobOf([1200, 1800], [4, 6], 300, [window(100, 100, 400, 400)], {
    do: "target",
    change: { bleed },
  });
  expect(findings(job)[0]!.sentence).toMatch(
    /^The page with its bleed wants 1[\u202f ,]?264 × 1[\u202f ,]?864 px/,
  );
  expect(
    findings(
      jobOf([1264, 1864], [4, 6], 300, [window(100, 100, 400, 400)], { do: "target", change: { bleed } }),
    ),
  ).toEqual([]);
});

describe("what is behind windows", () => {
  it("is a cell each, with photos in their order, as many pages as they fill", () => {
    const job = jobOf([1200, 1800], [4, 6], 300, [window(100, 100, 400, 400), window(600, 100, 400, 400)]);
    const [sheet] = arrange(job, photos);
    expect(sheet!.cells.map(({ photo, finished }) => [photo, finished.x])).toEqual([
      ["a", Math.round((100 / 300) * 25_400)],
      ["b", Math.round((600 / 300) * 25_400)],
    ]);
    expect(
      arrange(applyEdit(job, { do: "ticket", change: { windows: [window(100, 100, 400, 400)] } }), photos),
    ).toHaveLength(2);
  });

  it("runs on under the artwork by what is asked for and by what of its edge is soft", () => {
    const job = jobOf([1200, 1800], [4, 6], 300, [window(300, 300, 400, 400, { soft: 12 })], {
      do: "ticket",
      change: { under: mm(2) },
    });
    const { finished, image } = arrange(job, photos)[0]!.cells[0]!;
    // 12 px at 300 ppi are 1 016 µm.
    expect(finished.x - image.x).toBe(2000 + 1016);
    expect(image.width).toBe(finished.width + 2 * 3016);
  });

  it("keeps photos by their places when another artwork is brought in", () => {
    const job = jobOf([1200, 1800], [4, 6], 300, [window(100, 100, 400, 400), window(600, 100, 400, 400)], {
      do: "shot",
      shot: "p2",
      change: { scale: 2 },
    });
    const art = { file: "other", name: "other.png", width: 1200, height: 1800 };
    const windows = [
      window(50, 50, 300, 300, { angle: 5 }),
      window(700, 900, 300, 300),
      window(80, 900, 300, 300),
    ];
    const [sheet] = arrange(applyEdit(job, { do: "ticket", change: { art, windows } }), photos);
    expect(sheet!.cells.map(({ photo }) => photo)).toEqual(["a", "b", null]);
    expect(sheet!.cells[1]!.sits.scale).toBe(2);
  });

  it("is never seen through another window: a thousand pairs of tilted and oval windows, close by", () => {
    const random = chance(5);
    let pairs = 0;
    for (let i = 0; i < 1000; i++) {
      const oval = (x: number, y: number, w: number, h: number) =>
        Array.from({ length: 40 }, (_, k): [number, number] => [
          x + w / 2 + (w / 2) * Math.cos((k * Math.PI) / 20),
          y + h / 2 + (h / 2) * Math.sin((k * Math.PI) / 20),
        ]);
      const any = (x: number): ArtWindow => {
        const [w, h] = [200 + random() * 200, 200 + random() * 200];
        return random() < 0.5
          ? window(x, 100 + random() * 200, w, h, { angle: (random() - 0.5) * 60 })
          : window(x, 150, w, h, { outline: oval(x, 150, w, h) });
      };
      const both = [any(100), any(450)];
      const [of] = keptApart(both);
      if (of!.length === 0) continue;
      pairs++;
      const grown = outlineOf({
        ...both[0]!,
        outline: [],
        x: both[0]!.x - 60,
        y: both[0]!.y - 60,
        width: both[0]!.width + 120,
        height: both[0]!.height + 120,
      });
      const shown = cutTo(grown, of!);
      // The window itself is all in it, and no corner of the other one is.
      for (const [x, y] of outlineOf(both[0]!)) expect(isIn([x, y], shown, 1e-6)).toBe(true);
      for (const [x, y] of outlineOf(both[1]!)) expect(isIn([x, y], shown, -1e-6)).toBe(false);
    }
    expect(pairs).toBeGreaterThan(300);
  });
});

it("comes several to a sheet, turned or not, with photos that are cut back to their shapes", () => {
  const close = [window(100, 100, 500, 500, { angle: 12 }), window(700, 120, 440, 500, { angle: -9 })];
  const job = jobOf([1200, 1800], [4, 6], 300, close, {
    do: "impose",
    change: { way: "several", paper: { name: "A4", width: mm(210), height: mm(297) }, mayTurn: true },
  });
  const pages = arrange(applyEdit(job, { do: "ticket", change: { under: mm(4) } }), photos);
  expect(pages[0]!.cells.map(({ within }) => within !== null)).toEqual([true, true]);
  for (const sheet of imposed(job, pages)) {
    for (const { within } of sheet.cells)
      for (const at of within!) expect(at.every(Number.isInteger)).toBe(true);
  }
});

/** Whether a point lies in a convex shape, given clockwise as seen, to a tolerance. */
const isIn = ([x, y]: [number, number], shape: readonly (readonly [number, number])[], by: number): boolean =>
  shape.every(([ax, ay], i) => {
    const [bx, by2] = shape[(i + 1) % shape.length]!;
    const length = Math.hypot(bx - ax, by2 - ay);
    return length < 1e-9 || ((bx - ax) * (y - ay) - (by2 - ay) * (x - ax)) / length >= -by;
  });

describe("an artwork that cannot be used", () => {
  it("is asked for, and one without windows is told", () => {
    const empty = freshJob("artwork", "Fair");
    expect(findings(empty)[0]!.sentence).toMatch(/^There is no artwork yet/);
    expect(arrange(empty, {})).toHaveLength(1);
    const opaque = jobOf([1200, 1800], [4, 6], 300, []);
    expect(findings(opaque)[0]!.sentence).toMatch(/^Nothing in “fair.png” is transparent/);
    expect(arrange(opaque, photos)).toHaveLength(1);
  });

  it("is told where it is coarse, and where a window is cut off", () => {
    expect(
      findings(jobOf([400, 600], [4, 6], 300, [window(50, 50, 100, 100)])).map(({ rule }) => rule),
    ).toEqual(["artwork-coarse"]);
    const wide = jobOf([3600, 1800], [4, 6], 300, [window(100, 100, 400, 400), window(1600, 100, 400, 400)]);
    expect(findings(wide).map(({ rule }) => rule)).toEqual(["window-off-the-page", "artwork-cropped"]);
  });
});
