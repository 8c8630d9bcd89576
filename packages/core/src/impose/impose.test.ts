import fc from "fast-check";
import { describe, expect, it } from "vitest";
import {
  contains,
  overlap,
  placedRect,
  placedWhole,
  type Quarter,
  type Rect,
} from "../base/geometry/index.ts";
import { mm, um } from "../base/length/index.ts";
import { applyEdit, type JobEdit } from "../edit/index.ts";
import { pagesOnSheets, readJob, type Job } from "../job/index.ts";
import { freshJob, kindOf, layOut } from "../kinds/index.ts";
import { arrange } from "../plan/arrange.ts";
import { check } from "../report/check/index.ts";
import { cutPlanOf } from "../report/cuts/index.ts";
import { sums } from "../report/sums/index.ts";
import { placesFor } from "../solve/slots/index.ts";
import { imposed, toWrite } from "./index.ts";

const rect = (x: number, y: number, width: number, height: number): Rect => ({
  x: um(x),
  y: um(y),
  width: um(width),
  height: um(height),
});
const paper = (name: string, width: number, height: number) => ({
  name,
  width: mm(width),
  height: mm(height),
});
const photos = (count: number) =>
  Array.from({ length: count }, (_, i) => ({ id: `n${i + 1}`, name: `n${i + 1}.jpg` }));
const facts = Object.fromEntries(photos(40).map(({ id }) => [id, { width: 300, height: 200 }]));

/** Pages of a size, one photo each, all over the page and its bleed; several to a sheet of A4. */
const pages = (width: number, height: number, count: number, ...edits: JobEdit[]): Job =>
  [
    { do: "add photos", photos: photos(count) } as JobEdit,
    {
      do: "sheet",
      change: { paper: paper("Card", width, height), lie: "portrait" },
    } as JobEdit,
    { do: "target", change: { bleed: mm(2) } } as JobEdit,
    { do: "ticket", change: { way: "border", border: um(0) } } as JobEdit,
    { do: "impose", change: { way: "several", gap: mm(4) } } as JobEdit,
    ...edits,
  ].reduce(applyEdit, freshJob("single", "Cards"));
const printed = (job: Job) => imposed(job, arrange(job, facts));
const shown = (job: Job) => printed(job).map(({ cells }) => cells.map(({ photo }) => photo));

describe("a placement", () => {
  it("turns by quarters about the corner it is put at: 20 × 10 of 100 × 60 at (30, 5)", () => {
    const of = { width: um(100), height: um(60) };
    const at = (turn: Quarter) => placedRect({ of, turn, x: um(1000), y: um(2000) }, rect(30, 5, 20, 10));
    // By hand: a quarter clockwise takes (x, y) to (60 − y − h, x), a half to (100 − x − w, 60 − y − h).
    expect(at(0)).toEqual(rect(1030, 2005, 20, 10));
    expect(at(90)).toEqual(rect(1045, 2030, 10, 20));
    expect(at(180)).toEqual(rect(1050, 2045, 20, 10));
    expect(at(270)).toEqual(rect(1005, 2050, 10, 20));
  });
});

