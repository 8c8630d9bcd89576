import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { edgePx, mm, um } from "../../base/length/index.ts";
import { PRINTERS, type Printer } from "../../catalogue/printer/index.ts";
import type { Job, Place } from "../../job/index.ts";
import { freshJob, lackingWhole, type Kind } from "../../kinds/index.ts";
import { arrange } from "../../plan/arrange.ts";
import { applyEdit, type JobEdit } from "../index.ts";
import {
  bring,
  correctionsOf,
  makeFor,
  readPattern,
  sayMade,
  withoutPhotos,
  writePattern,
  type MadeFor,
} from "./index.ts";

const edited = (job: Job, ...edits: JobEdit[]): Job => edits.reduce(applyEdit, job);
const printer = (change: Partial<Printer> = {}): Printer => ({
  ...PRINTERS[0]!,
  enlarged: 0,
  bleed: um(0),
  ...change,
});
/** A page of so many µm, upright as it is bought or on its side. */
const page = (width: number, height: number): MadeFor["page"] => ({
  paper: { name: "page", width: um(Math.min(width, height)), height: um(Math.max(width, height)) },
  lie: width > height ? "landscape" : "portrait",
  trim: null,
});
const to = (width: number, height: number, ppi: number, change: Partial<MadeFor> = {}): MadeFor => ({
  name: "the other one",
  printer: printer({ ppi }),
  page: page(width, height),
  onPaper: null,
  fit: "fill",
  most: 100,
  widened: null,
  ...change,
});
const onPage = (kind: Kind, width: number, height: number, ppi: number): Job =>
  edited(
    freshJob(kind, "Fair"),
    {
      do: "sheet",
      change: { ...page(width, height), margins: { top: um(0), right: um(0), bottom: um(0), left: um(0) } },
    },
    { do: "target", change: { ppi, bleed: um(0), enlarged: 0 } },
  );
const put = (x: number, y: number, width: number, height: number, angle = 0): Place => ({
  sheet: "1",
  x: um(x),
  y: um(y),
  width: um(width),
  height: um(height),
  angle,
  order: 0,
  locked: false,
  proportion: false,
});
const adding = (...places: Place[]): JobEdit => ({
  do: "add cells",
  cells: places.map((place) => ({ place, photo: null })),
});
const words = (x: number, y: number, width: number, height: number, size: number): JobEdit => ({
  do: "texts",
  texts: {
    t1: {
      text: "Open day",
      type: {
        font: "hanken",
        size: um(size),
        least: um(Math.round(size / 2)),
        colour: "#000000",
        align: "middle",
      },
      x: um(x),
      y: um(y),
      width: um(width),
      height: um(height),
      turn: 0,
      sheet: null,
    },
  },
});
const cellsOf = (job: Job) => arrange(job, {})[0]!.cells;

/** So many pixels at a resolution, in µm. */
const px = (pixels: number, ppi: number) => Math.round((pixels * 25_400) / ppi);

