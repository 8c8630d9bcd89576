import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { contains, type Rect } from "../../../base/geometry/index.ts";
import { mm, um } from "../../../base/length/index.ts";
import { applyEdit, type JobEdit } from "../../../edit/index.ts";
import { readJob } from "../../../job/index.ts";
import { freshJob } from "../../../kinds/index.ts";
import { arrange } from "../../../plan/arrange.ts";
import type { FieldSource } from "../../words/index.ts";
import { drawTable } from "./draw.ts";
import type { TableBlock } from "./schema.ts";

const source: FieldSource = { file: null, own: {}, job: "Autumn", page: 2, pages: 5, sheet: 1, sheets: 3 };

const table = (over: Partial<TableBlock> = {}): TableBlock => ({
  kind: "table",
  title: "Order, [job]",
  columns: [
    { heading: "Photo", share: 2, align: "left" },
    { heading: "How many", share: 1, align: "right" },
  ],
  rows: [["Page [page] of [pages]", "3"]],
  blank: 1,
  type: { font: "hanken", size: mm(3), least: mm(1), colour: "#000000", align: "left" },
  line: { width: mm(0.2), colour: "#646b77" },
  head: "#e6e8f7",
  stands: "hand",
  x: mm(10),
  y: mm(20),
  width: mm(90),
  height: mm(45),
  sheet: null,
  ...over,
});

const textsOf = (block: TableBlock) =>
  drawTable(block, source).flatMap((ink) => (ink.kind === "text" ? [ink.text] : []));