describe("several pages to a sheet", () => {
  it("puts a page of 13 × 18 cm twice on A4, on its side: 180 × 130 mm, 4 mm apart, in the middle", () => {
    const [sheet, ...others] = printed(pages(130, 180, 1));
    expect(others).toEqual([]);
    // (210 − 180) / 2 = 15; (297 − 130 − 4 − 130) / 2 = 16.5
    expect(sheet!.freed).toEqual([
      rect(15_000, 16_500, 180_000, 130_000),
      rect(15_000, 150_500, 180_000, 130_000),
    ]);
    expect(sheet!.paper).toEqual({ width: mm(210), height: mm(297) });
    expect(sheet!.cells.map(({ photo, finished }) => [photo, finished])).toEqual([
      ["n1", sheet!.freed![0]],
      ["n1", sheet!.freed![1]],
    ]);
    // The bleed of 2 mm runs on all around, between the pages to the middle of the gap.
    expect(sheet!.cells[0]!.image).toEqual(rect(13_000, 14_500, 184_000, 134_000));
    // A landscape photo in an upright page that lies on its side: turned, its picture covers what it covered.
    expect(sheet!.cells[0]!.picture!.turn).toBe(90);
    expect(contains(sheet!.cells[0]!.picture!.placed, sheet!.cells[0]!.image)).toBe(true);
  });

  it("is written so that each page is whole: sums, price and cuts are of sheets and pages", () => {
    const job = pages(130, 180, 3);
    const all = printed(job);
    expect(sums(job, facts, arrange(job, facts))).toMatchObject({ sheets: 3, pages: 3, pieces: 6 });
    for (const sheet of all) {
      const plan = cutPlanOf(sheet);
      expect(plan.ok && plan.steps.length).toBeGreaterThanOrEqual(5);
    }
    expect(kindOf(job).say(job, { unit: "mm" }, layOut(job, facts).sums).at(-2)!.text).toBe(
      "the same page two times to a sheet of A4, cut apart",
    );
  });

  it("lets sixteen cards of 85 × 55 mm, cut from two sheets of ten and stacked, lie in their order", () => {
    const job = pages(85, 55, 16, { do: "impose", change: { order: "stack", mayTurn: false } });
    const sheets = shown(job);
    // (210 + 4) / (85 + 4) = 2 across, (297 + 4) / (55 + 4) = 5 down
    expect(sheets.map((on) => on.length)).toEqual([8, 8]);
    const holds = (of: Job) =>
      placesFor(of.impose, { width: mm(85), height: mm(55) }, of.target.printer.unprintable);
    expect(holds(job)!.places).toHaveLength(10);
    // Some turned there is room for one more: two columns of three on their side are 114 mm wide, and 92 are left for a column of five.
    expect(holds(applyEdit(job, { do: "impose", change: { mayTurn: true } }))!.places).toHaveLength(11);
    // The knife goes through the pile: at each place lie the pages of that place, the first sheet on top. The stacks are
    // laid on each other in the order of the places.
    const places = Math.max(...sheets.map((on) => on.length));
    const stacked = Array.from({ length: places }, (_, place) => sheets.map((on) => on[place])).flat();
    expect(stacked).toEqual(photos(16).map(({ id }) => id));
  });

  it("stacks any number of pages in order, and none is lost", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 60 }),
        fc.constantFrom("stack" as const, "in order" as const),
        (count, order) => {
          const sizes = Array.from({ length: count }, () => ({ width: mm(85), height: mm(55) }));
          const job = freshJob("single", "Cards");
          const all = pagesOnSheets({ ...job, impose: { ...job.impose, way: "several", order } }, sizes);
          const on = all.map(({ slots }) => slots.map(({ page }) => page));
          const places = Math.max(...on.map((slots) => slots.length));
          const read =
            order === "in order"
              ? on.flat()
              : Array.from({ length: places }, (_, place) =>
                  on.flatMap((slots) => slots[place] ?? []),
                ).flat();
          expect(read).toEqual(sizes.map((_, i) => i));
          for (const { slots, lying } of all)
            slots.forEach(({ at }, i) => {
              expect(contains({ x: um(0), y: um(0), ...lying }, placedWhole(at))).toBe(true);
              for (const other of slots.slice(i + 1))
                expect(overlap(placedWhole(at), placedWhole(other.at))).toBeNull();
            });
        },
      ),
    );
  });

  it("turns a page that stands the other way, and gives another size sheets of its own", () => {
    const job = applyEdit(freshJob("single", "Cards"), {
      do: "impose",
      change: {
        way: "several",
        order: "in order",
        gap: um(0),
        grid: { columns: 2, rows: 1 },
        mayTurn: false,
      },
    });
    const all = pagesOnSheets(job, [
      { width: mm(100), height: mm(150) },
      { width: mm(150), height: mm(100) },
      { width: mm(90), height: mm(90) },
    ]);
    expect(all.map(({ slots }) => slots.map(({ page, at }) => [page, at.turn]))).toEqual([
      [
        [0, 0],
        [1, 90],
      ],
      [[2, 0]],
    ]);
  });

  it("tells pages that fit on no sheet, and bleed that has no room between them", () => {
    const rules = (job: Job) => check(job, facts, arrange(job, facts)).map(({ rule }) => rule);
    expect(rules(pages(300, 400, 1))).toContain("page-on-no-sheet");
    const tight = pages(85, 55, 4, { do: "impose", change: { gap: mm(1) } });
    const told = check(tight, facts, arrange(tight, facts)).find(({ rule }) => rule === "bleed-in-gap")!;
    expect(told.sentence).toMatch(
      /The bleed of 2\u00a0mm has no room between pages that lie 1\u00a0mm apart/,
    );
    expect(rules(applyEdit(tight, told.mend!.edit))).not.toContain("bleed-in-gap");
    expect(rules(pages(85, 55, 4))).not.toContain("page-on-no-sheet");
  });

  it("knows pages from sheets in words, and reads back", () => {
    const job = pages(
      85,
      55,
      16,
      { do: "impose", change: { order: "stack" } },
      {
        do: "texts",
        texts: {
          t1: {
            text: "[page]/[pages] [sheet]/[sheets]",
            type: { font: "hanken", size: mm(3), least: mm(2), colour: "#000000", align: "left" },
            ...rect(2000, 2000, 60_000, 6000),
            turn: 0,
            sheet: null,
          },
        },
      },
    );
    const words = arrange(job, facts).map(({ over }) =>
      over[0]?.kind === "text" ? over[0].text.lines[0]!.text : "",
    );
    // The fourth page lies in the second place of the second sheet.
    expect([words[0], words[3], words[15]]).toEqual(["1/16 1/2", "4/16 2/2", "16/16 2/2"]);
    expect(readJob(JSON.parse(JSON.stringify(job)))).toEqual({
      ok: true,
      job: JSON.parse(JSON.stringify(job)),
    });
  });

  it("writes the pages by themselves where a PDF is to hold those, and the page is the sheet where it says so", () => {
    const job = pages(85, 55, 16, { do: "impose", change: { pdf: "pages" } });
    const pdf = applyEdit(job, { do: "target", change: { file: { ...job.target.file, format: "pdf" } } });
    expect([toWrite(job, arrange(job, facts)).length, toWrite(pdf, arrange(pdf, facts)).length]).toEqual([
      16, 16,
    ]);
    expect(toWrite(pdf, arrange(pdf, facts))[0]!.paper).toEqual({ width: mm(85), height: mm(55) });
    const one = applyEdit(job, { do: "impose", change: { way: "one" } });
    expect(printed(one)).toEqual(arrange(one, facts));
  });
});