describe("a layout for another printer", () => {
  it("of 1 230 × 1 830 px at 300 ppi comes to 1 400 × 2 160 px at 350 ppi by its height, cut about its middle", () => {
    // 2160 ÷ 1830 = 1.180 33 px of the one for a px of the other; 1230 of them are 1451.80, so 25.90 are lost at each side.
    const master = edited(
      onPage("free", px(1230, 300), px(1830, 300), 300),
      adding(put(px(90, 300), px(120, 300), px(1050, 300), px(700, 300))),
      words(px(90, 300), px(1500, 300), px(1050, 300), px(240, 300), px(100, 300)),
    );
    const { job, whole, page: there } = bring(master, to(px(1400, 350), px(2160, 350), 350));
    const [sheet] = arrange(job, {});
    expect(sheet!.pixels).toEqual({ width: 1400, height: 2160 });
    const { finished } = sheet!.cells[0]!;
    // Left: 90 · 1.180 33 − 25.90 = 80.33 px; right: 1140 · 1.180 33 − 25.90 = 1319.67; top 141.64; foot 967.87.
    expect(edgePx(finished.x, 350)).toBe(80);
    expect(edgePx(um(finished.x + finished.width), 350)).toBe(1320);
    expect(edgePx(finished.y, 350)).toBe(142);
    expect(edgePx(um(finished.y + finished.height), 350)).toBe(968);
    // Letters of 100 px are 118.03 px high: 118.03 ÷ 350 × 25 400 = 8566 µm (8467 µm before, by 1.011 71).
    expect(job.texts.t1!.type.size).toBe(8566);
    expect((whole.width - there.width) / 2 / 25_400).toBeCloseTo(25.9 / 350, 4);
    const told = sayMade(
      { ...makeFor(master, { for: to(px(1400, 350), px(2160, 350), 350), corrections: [] }) },
      master,
      {
        unit: "mm",
      },
    );
    expect(told.map(({ sentence }) => sentence)).toEqual([
      expect.stringMatching(/At the left and at the right 1\.88\u00a0mm \(25\.9\u00a0px\) of it are cut off/),
    ]);
  });

  const side = fc.integer({ min: 40_000, max: 400_000 });
  const ppi = fc.constantFrom(203, 300, 314.5, 350, 600);

  it("has every edge where arithmetic in fractions has it, for 200 pairs of targets", () => {
    fc.assert(
      fc.property(
        side,
        side,
        ppi,
        side,
        side,
        ppi,
        fc.constantFrom("fill", "whole", "stretch"),
        fc.integer({ min: 0, max: 5000 }),
        (w, h, p, w2, h2, p2, fit, bleed) => {
          const rect = [w / 5, h / 4, w / 3, h / 2].map(Math.floor) as [number, number, number, number];
          const master = edited(onPage("free", w, h, p), adding(put(...rect)), words(...rect, 4000));
          const target = to(w2, h2, p2, { fit, printer: printer({ ppi: p2, bleed: um(bleed) }) });
          const { job } = bring(master, target);
          // By fractions of whole numbers: the new page with its bleed over the old one.
          const [bw, bh] = [BigInt(w2 + 2 * bleed), BigInt(h2 + 2 * bleed)];
          const [ow, oh] = [BigInt(w), BigInt(h)];
          const isWide = bw * oh > bh * ow;
          const byWidth = fit === "stretch" ? null : isWide === (fit === "fill");
          // Stretching goes as far as twice its proportion; that is not reached beyond a proportion of 2 to 1 apart.
          const ratio = Number(bw * oh) / Number(bh * ow);
          fc.pre(fit !== "stretch" || (ratio < 2 && ratio > 0.5));
          const [xn, xd] = byWidth === false ? [bh, oh] : [bw, ow];
          const [yn, yd] = byWidth === true ? [bw, ow] : [bh, oh];
          // about the middle: −bleed + (b − o·n/d)/2 + x·n/d, twice as much over 2d
          const edge = (at: number, n: bigint, d: bigint, o: bigint, b: bigint) =>
            nearestOf(-2n * BigInt(bleed) * d + (b * d - o * n) + 2n * BigInt(at) * n, 2n * d);
          const left = edge(rect[0], xn, xd, ow, bw);
          const right = edge(rect[0] + rect[2], xn, xd, ow, bw);
          const top = edge(rect[1], yn, yd, oh, bh);
          const foot = edge(rect[1] + rect[3], yn, yd, oh, bh);
          // What would be smaller than a piece can be is held at that.
          fc.pre(Math.min(right - left, foot - top) >= 3000);
          const [cell] = cellsOf(job);
          for (const { x, y, width, height } of [cell!.finished, job.texts.t1!]) {
            expect(x).toBe(left);
            expect(x + width).toBe(right);
            expect(y).toBe(top);
            expect(y + height).toBe(foot);
          }
          expect(edgePx(um(cell!.finished.x), p2)).toBe(Math.round((left * p2) / 25_400));
        },
      ),
      { numRuns: 200 },
    );
  });

  it("comes back to where it was, to what rounding takes", () => {
    const factor = fc.integer({ min: 70, max: 140 });
    fc.assert(
      fc.property(side, side, factor, factor, fc.integer({ min: -40, max: 40 }), (w, h, a, b, angle) => {
        const rect = [w / 5, h / 4, w / 3, h / 2].map(Math.floor) as [number, number, number, number];
        const master = edited(onPage("free", w, h, 300), adding(put(...rect, angle)));
        // Stretched axes of something tilted are no longer at right angles, so that is brought evenly.
        const [w2, h2] = [w * a, h * (angle === 0 ? b : a)].map((length) => Math.round(length / 100));
        const there = bring(master, to(w2!, h2!, 350, { fit: "stretch" }));
        const back = bring(there.job, to(w, h, 300, { fit: "stretch" }));
        const [was, is] = [cellsOf(master)[0]!.finished, cellsOf(back.job)[0]!.finished];
        // Half a µm there, times 1/0.7, and half a µm back, at each of two edges.
        for (const key of ["x", "y", "width", "height"] as const)
          expect(Math.abs(is[key] - was[key])).toBeLessThanOrEqual(3);
      }),
      { numRuns: 100 },
    );
  });

  it("of strips has shots and words where they come to, though the page has another proportion", () => {
    const master = onPage("strips", 50_000, 150_000, 300);
    const before = arrange(master, {})[0]!;
    const { job } = bring(master, to(53_000, 154_000, 300));
    const after = arrange(job, {})[0]!;
    expect(after.cells).toHaveLength(before.cells.length);
    // 53 ÷ 50 = 1.06 covers: 150 · 1.06 = 159, of which 2.5 mm are lost above and below.
    before.cells.forEach(({ finished }, i) => {
      expect(after.cells[i]!.finished).toEqual({
        x: Math.round(finished.x * 1.06),
        y: Math.round(finished.y * 1.06 - 2500),
        width: Math.round((finished.x + finished.width) * 1.06) - Math.round(finished.x * 1.06),
        height:
          Math.round((finished.y + finished.height) * 1.06 - 2500) - Math.round(finished.y * 1.06 - 2500),
      });
    });
    expect(job.ticket).toMatchObject({ kind: "strips", gap: 2650 });
  });

  it("keeps the size of pieces that were asked for, and lays them out anew", () => {
    const master = edited(onPage("copies", 100_000, 150_000, 300), {
      do: "ticket",
      change: { size: { width: mm(35), height: mm(45) } },
    });
    const { job } = bring(master, to(210_000, 297_000, 300));
    const cells = cellsOf(job);
    expect(cells.length).toBeGreaterThan(cellsOf(master).length);
    for (const { finished, turn } of cells)
      expect([finished.width, finished.height]).toEqual(
        turn % 180 === 0 ? [35_000, 45_000] : [45_000, 35_000],
      );
  });

  it("fills what an artwork that is seen whole leaves bare, by an edge of as many pixels as that takes", () => {
    // 600 × 900 px on a page of 60 × 90 mm: 10 px to the mm. On 80 × 90 mm 10 mm are bare at each side: 100 px.
    const art = { file: "a".repeat(64), name: "fair.png", width: 600, height: 900 };
    const window = { x: 50, y: 60, width: 500, height: 400, angle: 0, soft: 0, outline: [] };
    const master = edited(onPage("artwork", 60_000, 90_000, 254), {
      do: "ticket",
      change: { art, windows: [window] },
    });
    const wide = to(80_000, 90_000, 254, { fit: "whole" });
    const more = lackingWhole(art, bring(master, wide).page)!;
    expect(more).toEqual({ left: 100, right: 100, top: 0, bottom: 0 });
    const filled = { ...wide, widened: { of: art.file, file: "b".repeat(64), ...more } };
    const made = makeFor(master, { for: filled, corrections: [] });
    expect(made.job.ticket).toMatchObject({ art: { file: "b".repeat(64), width: 800 }, artFit: "fill" });
    const [sheet] = arrange(made.job, {});
    // The window stays where it was in the picture, which lies in the middle: 10 mm further to the right.
    expect(sheet!.cells[0]!.finished).toEqual({ x: 15_000, y: 6000, width: 50_000, height: 40_000 });
    expect(sheet!.over[0]).toMatchObject({ rect: { x: 0, y: 0, width: 80_000, height: 90_000 } });
    const said = (one: typeof made) => sayMade(one, master, { unit: "mm" })[0]!.sentence;
    expect(said(made)).toMatch(
      /At the left and at the right 10\u00a0mm \(100\u00a0px\) are filled with its edge/,
    );
    // Another artwork in the pattern: that one was not widened, and the page is bare again until it is.
    const other = edited(master, { do: "ticket", change: { art: { ...art, file: "c".repeat(64) } } });
    expect(said(makeFor(other, { for: filled, corrections: [] }))).toMatch(/stay bare/);
    expect(lackingWhole(art, bring(master, to(60_000, 90_000, 300)).page)).toBeNull();
  });

  it("says what came out too small to be made, and holds it there", () => {
    const master = edited(onPage("free", 200_000, 300_000, 300), words(10_000, 10_000, 20_000, 5000, 2000));
    const made = makeFor(master, { for: to(40_000, 60_000, 300), corrections: [] });
    // A fifth: 5 mm high words are 1 mm, and boxes are 3 mm at least; letters of 2 mm are 0.4 and may be 0.5 at least.
    expect(made.job.texts.t1).toMatchObject({ height: 3000, type: { size: 500 } });
    expect(sayMade(made, master, { unit: "mm" })[0]!.sentence).toMatch(/too small or too large/);
  });
});