describe("a table of words", () => {
  it("has its lines where its rows and columns close: 4.5 rows of 10 mm, columns of 60 and 30", () => {
    const [tint, mesh] = drawTable(table(), source);
    // The title takes one and a half rows of 45 / 4.5 = 10 mm; headings, the row and the blank one follow.
    expect(tint).toMatchObject({
      kind: "path",
      fill: "#e6e8f7",
      box: { x: mm(10), y: mm(35), width: mm(90), height: mm(10) },
    });
    if (mesh?.kind !== "path") throw new Error("no lines");
    const starts = mesh.commands.flatMap((step) => (step[0] === "M" ? [[step[1], step[2]]] : []));
    expect(starts).toEqual([
      ...[10, 70, 100].map((x) => [mm(x), mm(35)]),
      ...[35, 45, 55, 65].map((y) => [mm(10), mm(y)]),
    ]);
    expect(mesh).toMatchObject({ fill: null, stroke: { width: mm(0.2) } });
  });

  it("sets words with fields in their columns, the title larger, figures at the right", () => {
    expect(textsOf(table()).map(({ lines, align, box }) => [lines[0]!.text, align, box.x])).toEqual([
      ["Order, Autumn", "left", mm(11)],
      ["Photo", "left", mm(11)],
      ["How many", "right", mm(71)],
      ["Page 2 of 5", "left", mm(11)],
      ["3", "right", mm(71)],
    ]);
    const [title, first] = textsOf(table());
    expect([title!.size, first!.size]).toEqual([mm(3), mm(3)]);
    expect(
      textsOf(table({ title: "", columns: table().columns.map((one) => ({ ...one, heading: "" })) })),
    ).toHaveLength(2);
  });

  it("is never cropped, whatever its size: all of it lies inside, and letters shrink with their rows", () => {
    const sizes = fc.record({
      width: fc.integer({ min: 10, max: 800 }),
      height: fc.integer({ min: 5, max: 800 }),
      rows: fc.integer({ min: 0, max: 40 }),
      blank: fc.integer({ min: 0, max: 20 }),
      shares: fc.array(fc.integer({ min: 1, max: 9 }), { minLength: 1, maxLength: 8 }),
    });
    fc.assert(
      fc.property(sizes, ({ width, height, rows, blank, shares }) => {
        const block = table({
          width: mm(width),
          height: mm(height),
          blank,
          columns: shares.map((share) => ({ heading: "Words of a column", share, align: "left" })),
          rows: Array.from({ length: rows }, (_, i) => shares.map(() => `Row ${i + 1} with words`)),
          type: { ...table().type, least: um(500) },
        });
        const box: Rect = { x: block.x, y: block.y, width: block.width, height: block.height };
        for (const ink of drawTable(block, source)) {
          if (ink.kind === "path") expect(contains(box, ink.box)).toBe(true);
          if (ink.kind !== "text") continue;
          expect(contains(box, ink.text.box)).toBe(true);
          // A capital letter is at most 0.75 of the font’s height.
          for (const { y } of ink.text.lines) {
            expect(y).toBeLessThanOrEqual(ink.text.box.y + ink.text.box.height);
            expect(y - 0.75 * ink.text.size).toBeGreaterThanOrEqual(ink.text.box.y - 1);
          }
        }
      }),
    );
  });

  it("stands on every page or on one, is kept by the job, and is told where its page is gone", () => {
    const photos = ["a", "b"].map((id) => ({ id, name: `${id}.jpg` }));
    const start = applyEdit(freshJob("single", "Prints"), { do: "add photos", photos });
    const over = (job: typeof start) => arrange(job, {}).map((sheet) => sheet.over.length);
    const every = applyEdit(start, { do: "blocks", blocks: { b1: table() } });
    expect(over(every)).toEqual([7, 7]);
    expect(readJob(JSON.parse(JSON.stringify(every)))).toEqual({
      ok: true,
      job: JSON.parse(JSON.stringify(every)),
    });
    const second = applyEdit(every, { do: "blocks", blocks: { b1: table({ sheet: "p2" }) } });
    expect(over(second)).toEqual([0, 7]);
    // The page is that of its photo: it goes where the photo goes.
    expect(over(applyEdit(second, { do: "move photo", photo: "b", to: 0 }))).toEqual([7, 0]);
    expect(applyEdit(second, { do: "blocks", blocks: { b1: null } }).blocks).toEqual({});
  });

  it("stands across the foot where the kind makes room: 235 mm are left of 277 for two rows of frames", () => {
    const photos = ["a", "b", "c"].map((id) => ({ id, name: `${id}.jpg` }));
    const form = table({ stands: "foot", height: mm(40) });
    const edits = [
      { do: "add photos", photos },
      { do: "ticket", change: { by: "grid", columns: 2, rows: 2, gap: mm(2), head: "", foot: "" } },
      { do: "style", change: { caption: null } },
      { do: "blocks", blocks: { b1: form } },
    ] as JobEdit[];
    const contact = edits.reduce(applyEdit, freshJob("contact", "Order"));
    // A4 with margins of 10 mm: 190 × 277 mm, of which the block takes 40 at the foot and 2 are between.
    const [sheet] = arrange(contact, {});
    expect(sheet!.items).toEqual([
      {
        kind: "block",
        name: "b1",
        finished: { x: mm(10), y: mm(247), width: mm(190), height: mm(40) },
        angle: 0,
        laid: true,
      },
    ]);
    // Without the photos’ sizes a frame is 3 : 2, as wide as its room of (190 − 2) / 2 mm.
    expect(sheet!.cells.map(({ finished }) => finished.width)).toEqual([mm(94), mm(94), mm(94)]);
    // Frames of 94 × 62.667 mm in the middle of rooms of (235 − 2) / 2 = 116.5 mm: 10 + 58.25 + 31.333, and 118.5 below.
    const feet = sheet!.cells.map(({ finished }) => finished.y + finished.height);
    expect(feet).toEqual([99_583, 99_583, 218_083]);
    // A kind that makes no room has it where a hand put it, and a contact sheet again as before.
    const single = applyEdit(contact, { do: "become", kind: "single" });
    expect(arrange(single, {})[0]!.items[0]).toMatchObject({
      laid: false,
      finished: { x: mm(10), y: mm(20) },
    });
    const back = applyEdit(single, { do: "become", kind: "contact" });
    expect(arrange(back, {})[0]!.items).toEqual(sheet!.items);
  });
});