describe("facing pages side by side", () => {
  const spreads = (count: number, first: "left" | "right") =>
    pages(
      100,
      150,
      count,
      { do: "sheet", change: { facing: first } },
      {
        do: "impose",
        change: { way: "spreads", paper: paper("Spread", 200, 150) },
      },
    );

  it("needs no blank first page where the first lies at the left", () => {
    expect(shown(spreads(4, "left"))).toEqual([
      ["n1", "n2"],
      ["n3", "n4"],
    ]);
    expect(shown(spreads(4, "right"))).toEqual([["n1"], ["n2", "n3"], ["n4"]]);
    const [, second] = printed(spreads(3, "right"));
    expect(second!.cells.map(({ finished }) => finished)).toEqual([
      rect(0, 0, 100_000, 150_000),
      rect(100_000, 0, 100_000, 150_000),
    ]);
    expect(printed(spreads(3, "right"))[0]!.cells[0]!.finished.x).toBe(mm(100));
  });

  it("is cut back at the fold, where the pages touch", () => {
    const [sheet] = printed(spreads(2, "left"));
    expect(sheet!.cells.map(({ image }) => image)).toEqual([
      rect(0, 0, 100_000, 150_000),
      rect(100_000, 0, 100_000, 150_000),
    ]);
  });
});