/** A fraction as the nearest whole number, halves up. */
function nearestOf(n: bigint, d: bigint): number {
  const twice = 2n * n + d;
  const q = twice / (2n * d);
  return Number(twice < 0n && q * 2n * d !== twice ? q - 1n : q);
}

describe("what is set by hand for one target", () => {
  const master = () =>
    edited(
      onPage("free", 100_000, 150_000, 300),
      words(10_000, 130_000, 80_000, 12_000, 5000),
      adding(put(10_000, 10_000, 80_000, 100_000)),
    );
  const target = to(105_000, 150_000, 350);

  it("outlasts changes of the pattern, which reach everything else", () => {
    const computed = bring(master(), target).job;
    const corrected = edited(computed, {
      do: "texts",
      texts: { t1: { ...computed.texts.t1!, y: um(125_000) } },
    });
    const corrections = correctionsOf(computed, corrected);
    expect(corrections).toEqual([{ at: ["texts", "t1", "y"], to: 125_000 }]);
    const other = master();
    const changed = edited(other, {
      do: "texts",
      texts: { t1: { ...other.texts.t1!, text: "Harvest", x: um(20_000) } },
    });
    const { job, lost } = makeFor(changed, { for: target, corrections });
    // 1.05 times, about the middle: 157.5 − 150 = 7.5 mm are lost in height, none in width.
    expect(job.texts.t1).toMatchObject({ text: "Harvest", x: 21_000, y: 125_000 });
    expect(lost).toEqual([]);
  });

  it("is told where its thing is gone, and where it would make no job", () => {
    const corrections = [
      { at: ["texts", "t1", "y"], to: 125_000 },
      { at: ["sheet", "safe"], to: -5 },
    ];
    const without = edited(master(), { do: "texts", texts: { t1: null } });
    const made = makeFor(without, { for: target, corrections });
    expect(made.lost).toEqual(corrections);
    expect(sayMade(made, master(), { unit: "mm" }).map(({ sentence }) => sentence)).toEqual([
      expect.stringContaining("cut off"),
      "What was set by hand for words “Open day” has nothing to be set for any more.",
      "What was set by hand for the page has nothing to be set for any more.",
    ]);
  });

  it("is looked through by halves where some of very many make no job", () => {
    const text = (i: number) => ({ at: ["texts", `t${i + 2}`], to: { ...master().texts.t1!, y: i } });
    const corrections = Array.from({ length: 150 }, (_, i) => text(i));
    corrections[77] = { at: ["texts", "t1", "width"], to: -1 } as never;
    const made = makeFor(master(), { for: target, corrections });
    expect([made.lost, Object.keys(made.job.texts).length]).toEqual([[corrections[77]], 150]);
    // Nothing but nonsense is not tried one by one for ever.
    const bad = Array.from({ length: 4000 }, () => ({ at: ["texts", "t1", "width"], to: -1 }));
    expect(makeFor(master(), { for: target, corrections: bad }).lost).toHaveLength(4000);
  });

  it("goes into the pattern’s file and comes out of it the same; files of before have no targets", () => {
    const pattern = {
      name: "Fair",
      folder: "",
      job: withoutPhotos(master()),
      targets: [{ id: "one", for: target, corrections: [{ at: ["texts", "t1", "y"], to: 125_000 }] }],
    };
    const file = JSON.parse(JSON.stringify(writePattern(pattern))) as Record<string, unknown>;
    expect(readPattern(file)).toEqual({ ok: true, pattern });
    const { targets: _targets, ...old } = file;
    expect(readPattern({ ...old, version: 1 })).toEqual({ ok: true, pattern: { ...pattern, targets: [] } });
    const bad = readPattern({
      ...file,
      targets: [{ id: "one", for: { ...target, most: 200 }, corrections: [] }],
    });
    expect(bad.ok ? "" : bad.faults[0]!.why).toMatch(/targets\.0\.for\.most.*at most 100 %/);
  });
});
